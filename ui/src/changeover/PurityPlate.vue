<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'
import { minutes, money, percent, volume, type VolumeUnit } from '../units/format'

/** How clean? A slider from quick to strict; fluid, time and cost move with it, against the usual. */
const props = defineProps<{ points: Schemas['TradeOff'][]; current: number; unit: VolumeUnit }>()
const purity = defineModel<number | undefined>({ required: true })

const index = computed(() => {
  const at = props.points.findIndex((p) => Math.abs(p.purity - (purity.value ?? props.current)) < 1e-9)
  return at >= 0 ? at : props.points.findIndex((p) => p.purity <= props.current)
})
const point = computed(() => props.points[index.value])
const usual = computed(() => props.points.find((p) => Math.abs(p.purity - 0.005) < 1e-9))

function signed(value: number, words: (v: number) => string): string {
  return value === 0 ? 'the same' : `${value > 0 ? '+' : '−'} ${words(Math.abs(value))}`
}
const moreMinutes = computed(() => (point.value && usual.value ? point.value.minutes - usual.value.minutes : 0))
const moreCost = computed(() =>
  point.value?.cost && usual.value?.cost ? point.value.cost.minor - usual.value.cost.minor : 0,
)
</script>

<template>
  <div>
    <label for="purity" class="small strong act">How clean?</label>
    <div class="big">{{ percent(purity ?? current) }} old ink left</div>
    <input
      id="purity"
      type="range"
      min="0"
      :max="points.length - 1"
      step="1"
      :value="index"
      :aria-valuetext="`${percent(purity ?? current)} old ink left`"
      @input="purity = points[Number(($event.target as HTMLInputElement).value)]?.purity"
    />
    <div class="ends small quiet"><span>2 % quick</span><span>0.5 % usual</span><span>0.05 % strict</span></div>
    <p v-if="point?.problem" class="small strong act">{{ point.problem }}</p>
    <dl v-else-if="point" class="sums">
      <dt>rinses each</dt>
      <dd>{{ point.rinses }}</dd>
      <dt>to rinse with, in all</dt>
      <dd>{{ volume(point.liquid, unit) }}</dd>
      <dt>time, to the usual</dt>
      <dd>{{ signed(moreMinutes, minutes) }}</dd>
      <dt>cost, to the usual</dt>
      <dd>{{ signed(moreCost, (v) => money({ minor: v, currency: point!.cost!.currency })) }}</dd>
    </dl>
  </div>
</template>

<style scoped>
.big {
  font:
    650 1.4rem 'Besley Variable',
    serif;
  margin: 2px 0 4px;
}
input {
  width: 100%;
  height: 44px;
  accent-color: var(--rim);
}
.ends {
  display: flex;
  justify-content: space-between;
}
.sums {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 3px 10px;
  margin: 8px 0 10px;
  padding-bottom: 10px;
  border-bottom: 2px solid var(--line);
}
.sums dt {
  font-weight: 400;
}
.sums dd {
  margin: 0;
  text-align: right;
  font-weight: 650;
}
</style>
