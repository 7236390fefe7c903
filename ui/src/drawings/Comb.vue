<script setup lang="ts">
import { computed } from 'vue'
import { teeth, verdict } from './comb'

/** A nozzle check as a row of teeth; missing ones are missing, with a mark below that is readable from afar. */
const props = withDefaults(
  defineProps<{
    code: string
    nozzles: number
    missing: number[]
    width?: number
    height?: number
    toothWidth?: number
  }>(),
  { width: 120, height: 20, toothWidth: 6 },
)

const drawn = computed(() => teeth(props.nozzles, props.missing, Math.floor(props.width / props.toothWidth)))
const pitch = computed(() => props.width / drawn.value.length)
// why: two paths however many teeth: a page of checks has thousands of them
const bars = (missing: boolean, y: number, width: number, height: number) =>
  drawn.value
    .map((tooth, i) =>
      Boolean(tooth.missing) === missing
        ? `M${fine(i * pitch.value)} ${y}h${fine(width)}v${height}h${fine(-width)}z`
        : '',
    )
    .join('')
const fine = (px: number) => Math.round(px * 100) / 100
const there = computed(() => bars(false, 0, pitch.value * 0.6, props.height - 6))
const gone = computed(() => bars(true, props.height - 4, pitch.value * 0.75, 4))
const words = computed(() => `${props.code} nozzle check: ${verdict(props.nozzles, props.missing.length)}`)
</script>

<template>
  <svg
    :viewBox="`0 0 ${width} ${height}`"
    width="100%"
    :height="height"
    preserveAspectRatio="none"
    role="img"
    :aria-label="words"
  >
    <title>{{ words }}</title>
    <path :d="there" fill="var(--text)" />
    <path v-if="gone" :d="gone" fill="var(--act)" />
  </svg>
</template>
