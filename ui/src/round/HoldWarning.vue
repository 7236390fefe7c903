<script setup lang="ts">
import { api, type Schemas } from '../api/client'
import { useServer } from '../api/useServer'
import { dayAndTime } from '../units/format'

/** Before a machine is taken away for long: what that leaves undone, and when it would leave nothing undone. */
const props = defineProps<{ machine: number; minutes: number; zone: string }>()

const { data: answer } = useServer<Schemas['HoldAnswer']>(
  () => ['hold', props.machine, props.minutes],
  () =>
    api.GET('/api/machines/{machine}/hold', {
      params: { path: { machine: props.machine }, query: { minutes: Math.min(20_000, Math.round(props.minutes)) } },
    }),
  () => ['round', 'bench'],
)
</script>

<template>
  <p v-if="answer?.clashes.length" class="notice small" role="status">
    <span
      ><b>While it is away:</b> {{ answer.clashes.join('; ') }}.
      <template v-if="answer.better"
        >Begun {{ dayAndTime(answer.better, zone) }}, nothing of that is in its way.</template
      ></span
    >
  </p>
</template>
