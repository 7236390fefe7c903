<script setup lang="ts">
/** The patterns that all drawings share; placed once in the application. */
const lines = [
  { code: 'K', d: 'M0 6L6 0', opacity: 0.22 },
  { code: 'C', d: 'M0 3H6', opacity: 0.5 },
  { code: 'M', d: 'M3 0V6', opacity: 0.45 },
  { code: 'LC', d: 'M0 2H6M0 5H6', opacity: 0.75 },
  { code: 'LM', d: 'M2 0V6M5 0V6', opacity: 0.75 },
  { code: 'GY', d: 'M0 0L6 6', opacity: 0.5 },
  { code: 'PK', d: 'M0 0L6 6M0 6L6 0', opacity: 0.2 },
]
</script>

<template>
  <svg width="0" height="0" class="hatches" aria-hidden="true">
    <defs>
      <pattern
        v-for="line in lines"
        :id="`hatch-${line.code}`"
        :key="line.code"
        width="6"
        height="6"
        patternUnits="userSpaceOnUse"
      >
        <rect width="6" height="6" :fill="`var(--ink-${line.code})`" />
        <path :d="line.d" stroke="var(--hatch)" :stroke-opacity="line.opacity" />
      </pattern>
      <pattern id="hatch-Y" width="6" height="6" patternUnits="userSpaceOnUse">
        <rect width="6" height="6" fill="var(--ink-Y)" />
        <circle cx="3" cy="3" r="1" fill="var(--hatch)" fill-opacity="0.85" />
      </pattern>
      <pattern id="hatch-W" width="7" height="7" patternUnits="userSpaceOnUse">
        <rect width="7" height="7" fill="var(--ink-W)" />
        <path d="M0 7L7 0M-1 1L1 -1M6 8L8 6" stroke="var(--hatch-dark)" />
      </pattern>
      <pattern id="hatch-fluid" width="8" height="8" patternUnits="userSpaceOnUse">
        <rect width="8" height="8" fill="var(--ink-fluid)" />
        <path d="M0 4q2 -2 4 0t4 0" stroke="var(--hatch-dark)" fill="none" />
      </pattern>
      <pattern id="hatch-old" width="6" height="6" patternUnits="userSpaceOnUse">
        <rect width="6" height="6" fill="var(--ink-old)" />
        <path d="M0 0L6 6M0 6L6 0" stroke="var(--hatch)" stroke-opacity="0.45" />
      </pattern>
    </defs>
  </svg>
</template>

<style scoped>
.hatches {
  position: absolute;
}
</style>
