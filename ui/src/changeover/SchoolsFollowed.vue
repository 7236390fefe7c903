<script setup lang="ts">
import type { Schemas } from '../api/client'
import { minutes, money } from '../units/format'
import { useUnits } from '../units/useUnits'

/** Which way of doing it the plan follows, and what the others would have done. */
const { shownVolume } = useUnits()
defineProps<{ schools: Schemas['FollowedJson'][] }>()

type Otherwise = Schemas['OtherwiseJson']

function signed(value: number, words: (v: number) => string): string {
  return `${value > 0 ? '+' : '−'}${words(Math.abs(value))}`
}
function differences(other: Otherwise): string {
  const parts = [
    other.steps ? signed(other.steps, (v) => `${v} ${v === 1 ? 'step' : 'steps'}`) : '',
    Math.abs(other.liquid) >= 0.05 ? signed(other.liquid, shownVolume) : '',
    other.minutes ? signed(other.minutes, minutes) : '',
    other.cost?.minor ? signed(other.cost.minor, (v) => money({ minor: v, currency: other.cost!.currency })) : '',
  ].filter(Boolean)
  return parts.length ? parts.join(', ') : 'other words, the same figures'
}
</script>

<template>
  <ul class="schools">
    <li v-for="school in schools" :key="school.id">
      <span class="small quiet">{{ school.question }}</span>
      <b>{{ school.position }}</b>
      <span class="small quiet">because {{ school.reason }}</span>
      <div v-for="other in school.others" :key="other.id" class="other small">
        <span>{{ other.position }}</span>
        <b v-if="other.impossible" class="act">not here: {{ other.impossible }}</b>
        <b v-else>{{ differences(other) }}</b>
      </div>
    </li>
  </ul>
</template>

<style scoped>
.schools {
  list-style: none;
  margin: 0;
  padding: 0;
  font-size: 0.95rem;
}
li {
  border-top: 1.5px solid var(--line);
  padding: 8px 0;
}
li > span,
li > b {
  display: block;
}
.other {
  display: flex;
  gap: 14px;
  justify-content: space-between;
  margin-top: 4px;
  padding-left: 12px;
  border-left: 3px solid var(--line);
}
.other b {
  text-align: right;
}
</style>
