<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { dateOf } from '../units/format'
import { dateTyped, isDate, todayIn } from '../units/typed'
import ReasonedInput from './ReasonedInput.vue'
import { useShop } from './shop'

/**
 * A date on the shop’s calendar, typed as people do; left, it is shown as all dates are. Kept as "2026-12-19", or
 * empty; what is no date is kept as it was typed, so that it is refused rather than dropped.
 */
const value = defineModel<string>({ required: true })
const { settings } = useShop()
const typed = (text: string) => dateTyped(text, todayIn(settings.value?.zone ?? 'UTC'))
const shown = (date: string) => (isDate(date) ? dateOf(date) : date)
const text = ref(shown(value.value))
watch(value, (next) => {
  if (next !== (typed(text.value) || text.value.trim())) text.value = shown(next)
})
const why = computed(() =>
  text.value.trim() === '' || typed(text.value) ? '' : `“${text.value.trim()}” is no date. Type it like 19 Dec.`,
)
function keep() {
  value.value = typed(text.value) || text.value.trim()
}
function leave() {
  text.value = shown(value.value)
}
</script>

<template>
  <ReasonedInput
    v-model="text"
    :why="why"
    autocomplete="off"
    maxlength="20"
    placeholder="19 Dec"
    @input="keep"
    @blur="leave"
  />
</template>
