<script setup lang="ts">
import { computed } from 'vue'
import { hatch } from './channels'

/**
 * What a machine is like, as it stands on a bench: where its ink is, how wide it prints, what comes out of it, and whether it
 * has a screen. Its words stand beside it.
 */
const props = defineProps<{ architecture: string; channels: string[]; sheet: string; screen: boolean }>()

const GROUND = 72
const TOP = 34
const MIDDLE = 60

const is = (word: string) => props.architecture.startsWith(word)
const roll = computed(() => props.sheet.startsWith('roll'))
const garment = computed(() => props.sheet.startsWith('garment'))
const width = computed(() => (props.sheet.startsWith('A4') ? 76 : 104))
const left = computed(() => MIDDLE - width.value / 2)
const right = computed(() => left.value + width.value)
/** Open to its ink: cartridges and a head that snaps in are reached from above. */
const lidUp = computed(() => is('cartridge') || is('snap-in'))

/** Small vessels in a row, each with its ink. */
function vessels(from: number, y: number, wide: number, high: number, gap: number) {
  return props.channels.map((code, i) => ({ code, x: from + i * (wide + gap), y, wide, high }))
}

const inks = computed(() => {
  const n = props.channels.length
  if (is('cartridge')) return vessels(MIDDLE - (n * 9 - 1) / 2, 37, 8, 10, 1)
  if (is('machine with bags')) return vessels(MIDDLE - (n * 14 - 2) / 2, 60, 12, 7, 2)
  if (is('film') || is('bulk')) return vessels(MIDDLE - (n * 11 - 3) / 2, 14, 8, 16, 3)
  return vessels(right.value - 4 - n * 6, 48, 4.5, 12, 1.5)
})
/** Bottles that stand behind and above it. */
const bottles = computed(() => is('film') || is('bulk'))
/** Where the sheet comes out; tanks at the front leave it less room. */
const out = computed(() => {
  const till = is('tank') || is('snap-in') ? right.value - 12 - props.channels.length * 6 : right.value - 10
  return { x: left.value + 10, wide: till - left.value - 10 }
})
</script>

<template>
  <svg class="machine-drawing" viewBox="0 0 120 78" aria-hidden="true">
    <path v-if="lidUp" :d="`M${left + 5} ${TOP}L${left + 10} 12H${right - 10}L${right - 5} ${TOP}`" class="part" />
    <path
      v-else-if="!bottles && !garment"
      :d="`M${MIDDLE - 20} ${TOP - 4}L${MIDDLE - 17} 10H${MIDDLE + 17}L${MIDDLE + 20} ${TOP - 4}`"
      class="sheet"
    />
    <rect :x="left" :y="TOP" :width="width" :height="GROUND - TOP - 4" rx="5" class="body" />
    <rect v-if="!lidUp && !bottles" :x="left + 2" :y="TOP - 5" :width="width - 4" height="6" rx="2" class="part" />
    <rect v-if="lidUp" :x="left + 8" y="35.5" :width="width - 16" height="13" rx="2" class="inside" />
    <rect v-if="is('snap-in')" :x="MIDDLE - 9" y="37" width="18" height="10" rx="1.5" class="part" />
    <path v-if="is('snap-in')" :d="`M${MIDDLE - 6} 44.5H${MIDDLE + 6}M${MIDDLE - 6} 41.5H${MIDDLE + 6}`" class="line" />
    <template v-if="is('machine with bags')">
      <rect :x="left + 5" y="57" :width="width - 10" height="13" rx="2" class="inside" />
    </template>
    <path
      v-if="roll"
      :d="`M${left + 12} 54H${right - 12}V${GROUND}q0 4 -4 4H${left + 16}q-4 0 -4 -4Z`"
      class="sheet film"
    />
    <template v-else-if="garment">
      <path :d="`M${MIDDLE - 26} 60l8 -6h9q9 6 18 0h9l8 6v16H${MIDDLE - 26}Z`" class="sheet" />
    </template>
    <path
      v-else
      :d="`M${out.x} ${is('machine with bags') ? 51 : 60}H${out.x + out.wide}l4 ${is('machine with bags') ? 4 : 14}H${out.x - 4}Z`"
      class="sheet"
    />
    <rect v-if="screen" :x="left + 6" y="38" width="13" height="9" rx="1.5" class="screen" :class="{ raised: lidUp }" />
    <g v-else class="knobs">
      <circle v-for="i in 3" :key="i" :cx="left + 5 + i * 4" :cy="lidUp ? 53 : 42" r="1.3" />
    </g>
    <!-- the tubes that lead in from beside it -->
    <path v-if="is('bulk')" :d="`M${inks.at(-1)!.x + 8} 24H${right + 4}q4 0 4 4V46q0 4 -4 4H${right}`" class="line" />
    <g v-for="(ink, i) in inks" :key="i">
      <path v-if="bottles" :d="`M${ink.x + ink.wide / 2 - 1.5} ${ink.y - 3}h3v3h-3Z`" class="line" />
      <rect :x="ink.x" :y="ink.y" :width="ink.wide" :height="ink.high" rx="1.5" class="glass" />
      <rect
        :x="ink.x + 0.8"
        :y="ink.y + ink.high * 0.3"
        :width="ink.wide - 1.6"
        :height="ink.high * 0.7 - 0.8"
        :fill="hatch(ink.code)"
      />
    </g>
  </svg>
</template>

<style scoped>
.machine-drawing {
  display: block;
  width: 100%;
  height: auto;
}
.body,
.part,
.inside,
.sheet,
.glass {
  stroke: var(--rim);
  stroke-width: 1.4;
  stroke-linejoin: round;
}
.body {
  fill: var(--wash);
}
.part,
.glass {
  fill: var(--plate);
}
.inside {
  fill: var(--ground);
}
.sheet {
  fill: var(--plate);
  stroke-width: 1;
}
.film {
  stroke-dasharray: 3 2;
}
.line {
  fill: none;
  stroke: var(--rim);
  stroke-width: 1;
}
.glass {
  stroke-width: 0.9;
}
.screen {
  fill: var(--rim);
}
.raised {
  transform: translateY(11px);
}
.knobs circle {
  fill: var(--rim);
}
</style>
