<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'
import { dayAndTime } from '../units/format'

/** How quickly things dried over the last two weeks: one line, with usual air as the ground it stands on. */
const props = defineProps<{ readings: Schemas['AirJson'][]; days: Schemas['LookDayJson'][]; zone: string }>()

const WIDE = 600
const HIGH = 120
const MOST = 3
const span = computed(() => {
  const times = props.readings.map((r) => Date.parse(r.at))
  return { from: Math.min(...times), to: Math.max(...times) }
})
const x = (at: string) => ((Date.parse(at) - span.value.from) / Math.max(1, span.value.to - span.value.from)) * WIDE
const y = (drying: number) => HIGH - (Math.min(drying, MOST) / MOST) * HIGH
const line = computed(() => props.readings.map((r) => `${x(r.at).toFixed(1)},${y(r.drying).toFixed(1)}`).join(' '))
const most = computed(() => Math.max(4, ...props.days.map((d) => d.gaps)))
const bars = computed(() =>
  props.days
    .map((d) => ({
      ...d,
      x: x(`${d.day}T06:00:00Z`),
      width: x(`${d.day}T18:00:00Z`) - x(`${d.day}T06:00:00Z`),
      height: (d.gaps / most.value) * HIGH * 0.8,
    }))
    .filter((d) => d.x >= 0 && d.x + d.width <= WIDE + 1),
)
const missed = computed(() => bars.value.filter((d) => !d.looked).length)
const first = computed(() => props.readings[0])
const last = computed(() => props.readings[props.readings.length - 1])
</script>

<template>
  <figure v-if="first && last && readings.length > 1">
    <svg
      :viewBox="`0 0 ${WIDE} ${HIGH}`"
      role="img"
      :aria-label="`Drying from ${first.drying.toFixed(1)} to ${last.drying.toFixed(1)} times usual, ${readings.length} readings; at most ${most} gaps a day, ${missed} days without a check`"
    >
      <g v-for="d in bars" :key="d.day">
        <title>{{ d.day }}: {{ d.looked ? `${d.gaps} gaps on ${d.looked} machines` : 'nobody looked' }}</title>
        <rect
          v-if="d.looked"
          :x="d.x"
          :y="HIGH - d.height"
          :width="d.width"
          :height="d.height"
          rx="2"
          fill="var(--wash)"
          stroke="var(--line)"
        />
        <circle v-else :cx="d.x + d.width / 2" :cy="HIGH - 6" r="4" fill="none" stroke="var(--act)" stroke-width="2" />
      </g>
      <line x1="0" :x2="WIDE" :y1="y(1)" :y2="y(1)" stroke="var(--line)" stroke-width="1.5" />
      <line x1="0" :x2="WIDE" :y1="y(1.5)" :y2="y(1.5)" stroke="var(--act)" stroke-width="1" stroke-dasharray="4 4" />
      <polyline :points="line" fill="none" stroke="var(--rim)" stroke-width="2" stroke-linejoin="round" />
    </svg>
    <figcaption class="small quiet">
      Drying, times usual air, {{ dayAndTime(first.at, zone) }} to {{ dayAndTime(last.at, zone) }}. The grey line is
      usual air; above the dashed one caps want flushing. Bars: gaps on all machines, at most {{ most }} a day; a ring
      is a day on which nobody looked.
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 8px 0;
}
svg {
  width: 100%;
  max-width: 760px;
  height: auto;
  display: block;
}
</style>
