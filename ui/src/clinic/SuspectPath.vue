<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'

/** The ink path with the suspected places filled as far as they are suspected. */
const props = defineProps<{ findings: readonly Schemas['FindingJson'][] }>()

type Place = Schemas['FindingJson']['place']
const PLACES: { place: Place; label: string; w: number; h: number }[] = [
  { place: 'VESSEL', label: 'vessel', w: 50, h: 66 },
  { place: 'VENT', label: 'vent', w: 40, h: 44 },
  { place: 'LINE', label: 'line', w: 62, h: 22 },
  { place: 'DAMPER', label: 'damper', w: 46, h: 54 },
  { place: 'HEAD', label: 'head', w: 50, h: 42 },
  { place: 'PLATE', label: 'plate', w: 48, h: 30 },
  { place: 'CAP', label: 'cap', w: 46, h: 46 },
]
const MIDDLE = 56
const GAP = 14
const drawn = computed(() => {
  let x = 8
  return PLACES.map((p) => {
    const share = props.findings
      .filter((f) => f.place === p.place || (p.place === 'CAP' && f.place === 'PUMP'))
      .reduce((most, f) => Math.max(most, f.share), 0)
    const at = x
    x += p.w + GAP
    return { ...p, x: at, share }
  })
})
const width = computed(() => (drawn.value.at(-1)?.x ?? 0) + (drawn.value.at(-1)?.w ?? 0) + 8)
const worst = computed(() => drawn.value.reduce((a, b) => (b.share > a.share ? b : a)))
const words = computed(
  () =>
    'Where it is suspected: ' +
    (drawn.value
      .filter((d) => d.share >= 0.1)
      .map((d) => `${d.label} ${Math.round(d.share * 100)} %`)
      .join(', ') || 'nowhere yet'),
)
</script>

<template>
  <svg :viewBox="`0 0 ${width} 122`" width="100%" role="img" :aria-label="words" class="suspects">
    <title>{{ words }}</title>
    <path
      v-for="(d, i) in drawn.slice(0, -1)"
      :key="`l${i}`"
      :d="`M${d.x + d.w} ${MIDDLE}h${GAP}`"
      stroke="var(--rim-soft)"
      stroke-width="5"
    />
    <g v-for="d in drawn" :key="d.place" text-anchor="middle" font-size="12.5">
      <rect
        :x="d.x"
        :y="MIDDLE - d.h / 2"
        :width="d.w"
        :height="d.h"
        rx="8"
        fill="var(--ground)"
        :stroke="d.share >= 0.1 && d.place === worst.place ? 'var(--act)' : 'var(--rim)'"
        stroke-width="2.5"
      />
      <rect
        v-if="d.share >= 0.05"
        :x="d.x + 3"
        :y="MIDDLE + d.h / 2 - 3 - (d.h - 6) * d.share"
        :width="d.w - 6"
        :height="(d.h - 6) * d.share"
        rx="5"
        :fill="d.place === worst.place ? 'var(--act)' : 'var(--rim-soft)'"
      />
      <text :x="d.x + d.w / 2" y="104" fill="var(--text)" font-weight="600">{{ d.label }}</text>
      <text v-if="d.share >= 0.05" :x="d.x + d.w / 2" y="119" fill="var(--quiet)">
        {{ Math.round(d.share * 100) }} %
      </text>
    </g>
  </svg>
</template>

<style scoped>
.suspects {
  max-height: 150px;
  min-width: 330px;
}
</style>
