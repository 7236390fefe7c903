<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, onMounted, reactive, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import { useBench } from '../benches/useBench'
import ClinicParts from '../clinic/ClinicParts.vue'
import Choice from '../shell/Choice.vue'
import FieldProblem from '../shell/FieldProblem.vue'
import { useLive } from '../shell/live'
import { oneAtATime } from '../shell/oneAtATime'
import { useShop } from '../shell/shop'
import TextInput from '../shell/TextInput.vue'
import { dayAndTime } from '../units/format'
import HeardForm from './HeardForm.vue'
import { outcomeOf, useMessages } from './useMessages'

/** What machines say, what it really means, what is safe, and what came of it here. */
const route = useRoute()
const { settings } = useShop()
const zone = computed(() => settings.value?.zone ?? 'UTC')
const { bench } = useBench()
const words = ref(String(route.query.words ?? ''))
const chosen = ref(Number(route.query.machine) || 0)
const machine = computed(() => chosen.value || undefined)
const machines = computed(() => [
  { value: 0, text: 'any machine' },
  ...(bench.value?.machines ?? []).map((m) => ({ value: m.id, text: m.name })),
])
const { found, look } = useMessages(words, machine)
/** A screen or so of them; the rest when somebody goes on. */
const FIRST = window.matchMedia('(max-width: 700px)').matches ? 4 : 9
const every = ref(false)
const shownFound = computed(
  () => (every.value || words.value.trim() ? found.value : found.value?.slice(0, FIRST)) ?? [],
)
const said = ref<Schemas['Said'][]>()
const hearing = ref('')
const explaining = ref(false)
const problem = ref<Problem>()
const own = reactive({ wording: '', meaning: '', act: '' })

async function load() {
  const { data } = await api.GET('/api/messages/heard', { params: { query: {} } })
  if (data) said.value = data
}
onMounted(load)
useLive(
  () => ['messages'],
  () => Promise.all([load(), look()]),
)

const shownSaid = computed(() => (said.value ?? []).filter((s) => !machine.value || s.machine === machine.value))
function here(key: string) {
  return shownSaid.value.filter((s) => s.message === key)
}
/** “3 times, last Tue 1 Dec on Bramble: it went away” */
function past(key: string): string {
  const all = here(key)
  const last = all[0]
  if (!last) return ''
  const times = all.length === 1 ? 'Once here' : `${all.length} times here`
  return `${times}, last ${dayAndTime(last.at, zone.value)} on ${last.machineName}: ${last.did} – ${outcomeOf(last.outcome)}`
}
function kept(all: Schemas['Said'][]) {
  said.value = all
  hearing.value = ''
}
const { run: explain, busy } = oneAtATime(async () => {
  const { data, error } = await api.POST('/api/messages', { body: { ...own } })
  problem.value = error ? problemOf(error) : undefined
  if (!data) return
  explaining.value = false
  Object.assign(own, { wording: '', meaning: '', act: '' })
  await look()
})
const { run: forget } = oneAtATime(async (key: string) => {
  await api.POST('/api/messages/own/{message}/gone', { params: { path: { message: Number(key.slice(4)) } } })
  await look()
})
</script>

<template>
  <div class="page">
    <h1>Clinic</h1>
    <ClinicParts />
    <div class="asked">
      <label class="wide"
        >The machine says
        <TextInput v-model="words" type="search" size="lg" placeholder="a few of its words" />
      </label>
      <label>on <Choice v-model="chosen" :options="machines" /></label>
    </div>
    <p v-if="!found" class="quiet">Looking …</p>
    <ul v-else class="found" aria-live="polite">
      <li v-for="message in shownFound" :key="message.key" class="plate">
        <h2>“{{ message.wording }}”</h2>
        <p>{{ message.meaning }}</p>
        <p class="strong">{{ message.act }}</p>
        <p v-if="past(message.key)" class="small quiet">{{ past(message.key) }}</p>
        <BButton
          variant="outline-secondary"
          :aria-expanded="hearing === message.key"
          :aria-label="`“${message.wording}”: a machine says so`"
          @click="hearing = hearing === message.key ? '' : message.key"
          >A machine says so</BButton
        >
        <BButton v-if="message.own" variant="link" @click="forget(message.key)">Explain it no more</BButton>
        <HeardForm
          v-if="hearing === message.key"
          :wording="message.wording"
          :message="message.key"
          :act="message.act"
          :machine="machine"
          @kept="kept"
        />
      </li>
      <li v-if="!found.length" class="plate">
        <h2>Not in the dictionary</h2>
        <p>Do nothing by force. Copy its words, and what you did: the next person finds them here.</p>
        <HeardForm :key="words" :wording="words" message="" act="" :machine="machine" @kept="kept" />
      </li>
    </ul>
    <BButton v-if="found && found.length > shownFound.length" variant="outline-secondary" @click="every = true"
      >All {{ found.length }}</BButton
    >
    <BButton variant="outline-secondary" :aria-expanded="explaining" @click="explaining = !explaining"
      >Explain one of our own</BButton
    >
    <form v-if="explaining" class="own plate" @submit.prevent="explain">
      <label>It says <TextInput v-model="own.wording" /> <FieldProblem :problem="problem" field="wording" /></label>
      <label
        >What it really means <TextInput v-model="own.meaning" /> <FieldProblem :problem="problem" field="meaning"
      /></label>
      <label>What is safe <TextInput v-model="own.act" /> <FieldProblem :problem="problem" field="act" /></label>
      <BButton type="submit" variant="primary" :disabled="busy">Into our dictionary</BButton>
    </form>
    <section v-if="shownSaid.length" class="said">
      <h2>What was said lately</h2>
      <table class="figures told cards">
        <thead>
          <tr>
            <th>When</th>
            <th>Machine</th>
            <th>It said</th>
            <th>What was done</th>
            <th>And then</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in shownSaid" :key="s.entry">
            <td class="when">{{ dayAndTime(s.at, zone) }}</td>
            <td>{{ s.machineName }}</td>
            <td data-th="it said">“{{ s.wording }}”</td>
            <td data-th="done">{{ s.did }}</td>
            <td :class="{ act: s.outcome === 'STOPPED_US' || s.outcome === 'CAME_BACK' }">
              {{ outcomeOf(s.outcome) }}
            </td>
          </tr>
        </tbody>
      </table>
    </section>
  </div>
</template>

<style scoped>
.asked {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: end;
  margin: 14px 0;
}
.asked label {
  display: grid;
  gap: 3px;
}
.wide {
  flex: 1 1 320px;
}
.found {
  list-style: none;
  margin: 0 0 16px;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(330px, 1fr));
  gap: 14px;
  align-items: start;
}
.found > li,
.own {
  padding: 12px 16px 14px;
}
.found h2 {
  margin: 0 0 6px;
  font-size: 1.1rem;
}
.found p {
  margin-bottom: 6px;
}
.own {
  display: grid;
  gap: 10px;
  max-width: 560px;
  margin-top: 12px;
}
.own label {
  display: grid;
  gap: 3px;
}
.said {
  margin-top: 26px;
  overflow-x: auto;
}
.when {
  white-space: nowrap;
}
</style>
