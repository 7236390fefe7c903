<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import { api } from '../api/client'
import { useServer } from '../api/useServer'
import { useBench } from '../benches/useBench'
import LogParts from '../log/LogParts.vue'
import Choice from '../shell/Choice.vue'
import { useShop } from '../shell/shop'
import Tick from '../shell/Tick.vue'
import { figure, inUnit, money, percent, volume, type VolumeUnit } from '../units/format'
import { byRole, monthName, monthsBetween, ROLES, whole } from './books'
import FlowTable from './FlowTable.vue'

/** Where ink went: drawn, and in tables that add up. */
const StackedBars = defineAsyncComponent(() => import('../drawings/StackedBars.vue'))
const COLOURS = { sold: '--good', upkeep: '--rim', change: '--wood', rest: '--quiet' }
const { bench } = useBench()
const { settings } = useShop()
const unit = computed(() => (settings.value?.volumeUnit ?? 'mL') as VolumeUnit)
const currency = computed(() => settings.value?.currency ?? 'GBP')
const from = ref<string>()
const to = ref<string>()
const machine = ref(0)
const every = ref(false)
const by = ref<'months' | 'machines'>('months')
const query = computed(() => ({ from: from.value, to: to.value, machine: machine.value || undefined }))
const { data: books, problem } = useServer(
  () => ['books', query.value],
  () => api.GET('/api/books', { params: { query: query.value } }),
  () => ['machine/', 'shelf', 'card/'],
)
const csv = computed(() => {
  const asked = Object.entries(query.value).filter(([, v]) => v !== undefined)
  return `/api/books.csv?${new URLSearchParams(asked.map(([k, v]) => [k, String(v)]))}`
})
const months = computed(() => {
  const now = books.value
  return now ? monthsBetween([now.first ?? now.from, now.from].sort()[0] ?? now.from, now.thisMonth) : []
})
const roles = computed(() => (books.value ? whole(books.value) : []))
const gone = computed(() => roles.value.reduce((a, b) => a + b, 0))
const drawn = computed(() => {
  const flows = (books.value?.[by.value] ?? []).filter((f) => f.gone)
  return {
    names: flows.map((f) => (by.value === 'months' ? monthName(f.name) : f.name || 'no machine')),
    parts: ROLES.map((role, i) => ({
      label: role.label,
      colour: COLOURS[role.key],
      values: flows.map((f) => inUnit(byRole(f)[i] ?? 0, unit.value)),
    })).filter((p) => p.values.some((v) => v !== 0)),
  }
})
const machines = computed(() => [
  { value: 0, text: 'every machine' },
  ...(bench.value?.machines ?? []).map((m) => ({ value: m.id, text: m.name })),
])
const options = computed(() => months.value.map((m) => ({ value: m, text: monthName(m) })))
const shownFrom = computed({ get: () => from.value ?? books.value?.from ?? '', set: (m) => (from.value = m) })
const shownTo = computed({ get: () => to.value ?? books.value?.to ?? '', set: (m) => (to.value = m) })
</script>

