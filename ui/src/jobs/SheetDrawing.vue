<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'
import { useUnits } from '../units/useUnits'
import type { JobOrder } from './useJob'

/** How pieces lie: the first sheet and the last, or one length of film with its feed from left to right. */
const props = defineProps<{ laidOut: Schemas['LaidOutJson']; pieces: JobOrder['pieces'] }>()
const { shownLength } = useUnits()
const roll = computed(() => props.laidOut.film !== undefined)
const shown = computed(() => {
  const last = props.laidOut.sheets - 1
  return last > 0 ? [0, last] : [0]
})
const whole = computed(() => ({
  wide: props.laidOut.width + 2 * props.laidOut.edge,
  high: props.laidOut.length + 2 * props.laidOut.edge,
}))
/** Film lies on its side. */
const box = computed(() =>
  roll.value ? `0 0 ${whole.value.high} ${whole.value.wide}` : `0 0 ${whole.value.wide} ${whole.value.high}`,
)
const on = (sheet: number) => props.laidOut.placed.filter((p) => p.sheet === sheet)
const artwork = (piece: number) => props.pieces[piece]?.artwork
const alike = computed(() =>
  props.laidOut.sheets > 2 ? `the first of ${props.laidOut.sheets - 1} that are full` : 'the first',
)
const label = computed(
  () =>
    `${props.laidOut.placed.length} pieces on ${
      roll.value
        ? `${shownLength(props.laidOut.length / 10)} of film`
        : props.laidOut.sheets === 1
          ? 'one sheet'
          : `${props.laidOut.sheets} sheets`
    }`,
)
</script>

<template>
  <figure class="sheets">
    <div class="row" :class="{ roll }">
      <div v-for="(sheet, i) in shown" :key="sheet" class="one">
        <svg :viewBox="box" role="img" :aria-label="i === 0 ? label : 'the last sheet'">
          <g :transform="roll ? `translate(0 ${whole.wide}) rotate(-90)` : undefined">
            <rect class="paper" :width="whole.wide" :height="whole.high" />
            <rect
              class="edge"
              :x="laidOut.edge"
              :y="laidOut.edge"
              :width="laidOut.width"
              :height="laidOut.length"
              vector-effect="non-scaling-stroke"
            />
            <g
              v-for="(p, n) in on(sheet)"
              :key="n"
              :transform="`translate(${p.x + laidOut.edge} ${p.y + laidOut.edge})`"
            >
              <rect class="piece" :width="p.width" :height="p.height" vector-effect="non-scaling-stroke" />
              <image
                v-if="artwork(p.piece)"
                :href="`/api/artworks/${artwork(p.piece)}/small`"
                :width="p.turned ? p.height : p.width"
                :height="p.turned ? p.width : p.height"
                :transform="p.turned ? `translate(${p.width} 0) rotate(90)` : undefined"
                preserveAspectRatio="none"
              />
              <text v-else :x="p.width / 2" :y="p.height / 2" class="name">{{ p.piece + 1 }}</text>
            </g>
          </g>
        </svg>
        <span v-if="shown.length > 1" class="small quiet">{{ i === 0 ? alike : 'the last' }}</span>
      </div>
    </div>
    <figcaption class="small quiet">{{ roll ? 'feed: left to right' : 'feed: top to bottom' }}</figcaption>
  </figure>
</template>

<style scoped>
.sheets {
  margin: 0;
}
.row {
  display: flex;
  gap: 14px;
  align-items: start;
}
.one {
  display: grid;
  gap: 4px;
  max-width: 210px;
  flex: 1 1 0;
}
.roll .one {
  max-width: 100%;
}
svg {
  width: 100%;
  max-height: 300px;
}
.roll svg {
  max-height: 180px;
}
.paper {
  fill: #fdfcf7;
  stroke: var(--rim-soft);
  stroke-width: 12;
}
.edge {
  fill: none;
  stroke: var(--line);
  stroke-dasharray: 4 4;
}
.piece {
  fill: var(--wash);
  stroke: var(--rim);
  stroke-width: 1.2;
}
.name {
  font-size: 220px;
  text-anchor: middle;
  dominant-baseline: central;
  fill: var(--rim);
}
</style>
