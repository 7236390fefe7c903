<script setup lang="ts">
import { computed, defineAsyncComponent, reactive, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import { useBench } from '../benches/useBench'
import Choice from '../shell/Choice.vue'
import FieldProblem from '../shell/FieldProblem.vue'
import NumberInput from '../shell/NumberInput.vue'
import { useShop } from '../shell/shop'
import Tick from '../shell/Tick.vue'
import { FAMILIES, type Family } from '../units/families'
import { minutes, money } from '../units/format'
import { minorDigits } from '../units/typed'
import SumsParts from './SumsParts.vue'
import VoucherPlate from './VoucherPlate.vue'
import { cheapest, paidBy, paysWhen } from './ways'

/** The same sheets in every way that a machine allows: what each asks for at once, and when it has paid for itself. */
const Lines = defineAsyncComponent(() => import('../drawings/Lines.vue'))
const MONTHS = 24
const { settings } = useShop()
const currency = computed(() => settings.value?.currency ?? 'GBP')
const { bench } = useBench()
const machines = computed(() => (bench.value?.machines ?? []).map((m) => ({ value: m.id, text: m.name })))
const form = reactive({
  machine: Number(useRoute().query.machine) || 0,
  family: 'SUBLIMATION' as Family,
  sheets: undefined as number | undefined,
  mL: undefined as number | undefined,
  machinePrice: 0,
  pressPrice: 0,
  stocked: true,
  against: undefined as number | undefined,
})
const told = ref<Schemas['FedWaysJson']>()
const problem = ref<Problem>()
watch(
  machines,
  (all) => {
    if (!form.machine && all[0]) form.machine = all[0].value
  },
  { immediate: true },
)
/** Another machine has other habits, and other ways. */
watch(
  () => [form.machine, form.family],
  () => Object.assign(form, { sheets: undefined, mL: undefined, against: undefined }),
)
watch(
  form,
  async (_now, _before, onCleanup) => {
    let outdated = false
    onCleanup(() => (outdated = true))
    const { sheets, mL, against, ...query } = form
    if (!query.machine || [sheets, mL, query.machinePrice, query.pressPrice].some(Number.isNaN)) return
    const { data, error } = await api.GET('/api/reckoning/ways', {
      params: { query: { ...query, sheets: sheets && Math.round(sheets), mL, against } },
    })
    if (outdated) return
    problem.value = error ? problemOf(error) : undefined
    if (data) told.value = data
  },
  { immediate: true },
)
const ways = computed(() => told.value?.ways ?? [])
const against = computed(() => ways.value.map((w, i) => ({ value: i, text: w.label })))
const cost = (minor: number) => money({ minor: Math.round(minor), currency: currency.value })
const major = computed(() => 10 ** minorDigits(currency.value))
const courses = computed(() =>
  ways.value.map((w) => ({ label: w.label, values: paidBy(w, MONTHS).map((minor) => minor / major.value) })),
)
const months = Array.from({ length: MONTHS + 1 }, (_, i) => String(i))
const ofYear = computed(() => cheapest(ways.value, 'year'))
const ofThree = computed(() => cheapest(ways.value, 'threeYears'))
</script>

<template>
  <div class="page">
    <h1>Sums</h1>
    <SumsParts />
    <form class="asked" @submit.prevent>
      <label>Machine <Choice v-model="form.machine" :options="machines" /></label>
      <label>For <Choice v-model="form.family" :options="FAMILIES" /></label>
      <label
        >Sheets a month
        <NumberInput
          :model-value="form.sheets ?? told?.sheets ?? NaN"
          lazy
          @update:model-value="(n: number) => (form.sheets = n)" /><FieldProblem :problem="problem" field="sheets"
      /></label>
      <label
        >Ink a sheet, mL
        <NumberInput
          :model-value="form.mL ?? Number(told?.mL.toFixed(2))"
          lazy
          @update:model-value="(n: number) => (form.mL = n)" /><FieldProblem :problem="problem" field="mL"
      /></label>
      <label>The machine, {{ currency }} <NumberInput v-model="form.machinePrice" :currency="currency" lazy /></label>
      <label>A press, {{ currency }} <NumberInput v-model="form.pressPrice" :currency="currency" lazy /></label>
      <div class="stocked"><Tick v-model="form.stocked">with a first set of ink and a pack of paper</Tick></div>
    </form>
    <p v-if="problem && !problem.errors?.length" class="notice" role="alert">{{ problem.detail }}</p>
    <template v-if="told">
      <p class="small quiet">
        A machine or a press that is there already costs 0.
        {{
          told.learned
            ? 'Sheets and ink are what this machine really printed in three months.'
            : 'Sheets and ink as they are typed here.'
        }}
        Prices are those under <RouterLink to="/shop/prices">Shop</RouterLink> and
        <RouterLink to="/shelf/parts">Shelf</RouterLink>; each way with a machine carries the ink and hands that keep it
        alive.
      </p>
      <p class="lead">
        <b>Cheapest after a year: {{ ofYear }}.</b>
        <template v-if="ofThree !== ofYear">After three: {{ ofThree }}.</template>
      </p>
      <div class="scroll-x" tabindex="0" role="region" aria-label="Every way, side by side">
        <table class="figures">
          <thead>
            <tr>
              <th>way</th>
              <th>first outlay</th>
              <th>a sheet</th>
              <th>a month</th>
              <th>hands for refilling</th>
              <th>has paid for itself</th>
              <th>in a year</th>
              <th>in three</th>
              <th>first sheet</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="w in ways" :key="w.label" :class="{ best: w.label === ofYear }">
              <td>
                {{ w.label }}
                <span class="small quiet basis">{{ w.basis }}</span>
              </td>
              <td>
                {{ cost(w.once) }}
                <span v-for="p in w.parts" :key="p.what" class="small quiet basis"
                  >{{ p.what }} {{ cost(p.minor) }}</span
                >
              </td>
              <td>{{ cost(w.perSheet) }}</td>
              <td>{{ cost(w.perMonth) }}</td>
              <td>{{ minutes(Math.round(w.minutes)) }}</td>
              <td>{{ paysWhen(w) }}</td>
              <td>{{ cost(w.year) }}</td>
              <td>{{ cost(w.threeYears) }}</td>
              <td>{{ w.days ? (w.days === 1 ? '1 day' : `${w.days} days`) : 'at once' }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <label class="against"
        >Held against
        <Choice :model-value="told.against" :options="against" @update:model-value="(i: number) => (form.against = i)"
      /></label>
      <Lines
        :names="months"
        :courses="courses"
        :unit="`paid in all, ${currency}`"
        under="months"
        label="What has been paid by each month; the table above says the same"
      />
    </template>
    <p v-else-if="bench && !machines.length" class="quiet">No machine stands on a bench yet.</p>
    <p v-else-if="!problem" class="quiet">Reckoning …</p>
    <VoucherPlate :currency="currency" />
  </div>
</template>

<style scoped>
.asked {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
  gap: 10px 14px;
  align-items: end;
  margin: 14px 0;
}
.asked > label,
.against {
  display: grid;
  gap: 3px;
}
.stocked {
  grid-column: 1 / -1;
}
.against {
  max-width: 340px;
  margin: 14px 0;
}
.basis {
  display: block;
  white-space: normal;
}
.best td:first-child {
  font-weight: 650;
}
.lead {
  font-size: 1.1rem;
}
</style>