<template>
  <div class="page">
    <header class="head">
      <h1>Log</h1>
      <label>from <Choice v-model="shownFrom" :options="options" aria-label="From" /></label>
      <label>to <Choice v-model="shownTo" :options="options" aria-label="To" /></label>
      <Choice v-model="machine" :options="machines" aria-label="Machine" />
    </header>
    <LogParts />
    <p v-if="problem" class="notice" role="alert">{{ problem.detail }}</p>
    <p v-if="!books && !problem" class="quiet loading">Adding it up …</p>
    <template v-if="books">
      <p v-if="!books.months.length" class="quiet">No ink moved in this time.</p>
      <template v-else>
        <p class="headline">
          <b>{{ volume(gone, unit) }}</b> went, worth <b>{{ money({ minor: books.cost, currency }) }}</b><template
            v-if="gone > 0"
          >
            ·
            <template v-for="(role, i) in ROLES" :key="role.key"
              ><span v-if="(roles[i] ?? 0) > 0" class="role"
                ><b>{{ percent((roles[i] ?? 0) / gone) }}</b> {{ role.label }}</span
              ></template
            ></template
          >
        </p>
        <section class="thin block">
          <div class="title">
            <h2>{{ by === 'months' ? 'Month by month' : 'Machine by machine' }}</h2>
            <Choice
              v-model="by"
              :options="[
                { value: 'months', text: 'by month' },
                { value: 'machines', text: 'by machine' },
              ]"
              aria-label="Drawn by"
            />
          </div>
          <div class="drawn">
            <StackedBars
              :names="drawn.names"
              :parts="drawn.parts"
              :unit="unit"
              :label="`Ink that left, in ${unit}, ${by === 'months' ? 'month by month' : 'machine by machine'}; the tables below say the same`"
            />
          </div>
        </section>
        <div class="title">
          <h2>In figures, {{ unit }}</h2>
          <Tick v-model="every">every cause by name</Tick>
          <a :href="csv" download>As a table (CSV)</a>
        </div>
        <FlowTable
          what="month"
          :flows="books.months.filter((m) => m.gone).map((m) => ({ ...m, name: monthName(m.name) }))"
          :causes="books.causes"
          :every="every"
          :currency="currency"
          :unit="unit"
        />
        <FlowTable
          what="machine"
          none="no machine"
          :flows="books.machines.filter((m) => m.gone)"
          :causes="books.causes"
          :every="every"
          :currency="currency"
          :unit="unit"
        />
        <FlowTable
          what="person"
          none="somebody"
          :flows="books.people.filter((m) => m.gone)"
          :causes="books.causes"
          :every="every"
          :currency="currency"
          :unit="unit"
        />
        <FlowTable
          v-if="books.jobs.some((j) => j.gone)"
          what="card"
          :flows="books.jobs.filter((m) => m.gone)"
          :causes="books.causes"
          :every="every"
          :currency="currency"
          :unit="unit"
        />
        <template v-if="!machine">
          <h2>What was there, and what is</h2>
          <div class="scroll-x" tabindex="0" role="region" aria-label="Stock">
            <table class="figures">
              <thead>
                <tr>
                  <th>ink, in bottles and machines</th>
                  <th>before, {{ unit }}</th>
                  <th>came</th>
                  <th>went</th>
                  <th>is there</th>
                  <th>worth of what went</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="s in books.stock" :key="s.ink">
                  <td>{{ s.ink }}</td>
                  <td>{{ figure(s.before, unit) }}</td>
                  <td>{{ s.came ? `+ ${figure(s.came, unit)}` : '–' }}</td>
                  <td>{{ s.gone ? `− ${figure(s.gone, unit)}` : '–' }}</td>
                  <td>
                    <b>{{ figure(s.after, unit) }}</b>
                  </td>
                  <td>{{ money({ minor: s.cost, currency }) }}</td>
                </tr>
              </tbody>
            </table>
          </div>
          <p class="small quiet">
            Before, and what came, less what went, is what is there: to the microlitre, by the account. Worth goes by
            what each bottle cost; where no bottle is known, by the cheapest that is bought here.
          </p>
        </template>
      </template>
    </template>
  </div>
</template>

<style scoped>
.head,
.title {
  display: flex;
  gap: 12px;
  align-items: center;
  flex-wrap: wrap;
  margin-bottom: 14px;
}
.head h1,
.title h2 {
  margin: 0 auto 0 0;
}
.head label {
  display: flex;
  gap: 8px;
  align-items: center;
}
.head > :not(h1),
.head select,
.title select {
  width: auto;
}
.head select {
  min-width: 135px;
}
.drawn {
  min-height: 280px; /* before it arrives */
}
.headline {
  font-size: 1.25rem;
}
.role + .role::before {
  content: ', ';
}
.block {
  padding: 14px 18px;
  margin-bottom: 22px;
}
.scroll-x {
  margin-bottom: 22px;
}
</style>
