<script setup lang="ts">
import { computed, ref } from 'vue'
import { api } from '../api/client'
import { useServer } from '../api/useServer'
import LogParts from '../log/LogParts.vue'
import Choice from '../shell/Choice.vue'
import { useShop } from '../shell/shop'
import { bare, minutes, money, volume, type VolumeUnit } from '../units/format'
import { useUnits } from '../units/useUnits'
import { monthName, monthsBetween } from './books'

/** What a month cost, and what a sheet cost with all that kept its machine alive. */
const { settings } = useShop()
const unit = computed(() => (settings.value?.volumeUnit ?? 'mL') as VolumeUnit)
const month = ref<string>()
const { data: statement, problem } = useServer(
  () => ['statement', month.value],
  () => api.GET('/api/books/statement', { params: { query: { month: month.value } } }),
  () => ['machine/', 'shelf', 'card/'],
)
const shown = computed({ get: () => month.value ?? statement.value?.month ?? '', set: (m) => (month.value = m) })
const months = computed(() => {
  const now = statement.value
  return now
    ? monthsBetween([now.first ?? now.month, now.month].sort()[0] ?? now.month, now.thisMonth).map((m) => ({
        value: m,
        text: monthName(m),
      }))
    : []
})
const cost = (minor: number | undefined) => money({ minor: minor ?? 0, currency: settings.value?.currency ?? 'GBP' })
function amount(line: { amount: number; unit: string }): string {
  if (line.unit === 'mL') return volume(line.amount, unit.value)
  if (line.unit === 'mL') return shownVolume(line.amount)
  return line.unit === 'min' ? minutes(line.amount) : `${bare(line.amount)} ${line.unit}`
}
const file = (kind: string) => `/api/books/statement.${kind}?month=${shown.value}`
const { shownVolume } = useUnits()
</script>

<template>
  <div class="page">
    <header class="head">
      <h1>Log</h1>
      <Choice v-model="shown" :options="months" aria-label="Month" />
    </header>
    <LogParts />
    <p v-if="problem" class="notice" role="alert">{{ problem.detail }}</p>
    <p v-else-if="!statement" class="quiet loading">Adding it up …</p>
    <template v-else>
      <p class="headline">
        {{ monthName(statement.month) }} cost <b>{{ cost(statement.total) }}</b><template
          v-if="statement.perSheet !== undefined"
          >: {{ statement.sheets }} sheets for customers, <b>{{ cost(statement.perSheet) }}</b> each</template
        ><template v-else>. No sheet was printed for a customer.</template>
      </p>
      <p v-if="!statement.lines.length" class="quiet">Nothing was used in this month.</p>
      <table v-else class="figures statement">
        <thead>
          <tr>
            <th>what</th>
            <th>how much</th>
            <th>its cost</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="line in statement.lines" :key="line.part">
            <td>{{ line.label }}</td>
            <td>{{ amount(line) }}</td>
            <td>{{ cost(line.cost) }}</td>
          </tr>
          <tr>
            <td><b>in all</b></td>
            <td></td>
            <td>
              <b>{{ cost(statement.total) }}</b>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="statement.tax !== undefined">
        Material without tax {{ cost(statement.net) }}, tax of {{ statement.taxPercent }} % {{ cost(statement.tax) }},
        with tax {{ cost(statement.gross) }}.
      </p>
      <p class="files">
        <a :href="file('csv')" download>As a table (CSV)</a>
        <a :href="file('pdf')" target="_blank">On paper (PDF)</a>
      </p>
      <p class="small quiet">
        A sheet has its ink, its paper, and its share of upkeep, waste, parts and hands. Ink by what its bottle cost,
        paper and parts by their price on the shelf, hands by the shop’s rate.
      </p>
    </template>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  gap: 12px;
  align-items: center;
  margin-bottom: 14px;
}
.head h1 {
  margin: 0 auto 0 0;
}
.head select {
  min-width: 135px;
  width: auto;
}
.headline {
  font-size: 1.25rem;
}
.statement {
  max-width: 720px;
  margin-bottom: 16px;
}
.files {
  display: flex;
  gap: 18px;
}
</style>
