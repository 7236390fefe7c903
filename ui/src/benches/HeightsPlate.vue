<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import FieldProblem from '../shell/FieldProblem.vue'
import { oneAtATime } from '../shell/oneAtATime'
import { dayAndTime, typedLength } from '../units/format'
import { useUnits } from '../units/useUnits'
import TextInput from '../shell/TextInput.vue'

/** How high the tanks hang: up in small steps, each watched for drips. */
const props = defineProps<{ machine: number; heights: Schemas['HeightsJson']; zone: string }>()
const emit = defineEmits<{ settled: [passport: Schemas['PassportJson']] }>()

const problem = ref<Problem>()
const { lengths, shownLength } = useUnits()
const height = ref('')
const path = () => ({ machine: props.machine })

function settle(answer: { data?: Schemas['PassportJson']; error?: unknown }) {
  problem.value = answer.error ? problemOf(answer.error) : undefined
  if (answer.data) emit('settled', answer.data)
  return !answer.error
}

const { run: hang } = oneAtATime(async () => {
  const kept = settle(
    await api.POST('/api/machines/{machine}/heights', {
      params: { path: path() },
      body: { millimetres: Math.round(typedLength(height.value, lengths.value)) },
    }),
  )
  if (kept) height.value = ''
})
const { run: answer } = oneAtATime(async (dripped: boolean) => {
  settle(await api.POST('/api/machines/{machine}/heights/answer', { params: { path: path() }, body: { dripped } }))
})
</script>

<template>
  <details class="fold" :open="heights.testing">
    <summary>Tank height: {{ shownLength(heights.lastSafe) }} above level stayed dry</summary>
    <p v-if="heights.testing" class="notice small">
      <span
        >The drip test runs, half an hour with a dry sheet under the head.
        <BButton size="sm" variant="outline-secondary" @click="answer(false)">It stayed dry</BButton>
        <BButton size="sm" variant="outline-secondary" @click="answer(true)">It dripped</BButton></span
      >
    </p>
    <form v-else class="row-form" novalidate @submit.prevent="hang">
      <TextInput
        v-model="height"
        inputmode="numeric"
        :placeholder="`${lengths} above level`"
        :aria-label="`${lengths} above level`"
      />
      <BButton type="submit" size="sm" variant="outline-secondary">Hang it there, watch for drips</BButton>
    </form>
    <FieldProblem :problem="problem" field="height" />
    <ul class="lines small">
      <li v-for="advice in heights.advice" :key="advice.sign">
        <b>{{ { DRIPS: 'It drips', FADES: 'It fades down the page', NEITHER: 'Neither' }[advice.sign] }}</b><span>{{
          advice.words
        }}</span>
      </li>
      <li v-for="tried in heights.tried" :key="tried.at" class="quiet">
        <span>{{ shownLength(tried.millimetres) }}, {{ dayAndTime(tried.at, zone) }}</span
        ><span>{{ tried.dripped === undefined ? 'watching' : tried.dripped ? 'dripped' : 'dry' }}</span>
      </li>
    </ul>
    <p v-if="problem && !problem.errors?.length" class="act strong small" role="alert">{{ problem.detail }}</p>
  </details>
</template>
