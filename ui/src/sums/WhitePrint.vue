<script setup lang="ts">
import { computed, reactive, shallowRef, watch } from 'vue'
import { api, type Schemas } from '../api/client'

/** What white prints like that stood: days, shakes and moves against the density along one print. */
const stood = reactive({ days: 3, shaken: 0, moved: 0, sheets: 12 })
const print = shallowRef<Schemas['WhitePrint']>()
let asked = 0
watch(
  stood,
  async () => {
    const mine = ++asked
    const { data } = await api.GET('/api/reckoning/white', { params: { query: { ...stood } } })
    if (mine === asked) print.value = data
  },
  { immediate: true },
)
const WIDTH = 480
const HEIGHT = 90
const MOST = 1.6
const bars = computed(() => {
  const all = print.value?.density ?? []
  return all.map((d, i) => ({
    x: (i * WIDTH) / all.length,
    width: WIDTH / all.length - 1,
    height: (Math.min(MOST, d) / MOST) * HEIGHT,
  }))
})
const SLIDERS = [
  { key: 'days', label: 'days it stood', max: 21 },
  { key: 'shaken', label: 'times bottle and tank were shaken', max: 14 },
  { key: 'moved', label: 'times the line was moved', max: 14 },
  { key: 'sheets', label: 'full sheets printed in one go', min: 1, max: 120 },
] as const
</script>

<template>
  <div>
    <div v-for="s in SLIDERS" :key="s.key" class="slider">
      <label :for="`white-${s.key}`"
        ><b>{{ stood[s.key] }}</b> {{ s.label }}</label
      >
      <input
        :id="`white-${s.key}`"
        v-model.number="stood[s.key]"
        type="range"
        :min="'min' in s ? s.min : 0"
        :max="s.max"
      />
    </div>
    <svg v-if="bars.length" :viewBox="`0 0 ${WIDTH} ${HEIGHT + 22}`" role="img" :aria-label="print?.words">
      <rect class="film" x="0" y="0" :width="WIDTH" :height="HEIGHT" rx="8" />
      <rect
        v-for="(b, i) in bars"
        :key="i"
        class="white"
        :x="b.x"
        :y="HEIGHT - b.height"
        :width="b.width"
        :height="b.height"
      />
      <line class="meant" x1="0" :x2="WIDTH" :y1="HEIGHT - HEIGHT / MOST" :y2="HEIGHT - HEIGHT / MOST" />
      <text x="0" :y="HEIGHT + 16">first sheet</text>
      <text :x="WIDTH" :y="HEIGHT + 16" text-anchor="end">last sheet</text>
    </svg>
    <p class="says" role="status">{{ print?.words }}</p>
  </div>
</template>

<style scoped>
input {
  width: 100%;
  height: 32px;
  accent-color: var(--rim);
}
svg {
  width: 100%;
  max-width: 620px;
}
.film {
  fill: var(--band);
}
.white {
  fill: var(--band-text);
}
.meant {
  stroke: var(--act);
  stroke-width: 2;
  stroke-dasharray: 6 5;
}
text {
  fill: var(--quiet);
  font-size: 13px;
}
.says {
  font-weight: 650;
}
</style>
