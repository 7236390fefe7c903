<script setup lang="ts">
/** A state as a shape beside its word, never colour alone. */
defineProps<{ kind: 'ready' | 'look' | 'open' | 'rest' | 'empty' }>()
</script>

<template>
  <svg width="14" height="14" viewBox="0 0 14 14" aria-hidden="true">
    <circle v-if="kind === 'ready'" cx="7" cy="7" r="5.5" fill="var(--good)" />
    <path v-else-if="kind === 'look'" d="M7 1L13 12H1Z" fill="var(--act)" />
    <rect
      v-else-if="kind === 'open'"
      x="1.5"
      y="1.5"
      width="11"
      height="11"
      rx="2"
      fill="none"
      stroke="var(--rim)"
      stroke-width="2.4"
    />
    <circle
      v-else-if="kind === 'rest'"
      cx="7"
      cy="7"
      r="5"
      fill="none"
      stroke="var(--rim-soft)"
      stroke-width="2.4"
      stroke-dasharray="3 2"
    />
    <circle v-else cx="7" cy="7" r="5" fill="none" stroke="var(--rim-soft)" stroke-width="2" />
  </svg>
</template>
