<script setup lang="ts">
import { dayAndTime } from '../units/format'
import Comb from './Comb.vue'
import { verdict } from './comb'

/** Successive checks beneath each other, oldest on top: standing gaps make columns, air makes scatter. */
defineProps<{
  code: string
  checks: { at: string; nozzles: number; missing: number[]; judged?: boolean; since?: string[] }[]
  zone: string
}>()
</script>

<template>
  <ol class="stack">
    <li v-for="check in checks.slice().reverse()" :key="check.at">
      <span v-if="check.since?.length" class="small quiet acts">{{ check.since.join(' · ') }}</span>
      <span class="quiet small when">{{ dayAndTime(check.at, zone) }}</span>
      <Comb :code="code" :nozzles="check.nozzles" :missing="check.missing" :width="360" :height="20" />
      <span v-if="check.judged === false" class="small quiet">after fluid: not judged</span>
      <span v-else class="small" :class="check.missing.length ? 'act strong' : 'quiet'">{{
        verdict(check.nozzles, check.missing.length)
      }}</span>
    </li>
  </ol>
</template>

<style scoped>
.stack {
  list-style: none;
  margin: 0;
  padding: 0;
}
.stack li {
  display: grid;
  grid-template-columns: 142px minmax(0, 1fr) 128px;
  gap: 12px;
  align-items: center;
  padding: 3px 0;
}
.acts {
  grid-column: 2 / -1;
}
@media (max-width: 600px) {
  .acts {
    grid-column: 1 / -1;
  }
  .stack li {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  .when {
    grid-column: 1 / -1;
  }
}
</style>
