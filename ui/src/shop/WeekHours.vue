<script setup lang="ts">
import TimeInput from '../shell/TimeInput.vue'
import type { Settings } from './useShopForm'

/** The days of a week, each with the hours between which somebody is there; a day without hours is closed. */
type Span = Settings['week'][number]
const week = defineModel<Span[]>({ required: true })
const props = defineProps<{
  /** what a day begins with when it is ticked */
  usual: { open: string; close: string }
  /** “opens”, “closes” */
  from: string
  to: string
}>()
const DAYS: Span['day'][] = ['MONDAY', 'TUESDAY', 'WEDNESDAY', 'THURSDAY', 'FRIDAY', 'SATURDAY', 'SUNDAY']
const span = (day: string) => week.value.find((d) => d.day === day)

function toggle(day: Span['day']) {
  week.value = span(day) ? week.value.filter((d) => d.day !== day) : [...week.value, { day, ...props.usual }]
}
</script>

<template>
  <div v-for="day in DAYS" :key="day" class="day">
    <label class="check day-name"
      ><input type="checkbox" :checked="Boolean(span(day))" @change="toggle(day)" /> {{ day.toLowerCase() }}</label
    >
    <template v-if="span(day)">
      <TimeInput v-model="span(day)!.open" :aria-label="`${day} ${from}`" />
      <TimeInput v-model="span(day)!.close" :aria-label="`${day} ${to}`" />
    </template>
  </div>
</template>

<style scoped>
.day {
  display: flex;
  gap: 10px;
  align-items: center;
  margin-bottom: 6px;
  min-height: 44px;
}
.day :deep(.reasoned) {
  flex: 1 1 90px;
  min-width: 0;
}
.day-name {
  width: 150px;
  flex: none;
  text-transform: capitalize;
}
@media (max-width: 600px) {
  .day {
    flex-wrap: wrap;
  }
}
</style>
