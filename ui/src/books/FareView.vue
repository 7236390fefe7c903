<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import { api, problemOf, type Schemas } from '../api/client'
import LogParts from '../log/LogParts.vue'
import { useShop } from '../shell/shop'
import { bare, money, percent } from '../units/format'
import { achieved } from './fare'

/** How machines fare: which are worth keeping, what idleness and dry air do to them, and what each treatment achieved. */
const StackedBars = defineAsyncComponent(() => import('../drawings/StackedBars.vue'))
const { settings } = useShop()
const worth = ref<Schemas['WorthJson'][]>()
const clogging = ref<Schemas['CloggingJson']>()
const learned = ref<Schemas['LearnedJson'][]>([])
const problem = ref('')

async function load() {
  const [kept, clogs, clinic] = await Promise.all([
    api.GET('/api/books/worth'),
    api.GET('/api/books/clogging'),
    api.GET('/api/clinic'),
  ])
  const error = kept.error ?? clogs.error ?? clinic.error
  problem.value = error ? problemOf(error).detail : ''
  worth.value = kept.data
  clogging.value = clogs.data
  learned.value = clinic.data?.learned ?? []
}
void load()
const cost = (minor: number) => money({ minor, currency: settings.value?.currency ?? 'GBP' })
function basis(w: Schemas['WorthJson']): string {
  if (w.earns !== undefined) return `It earns ${cost(w.earns)} a day, as the shop says.`
  return w.sheets ? `Ordered, each sheet would be ${cost(w.saved)} dearer.` : 'It printed nothing for a customer.'
}
const calls = (w: Schemas['WorthJson']) => w.verdict === 'GIVE_UP' || w.verdict === 'PARK' || w.verdict === 'PRINT_MORE'
const views = computed(() => [
  { title: 'After idle days', of: clogging.value?.byIdleness ?? [], what: 'idle' },
  { title: 'In dry air', of: clogging.value?.byDryness ?? [], what: 'air' },
])
const struck = (groups: Schemas['CloggingGroupJson'][]) => [
  { label: 'new gaps', colour: '--act', values: groups.map((g) => g.struck) },
  { label: 'nothing new', colour: '--rim', values: groups.map((g) => g.looks - g.struck) },
]
const tried = computed(() => achieved(learned.value))
const results = computed(() => [
  { label: 'worked', colour: '--rim', values: tried.value.map((t) => t.worked) },
  { label: 'did not', colour: '--act', values: tried.value.map((t) => t.times - t.worked) },
])
</script>

<template>
  <div class="page">
    <h1>Log</h1>
    <LogParts />
    <p v-if="problem" class="notice" role="alert">{{ problem }}</p>
    <p v-else-if="!worth" class="quiet">Adding up …</p>
    <template v-else>
      <section>
        <h2>Worth keeping?</h2>
        <p class="small quiet">By the last ninety days. What it brought is what its sheets would have cost ordered.</p>
        <div class="scroll-x" tabindex="0" role="region" aria-label="Which machines are worth keeping">
          <table class="figures told">
            <thead>
              <tr>
                <th>machine</th>
                <th class="number">sheets</th>
                <th class="number">brought</th>
                <th class="number">hands</th>
                <th class="number">ink not sold</th>
                <th class="number">parts</th>
                <th>so</th>
                <th>why</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="w in worth" :key="w.machine">
                <td>
                  <RouterLink :to="`/machines/${w.machine}`">{{ w.name }}</RouterLink>
                </td>
                <td class="number">{{ w.sheets }}</td>
                <td class="number">{{ cost(w.brought) }}</td>
                <td class="number">{{ cost(w.hands) }}</td>
                <td class="number">{{ cost(w.ink) }}</td>
                <td class="number">{{ cost(w.parts) }}</td>
                <td :class="{ act: calls(w) }" class="strong so">{{ w.words }}</td>
                <td class="small">{{ [basis(w), ...w.reasons].join(' ') }}</td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
      <section>
        <div class="title">
          <h2>What closes nozzles here</h2>
          <a class="btn btn-outline-secondary" href="/api/books/clogging.csv" download>As a table</a>
        </div>
        <p class="small quiet">Checks of the last year, by whether something was missing that was there before.</p>
        <div class="halves">
          <div v-for="view in views" :key="view.title">
            <h3>{{ view.title }}</h3>
            <StackedBars
              :names="view.of.map((g) => g.label)"
              :parts="struck(view.of)"
              unit="checks"
              :label="`${view.title}; the table below says the same`"
            />
            <table class="figures">
              <thead>
                <tr>
                  <th>{{ view.what }}</th>
                  <th>checks</th>
                  <th>with new gaps</th>
                  <th>new gaps a check</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="g in view.of" :key="g.label">
                  <td>{{ g.label }}</td>
                  <td>{{ g.looks }}</td>
                  <td>{{ g.looks ? `${g.struck} (${percent(g.share)})` : '–' }}</td>
                  <td>{{ g.looks ? bare(g.each) : '–' }}</td>
                </tr>
              </tbody>
            </table>
          </div>
        </div>
      </section>
      <section>
        <h2>What each treatment achieved here</h2>
        <p v-if="!tried.length" class="quiet">
          No case has ended here yet. When one does, what worked and what did not stands here.
        </p>
        <template v-else>
          <StackedBars
            :names="tried.map((t) => t.treatment)"
            :parts="results"
            unit="times"
            label="What each treatment achieved here; the table below says the same"
          />
          <table class="figures">
            <thead>
              <tr>
                <th>treatment</th>
                <th>tried</th>
                <th>worked</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="t in tried" :key="t.treatment">
                <td>{{ t.treatment }}</td>
                <td>{{ t.times }}</td>
                <td>{{ t.worked }} ({{ percent(t.worked / t.times) }})</td>
              </tr>
            </tbody>
          </table>
        </template>
      </section>
    </template>
  </div>
</template>

<style scoped>
section {
  margin-top: 20px;
}
.title {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  flex-wrap: wrap;
}
.so {
  min-width: 130px;
}
.figures.told .number {
  text-align: right;
  white-space: nowrap;
}
</style>
