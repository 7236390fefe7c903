<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { reactive, ref } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import FieldProblem from '../shell/FieldProblem.vue'
import { oneAtATime } from '../shell/oneAtATime'
import { dayAndTime } from '../units/format'
import TextInput from '../shell/TextInput.vue'

/** Somebody from outside works on its computer: with leave, watched, and ended. */
const props = defineProps<{ machine: number; helps: Schemas['Help'][]; zone: string }>()
const emit = defineEmits<{ settled: [passport: Schemas['PassportJson']] }>()

const problem = ref<Problem>()
const help = reactive({ who: '', changed: '' })
const path = () => ({ machine: props.machine })

function settle(answer: { data?: Schemas['PassportJson']; error?: unknown }) {
  problem.value = answer.error ? problemOf(answer.error) : undefined
  if (answer.data) emit('settled', answer.data)
  return !answer.error
}

const { run: helpBegins } = oneAtATime(async () => {
  const kept = settle(
    await api.POST('/api/machines/{machine}/help', {
      params: { path: path() },
      body: { who: help.who, watched: true },
    }),
  )
  if (kept) help.who = ''
})
const { run: helpEnds } = oneAtATime(async () => {
  const kept = settle(
    await api.POST('/api/machines/{machine}/help/ended', {
      params: { path: path() },
      body: { changed: help.changed },
    }),
  )
  if (kept) help.changed = ''
})
</script>

<template>
  <details class="fold" :open="helps.some((h) => !h.endedAt)">
    <summary>Help from outside: {{ helps.length || 'never' }}</summary>
    <ul class="lines small">
      <li v-for="h in helps" :key="h.id">
        <span
          >{{ h.who }}, {{ dayAndTime(h.beganAt, zone)
          }}{{ h.endedAt ? ` to ${dayAndTime(h.endedAt, zone)}` : ', now' }}; allowed by {{ h.allowedBy }}</span
        ><span>{{ h.changed }}</span>
      </li>
    </ul>
    <form v-if="helps.some((h) => !h.endedAt)" class="row-form" novalidate @submit.prevent="helpEnds">
      <TextInput v-model="help.changed" placeholder="what was changed" aria-label="What was changed" />
      <BButton type="submit" size="sm" variant="outline-secondary">It is over</BButton>
    </form>
    <form v-else class="row-form" novalidate @submit.prevent="helpBegins">
      <TextInput v-model="help.who" placeholder="who works on its computer" aria-label="Who helps from outside" />
      <BButton type="submit" size="sm" variant="outline-secondary">I allow it, and watch</BButton>
    </form>
    <FieldProblem :problem="problem" field="who" />
    <FieldProblem :problem="problem" field="changed" />
    <p v-if="problem && !problem.errors?.length" class="act strong small" role="alert">{{ problem.detail }}</p>
  </details>
</template>
