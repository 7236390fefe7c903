<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'
import { dayAndTime, percent } from '../units/format'

/** How much of the white lies on the floor of bottle, line and damper now, and when that is too much. */
const props = defineProps<{ gauge: Schemas['WhiteGauge']; zone: string; now: number }>()

const WIDTH = 86
const HEIGHT = 60
const vessels = computed(() =>
  props.gauge.layers.map((layer, i) => ({
    ...layer,
    x: 6 + i * (WIDTH + 26),
    name: layer.vessel.toLowerCase(),
    over: layer.share >= layer.limit,
  })),
)
const late = computed(() => !!props.gauge.tooMuch && new Date(props.gauge.tooMuch).getTime() <= props.now)
const words = computed(
  () =>
    `Settled white of ${props.gauge.channel}: ` +
    vessels.value.map((v) => `${v.name} ${percent(v.share)}, limit ${percent(v.limit)}`).join('; '),
)
</script>

<template>
  <div v-if="vessels.length" class="gauge">
    <svg :viewBox="`0 0 ${vessels.length * (WIDTH + 26)} 104`" height="104" role="img" :aria-label="words">
      <title>{{ words }}</title>
      <g v-for="v in vessels" :key="v.vessel">
        <rect
          :x="v.x"
          y="6"
          :width="WIDTH"
          :height="HEIGHT"
          rx="9"
          fill="var(--ground)"
          stroke="var(--rim)"
          stroke-width="2.5"
        />
        <rect
          :x="v.x + 5"
          :y="62 - 50 * v.share"
          :width="WIDTH - 10"
          :height="Math.max(1.5, 50 * v.share)"
          rx="2"
          :fill="v.over ? 'var(--act)' : 'var(--rim-soft)'"
        />
        <line
          :x1="v.x + 3"
          :x2="v.x + WIDTH - 3"
          :y1="62 - 50 * v.limit"
          :y2="62 - 50 * v.limit"
          stroke="var(--act)"
          stroke-width="2"
          stroke-dasharray="4 3"
        />
        <text :x="v.x + WIDTH / 2" y="83" text-anchor="middle" class="name">{{ v.name }}</text>
        <text :x="v.x + WIDTH / 2" y="99" text-anchor="middle" class="share" :class="{ over: v.over }">
          {{ percent(v.share) }}
        </text>
      </g>
    </svg>
    <span class="small"
      ><b>{{ gauge.channel }}</b>
      <b v-if="late" class="act"> too much has settled</b>
      <template v-else-if="gauge.tooMuch"> good until {{ dayAndTime(gauge.tooMuch, zone) }}</template></span
    >
  </div>
</template>

<style scoped>
.gauge {
  display: inline-flex;
  flex-direction: column;
  margin-right: 26px;
}
.name {
  font-size: 13px;
  font-weight: 650;
  fill: var(--text);
}
.share {
  font-size: 13px;
  fill: var(--quiet);
}
.share.over {
  fill: var(--act);
  font-weight: 700;
}
</style>
