<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { moneyOf, numberOf, typedMoney, whyNoNumber } from '../units/typed'
import ReasonedInput from './ReasonedInput.vue'

/**
 * A number as people type it, with a point or a comma. What is none is said at the field, and is `NaN` for whoever keeps it: the
 * server refuses that, so that nothing old or made up is kept in its place.
 */
const value = defineModel<number>({ required: true })
const props = defineProps<{
  /** Of an amount in minor units. */
  currency?: string
  /** What is shown for one: 100 for a share in per cent. */
  times?: number
  /** Kept when the field is left, not at every letter. */
  lazy?: boolean
}>()

const shown = (number: number) =>
  Number.isNaN(number)
    ? ''
    : props.currency
      ? typedMoney(number, props.currency)
      : String(+(number * (props.times ?? 1)).toFixed(4))
const read = (text: string) => (props.currency ? moneyOf(text, props.currency) : numberOf(text) / (props.times ?? 1))

const text = ref(shown(value.value))
watch(value, (next) => {
  if (!Object.is(next, read(text.value))) text.value = shown(next)
})
const why = computed(() => {
  if (text.value.trim() === '') return 'A number is missing here.'
  const number = whyNoNumber(text.value, props.currency ? '17.50' : '12.5')
  return number || (Number.isNaN(read(text.value)) ? `Finer than ${props.currency} goes.` : '')
})
function keep() {
  value.value = read(text.value)
}
</script>

<template>
  <ReasonedInput v-model="text" :why="why" inputmode="decimal" @input="lazy || keep()" @change="keep()" />
</template>
