<script setup lang="ts">
import { computed } from 'vue'
import { useUnits } from '../units/useUnits'
import { fillOf, visible, type Layer } from './channels'

/** The level of a vessel, with its lines. */
const { volumeOf } = useUnits()
const props = withDefaults(
  defineProps<{
    code: string
    layers: Layer[]
    capacity: number
    /** share of the capacity at which to refill */
    refill?: number
    width?: number
    height?: number
  }>(),
  { refill: 0.28, width: 40, height: 84 },
)

const inner = computed(() => props.height - 8)
const level = computed(() => props.layers.reduce((sum, l) => sum + l.volume, 0))
const stack = computed(() => {
  let y = props.height - 4
  return visible(props.layers)
    .slice()
    .reverse()
    .map((layer) => {
      const h = Math.min(1, layer.volume / props.capacity) * inner.value
      y -= h
      return { y, h, fill: fillOf(layer, props.code) }
    })
})
const refillY = computed(() => props.height - 4 - props.refill * inner.value)
const low = computed(() => level.value > 0 && level.value < props.refill * props.capacity)
const words = computed(
  () =>
    `${props.code}: ${volumeOf(level.value, props.capacity)}, reckoned${low.value ? ', below the refill line' : ''}`,
)
</script>

<template>
  <svg :width="width" :height="height" :viewBox="`0 0 ${width} ${height}`" role="img" :aria-label="words">
    <title>{{ words }}</title>
    <rect
      x="1.5"
      y="1.5"
      :width="width - 8"
      :height="height - 3"
      rx="7"
      fill="var(--ground)"
      stroke="var(--rim-soft)"
      stroke-width="1.8"
    />
    <rect
      v-for="(part, i) in stack"
      :key="i"
      x="4"
      :y="part.y"
      :width="width - 13"
      :height="Math.max(1, part.h)"
      rx="2.5"
      :fill="part.fill"
    />
    <path :d="`M${width - 12} ${refillY}H${width}`" :stroke="low ? 'var(--act)' : 'var(--rim)'" stroke-width="2.2" />
  </svg>
</template>
