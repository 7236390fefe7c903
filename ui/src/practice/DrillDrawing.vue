<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'

/** What a question shows: two checks, nine squares, a syringe, or a line from tank to nozzle. */
const props = defineProps<{ drawing: Schemas['DrawingJson'] }>()

const label = computed(() => {
  const { combs, squares, syringe, line } = props.drawing
  if (combs)
    return combs.blocks
      .map(
        (b) =>
          `${b.label}: missing ${b.missing.map((m) => m + 1).join(', ') || 'none'}; aside ${b.shifted.map((m) => m + 1).join(', ') || 'none'}`,
      )
      .join('. ')
  if (squares)
    return squares.map((o, i) => `${i + 1}: ${o > 0 ? `gap ${o}` : o < 0 ? `overlap ${-o}` : 'meets'}`).join(', ')
  if (syringe)
    return `ink ${Math.round(syringe.ink * 100)} %, air ${Math.round(syringe.air * 100)} %${syringe.bubbles ? ', bubbles' : ''}`
  return line ? `ink ${line.height} mm ${line.height < 0 ? 'below' : 'above'} the nozzles` : ''
})
const strokes = computed(() => Array.from({ length: props.drawing.combs?.strokes ?? 0 }, (_, i) => i))
/** Where the ink stands, on a drawing whose nozzles are at 110. */
const surface = computed(() => 110 - Math.max(-90, Math.min(90, (props.drawing.line?.height ?? 0) * 0.6)))
const tankTop = computed(() => surface.value - 22)
</script>

<template>
  <svg
    v-if="drawing.combs"
    class="drawn"
    :viewBox="`0 0 420 ${drawing.combs.blocks.length * 66}`"
    role="img"
    :aria-label="label"
  >
    <g v-for="(block, b) in drawing.combs.blocks" :key="b" :transform="`translate(0 ${b * 66})`">
      <text x="0" y="12" class="small-text">{{ block.label }}</text>
      <template v-for="n in strokes" :key="n">
        <rect
          v-if="!block.missing.includes(n)"
          :x="6 + n * 13.6 + (block.shifted.includes(n) ? 5 : 0)"
          y="22"
          width="4.5"
          height="34"
          class="ink"
        />
      </template>
    </g>
  </svg>
  <svg v-else-if="drawing.squares" class="drawn" viewBox="0 0 470 84" role="img" :aria-label="label">
    <g v-for="(offset, n) in drawing.squares" :key="n" :transform="`translate(${4 + n * 51.5} 4)`">
      <rect x="0" y="0" width="42" :height="21 - offset * 0.6" class="half" />
      <rect x="0" :y="21 + offset * 0.6" width="42" :height="21 - offset * 0.6" class="half" />
      <text x="21" y="66" text-anchor="middle" class="small-text">{{ n + 1 }}</text>
    </g>
  </svg>
  <svg v-else-if="drawing.syringe" class="drawn short" viewBox="0 0 420 70" role="img" :aria-label="label">
    <path d="M10 35H34" class="line" />
    <rect x="34" y="14" width="270" height="42" rx="4" class="glass" />
    <rect x="36" y="16" :width="266 * drawing.syringe.ink" height="38" class="ink" />
    <template v-if="drawing.syringe.bubbles">
      <circle
        v-for="n in 9"
        :key="n"
        :cx="44 + ((n * 37) % Math.max(20, 250 * drawing.syringe.ink))"
        :cy="20 + ((n * 13) % 30)"
        r="3.4"
        class="bubble"
      />
    </template>
    <path
      :d="`M${36 + 266 * (drawing.syringe.ink + drawing.syringe.air)} 14v42M${36 + 266 * (drawing.syringe.ink + drawing.syringe.air)} 35H${110 + 266 * (drawing.syringe.ink + drawing.syringe.air)}`"
      class="line thick"
    />
  </svg>
  <svg v-else-if="drawing.line" class="drawn" viewBox="0 0 420 220" role="img" :aria-label="label">
    <path d="M0 110H420" class="level" />
    <rect x="30" :y="tankTop" width="70" height="62" class="glass" />
    <rect x="32" :y="surface" width="66" :height="tankTop + 60 - surface" class="ink" />
    <path :d="`M44 ${tankTop}v-12`" class="line" />
    <text x="52" :y="tankTop - 4" class="small-text">{{ drawing.line.vent ? 'vent open' : 'vent plugged' }}</text>
    <path :d="`M100 ${tankTop + 54}H170V100H300`" class="line" />
    <path v-if="!drawing.line.valve" :d="`M128 ${tankTop + 44}l16 20m0-20l-16 20`" class="line thick" />
    <text x="112" :y="tankTop + 74" class="small-text">valve {{ drawing.line.valve ? 'open' : 'shut' }}</text>
    <g v-if="drawing.line.damper !== 'none'">
      <rect
        x="214"
        y="84"
        width="42"
        height="32"
        class="glass"
        :class="{ clogged: drawing.line.damper === 'clogged' }"
      />
      <text x="235" y="78" text-anchor="middle" class="small-text">damper {{ drawing.line.damper }}</text>
    </g>
    <text v-else x="235" y="92" text-anchor="middle" class="small-text">no damper</text>
    <path d="M300 90h70v20h-70z" class="half" />
    <text x="335" y="132" text-anchor="middle" class="small-text">nozzles</text>
    <text v-if="drawing.line.pump" x="335" y="152" text-anchor="middle" class="small-text">the pump sucks</text>
  </svg>
</template>

<style scoped>
.drawn {
  background: var(--paper, #fff);
  border-radius: 10px;
  display: block;
  margin-bottom: 14px;
  max-width: 560px;
  padding: 10px;
  width: 100%;
}
.short {
  max-width: 460px;
}
.ink {
  fill: #2b2b30;
}
.half {
  fill: #2b2b30;
  fill-opacity: 0.62; /* where two lie over each other it is darker, as on paper */
}
.glass {
  fill: none;
  stroke: #52648e;
  stroke-width: 2;
}
.clogged {
  fill: #9a8f7d;
}
.bubble {
  fill: #fff;
}
.line {
  fill: none;
  stroke: #1d3461;
  stroke-width: 3;
}
.thick {
  stroke-width: 6;
}
.level {
  stroke: #7d8aa5;
  stroke-dasharray: 6 6;
}
.small-text {
  fill: #1b2433;
  font-size: 13px;
}
</style>
