<script setup lang="ts" generic="T extends string | number | undefined">
import { computed } from 'vue'

/** One of several; each by its own name, or by what it is called. */
const chosen = defineModel<T>({ required: true })
const props = defineProps<{ options: readonly (T | { value: T; text: string; disabled?: boolean })[]; size?: 'sm' }>()
const all = computed(() =>
  props.options.map((o) => (typeof o === 'object' ? o : { value: o, text: String(o), disabled: false })),
)
</script>

<template>
  <select v-model="chosen" class="form-select" :class="{ 'form-select-sm': size === 'sm' }">
    <option v-for="o in all" :key="String(o.value)" :value="o.value" :disabled="o.disabled">{{ o.text }}</option>
  </select>
</template>
