<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { timeOf } from '../units/typed'
import ReasonedInput from './ReasonedInput.vue'

/** A time of the day on the shop’s clock, in 24 hours whatever the browser is used to. Kept as "09:30:00", or empty. */
const value = defineModel<string>({ required: true })
const text = ref(value.value.slice(0, 5))
watch(value, (next) => {
  if (next !== timeOf(text.value)) text.value = next.slice(0, 5)
})
const why = computed(() =>
  text.value.trim() === '' || timeOf(text.value) ? '' : `“${text.value.trim()}” is no time. Type it like 9:30.`,
)
function keep() {
  value.value = timeOf(text.value)
}
function leave() {
  if (timeOf(text.value)) text.value = timeOf(text.value).slice(0, 5)
}
</script>

<template>
  <ReasonedInput
    v-model="text"
    :why="why"
    inputmode="numeric"
    autocomplete="off"
    maxlength="7"
    placeholder="9:30"
    @input="keep"
    @blur="leave"
  />
</template>
