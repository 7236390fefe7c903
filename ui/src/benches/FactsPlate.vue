<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { ref, watch } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import DocumentsPlate from './DocumentsPlate.vue'
import HeightsPlate from './HeightsPlate.vue'
import HelpPlate from './HelpPlate.vue'
import { oneAtATime } from '../shell/oneAtATime'
import { dayAndTime } from '../units/format'
import { useUnits } from '../units/useUnits'
import TextInput from '../shell/TextInput.vue'

/** What whoever comes after has to find without asking. */
const props = defineProps<{ machine: Schemas['MachineJson']; zone: string }>()

const passport = ref<Schemas['PassportJson']>()
const problem = ref<Problem>()
const path = () => ({ machine: props.machine.plate.id })

function settle(answer: { data?: Schemas['PassportJson']; error?: unknown }) {
  problem.value = answer.error ? problemOf(answer.error) : undefined
  if (answer.data) passport.value = answer.data
}
watch(
  () => props.machine,
  async () => settle(await api.GET('/api/machines/{machine}/passport', { params: { path: path() } })),
  { immediate: true },
)

const { run: write } = oneAtATime(async (fact: Schemas['FactJson']['id'], words: string) => {
  settle(
    await api.PUT('/api/machines/{machine}/passport/{fact}', {
      params: { path: { ...path(), fact } },
      body: { words },
    }),
  )
})
const { shownVolume } = useUnits()
const { run: lead, busy: leading } = oneAtATime(async (outside: boolean) => {
  settle(await api.POST('/api/machines/{machine}/waste-led', { params: { path: path() }, body: { outside } }))
})
</script>

<template>
  <section v-if="passport" id="facts">
    <div class="title">
      <h2>To know about it</h2>
      <a class="btn btn-outline-secondary btn-sm" :href="`/api/machines/${machine.plate.id}/passport.pdf`"
        >Passport on paper</a
      >
    </div>
    <p v-if="problem && !problem.errors?.length" class="act strong small" role="alert">{{ problem.detail }}</p>
    <details class="fold">
      <summary>{{ passport.facts.filter((f) => f.words).length }} of {{ passport.facts.length }} written down</summary>
      <div v-for="fact in passport.facts" :key="fact.id" class="fact">
        <label :for="`fact-${fact.id}`">{{ fact.label }}</label>
        <TextInput
          :id="`fact-${fact.id}`"
          :model-value="fact.words"
          @change="(e: Event) => write(fact.id, (e.target as HTMLInputElement).value)"
        />
      </div>
    </details>
    <p v-if="passport.outsideWaste" class="small">
      Its waste runs outside since {{ dayAndTime(passport.outsideWaste.since, zone) }}:
      <b>{{ shownVolume(passport.outsideWaste.volume) }}</b> by now. Its own count goes on: expect its box message
      although the box is dry.
      <BButton size="sm" variant="link" :disabled="leading" @click="lead(false)">It runs into its pad again</BButton>
    </p>
    <p v-else class="small">
      Its waste runs into its own pad.
      <BButton size="sm" variant="link" :disabled="leading" @click="lead(true)"
        >It is led into a bottle outside</BButton
      >
    </p>
    <DocumentsPlate :machine="machine.plate.id" :documents="passport.documents" @settled="passport = $event" />
    <HeightsPlate
      v-if="passport.heights.raised"
      :machine="machine.plate.id"
      :heights="passport.heights"
      :zone="zone"
      @settled="passport = $event"
    />
    <HelpPlate :machine="machine.plate.id" :helps="passport.helps" :zone="zone" @settled="passport = $event" />
    <p v-if="passport.picks.length" class="small quiet">
      Aligned {{ dayAndTime(passport.picks[0]?.at ?? '', zone) }}:
      {{ passport.picks.map((p) => `${p.pattern} ${p.pick}`).join(', ') }}.
    </p>
  </section>
</template>

<style scoped>
section {
  margin-bottom: 22px;
}
.title {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.fact {
  margin-bottom: 8px;
}
</style>
