<script setup lang="ts">
import { useId } from 'vue'

/** What is typed, and at the field why it is not taken. */
defineOptions({ inheritAttrs: false })
const text = defineModel<string>({ required: true })
defineProps<{
  /** empty if it is */
  why: string
}>()
const id = useId()
</script>

<template>
  <span class="reasoned">
    <input
      v-model="text"
      v-bind="$attrs"
      class="form-control"
      :aria-invalid="Boolean(why)"
      :aria-describedby="why ? id : undefined"
    />
    <span v-if="why" :id="id" class="act small" role="alert">{{ why }}</span>
  </span>
</template>

<style scoped>
.reasoned {
  display: block;
}
</style>
