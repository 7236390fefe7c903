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
    <template v-for="(tooth, i) in drawn" :key="i">
      <rect v-if="!tooth.missing" :x="i * pitch" y="0" :width="pitch * 0.6" :height="height - 6" fill="var(--text)" />
      <rect v-else :x="i * pitch" :y="height - 4" :width="pitch * 0.75" height="4" fill="var(--act)" />
    </template>
  </svg>
</template>
