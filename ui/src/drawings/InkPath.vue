<script setup lang="ts">
import { computed } from 'vue'
import { useUnits } from '../units/useUnits'
import { fillOf, visible, type Layer } from './channels'

export interface PathVessel {
  kind: string
  capacity: number
  heel: number
  layers: Layer[]
}

/** The chain from tank to pad as one line of vessels, with what each holds as layers. */
const { volumeOf } = useUnits()
const props = withDefaults(
  defineProps<{
    code: string
    path: PathVessel[]
    capOpen?: boolean
    padShare?: number
    /** only what is left when drained, for a changeover */
    heelsOnly?: boolean
  }>(),
  { capOpen: undefined, padShare: undefined, heelsOnly: false },
)

const SHAPES: Record<string, { w: number; h: number; rx: number }> = {
  tank: { w: 118, h: 108, rx: 13 },
  cartridge: { w: 84, h: 92, rx: 9 },
  tube: { w: 88, h: 26, rx: 13 },
  damper: { w: 78, h: 72, rx: 10 },
  head: { w: 70, h: 50, rx: 8 },
}
const MIDDLE = 92
const GAP = 46

const drawn = computed(() => {
  let x = 22
  return props.path.map((vessel) => {
    const shape = SHAPES[vessel.kind] ?? { w: 78, h: 60, rx: 9 }
    const y = MIDDLE - shape.h / 2
    const at = x
    x += shape.w + GAP
    return { vessel, shape, x: at, y, layers: layers(vessel, y, shape.h) }
  })
})
const padX = computed(() => (drawn.value.at(-1)?.x ?? 0) + (drawn.value.at(-1)?.shape.w ?? 0) + GAP)
const width = computed(() => padX.value + 62)

function layers(vessel: PathVessel, y: number, h: number) {
  const inner = h - 12
  let at = y + h - 6
  const all = vessel.layers.reduce((sum, l) => sum + l.volume, 0)
  const scale = props.heelsOnly && all > 0 ? Math.min(1, vessel.heel / all) : 1
  return visible(vessel.layers)
    .slice()
    .reverse()
    .map((layer) => {
      const height = Math.max(2, Math.min(1, (layer.volume * scale) / vessel.capacity) * inner)
      at -= height
      return { y: at, height, fill: fillOf(layer, props.code) }
    })
}

function held(vessel: PathVessel): number {
  return props.heelsOnly ? vessel.heel : vessel.layers.reduce((sum, l) => sum + l.volume, 0)
}
const words = computed(
  () => `Ink path of ${props.code}: ` + props.path.map((v) => `${v.kind} ${volumeOf(held(v), v.capacity)}`).join(', '),
)
</script>

<template>
  <svg :viewBox="`0 0 ${width} 186`" width="100%" role="img" :aria-label="words" class="ink-path">
    <title>{{ words }}</title>
    <path
      v-for="(item, i) in drawn"
      :key="`line-${i}`"
      :d="`M${item.x + item.shape.w} ${MIDDLE}h${GAP}`"
      stroke="var(--rim-soft)"
      stroke-width="6"
    />
    <g v-for="item in drawn" :key="item.vessel.kind" text-anchor="middle" font-size="13">
      <rect
        :x="item.x"
        :y="item.y"
        :width="item.shape.w"
        :height="item.shape.h"
        :rx="item.shape.rx"
        fill="var(--ground)"
        stroke="var(--rim)"
        stroke-width="2.5"
      />
      <rect
        v-for="(layer, j) in item.layers"
        :key="j"
        :x="item.x + 6"
        :y="layer.y"
        :width="item.shape.w - 12"
        :height="layer.height"
        rx="2"
        :fill="layer.fill"
      />
      <text :x="item.x + item.shape.w / 2" y="164" font-weight="700" fill="var(--text)">{{ item.vessel.kind }}</text>
      <text :x="item.x + item.shape.w / 2" y="180" fill="var(--quiet)">
        {{ volumeOf(held(item.vessel), item.vessel.capacity) }}
      </text>
      <g v-if="capOpen !== undefined && (item.vessel.kind === 'tank' || item.vessel.kind === 'cartridge')">
        <circle
          :cx="item.x + item.shape.w / 2"
          :cy="item.y"
          r="7"
          :fill="capOpen ? 'var(--plate)' : 'var(--rim)'"
          :stroke="capOpen ? 'var(--act)' : 'var(--rim)'"
          stroke-width="2.5"
        />
        <text
          :x="item.x + item.shape.w / 2"
          :y="item.y - 13"
          :fill="capOpen ? 'var(--act)' : 'var(--quiet)'"
          font-weight="700"
        >
          {{ capOpen ? 'cap open' : 'cap shut' }}
        </text>
      </g>
    </g>
    <g text-anchor="middle" font-size="13">
      <path
        :d="`M${padX} 62h42v58q0 9 -9 9h-24q-9 0 -9 -9z`"
        fill="var(--ground)"
        stroke="var(--rim)"
        stroke-width="2.5"
      />
      <rect
        v-if="padShare"
        :x="padX + 5"
        :y="124 - 56 * Math.min(1, padShare)"
        width="32"
        :height="56 * Math.min(1, padShare)"
        rx="3"
        fill="var(--rim-soft)"
      />
      <text :x="padX + 21" y="164" font-weight="700" fill="var(--text)">pad</text>
      <text v-if="padShare !== undefined" :x="padX + 21" y="180" fill="var(--quiet)">
        {{ Math.round(padShare * 100) }} %
      </text>
    </g>
  </svg>
</template>

<style scoped>
.ink-path {
  max-height: 230px;
  min-width: 460px;
}
</style>
