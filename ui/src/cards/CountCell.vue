<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import TextInput from '../shell/TextInput.vue'

/** A count for wet hands: one less, one more, or typed. */
const props = defineProps<{ id: string; label: string; value?: string; locked: boolean; problem?: string }>()
const emit = defineEmits<{ enter: [value: string] }>()
const now = () => Number(props.value ?? 0)
</script>

<template>
  <div class="count">
    <label :for="id">{{ label }}</label>
    <div class="row-of">
      <BButton
        variant="outline-secondary"
        :disabled="locked"
        :aria-label="`${label}: one less`"
        @click="emit('enter', String(Math.max(0, now() - 1)))"
        >−</BButton
      >
      <TextInput
        :id="id"
        :model-value="value ?? ''"
        inputmode="numeric"
        :disabled="locked"
        @change="(e: Event) => emit('enter', (e.target as HTMLInputElement).value)"
      />
      <BButton
        variant="outline-secondary"
        :disabled="locked"
        :aria-label="`${label}: one more`"
        @click="emit('enter', String(now() + 1))"
        >+</BButton
      >
    </div>
    <p v-if="problem" class="act strong small" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.count {
  max-width: 330px;
}
.row-of {
  display: flex;
  gap: 8px;
}
.row-of > * {
  min-height: 64px;
  min-width: 64px;
  font-size: 1.3rem;
  text-align: center;
}
</style>
