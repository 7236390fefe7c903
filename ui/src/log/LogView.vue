<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, type Schemas } from '../api/client'
import { useBench } from '../benches/useBench'
import LogList from './LogList.vue'
import LogParts from './LogParts.vue'
import { askedAsTable, type Asked } from './asked'
import { useSettled } from '../shell/settled'
import TextInput from '../shell/TextInput.vue'
import DateInput from '../shell/DateInput.vue'
import Choice from '../shell/Choice.vue'
import { isDate } from '../units/typed'

const { bench } = useBench()
const route = useRoute()
const machine = ref(0)
const kind = ref('')
const person = ref(0)
const from = ref('')
const to = ref('')
/** A bottle whose way is followed, from its own page. */
const lot = computed(() => Number(route.query.lot) || undefined)
const typed = ref('')
const words = useSettled(typed, 250)
const kinds = ref<string[]>([])
const people = ref<Schemas['Person'][]>([])

onMounted(async () => {
  const [log, all] = await Promise.all([api.GET('/api/log'), api.GET('/api/people')])
  kinds.value = log.data?.kinds ?? []
  people.value = all.data ?? []
})
const machines = computed(() => [
  { value: 0, text: 'every machine' },
  ...(bench.value?.machines ?? []).map((m) => ({ value: m.id, text: m.name })),
])
const asked = computed<Asked>(() => ({
  machine: machine.value || undefined,
  kind: kind.value || undefined,
  person: person.value || undefined,
  lot: lot.value,
  words: words.value || undefined,
  from: isDate(from.value) ? from.value : undefined,
  to: isDate(to.value) ? to.value : undefined,
}))
</script>

<template>
  <div class="page">
    <header class="head">
      <h1>Log</h1>
      <TextInput v-model="typed" type="search" placeholder="Search the log" aria-label="Search the log" />
    </header>
    <LogParts />
    <div class="filters" role="group" aria-label="Which of it">
      <Choice v-model="machine" :options="machines" aria-label="Machine" />
      <Choice
        v-model="kind"
        :options="[{ value: '', text: 'everything' }, ...kinds.map((k) => ({ value: k, text: k }))]"
        aria-label="Kind"
      />
      <Choice
        v-model="person"
        :options="[{ value: 0, text: 'everybody' }, ...people.map((p) => ({ value: p.id, text: p.name }))]"
        aria-label="Person"
      />
      <label>from <DateInput v-model="from" aria-label="From" /></label>
      <label>to <DateInput v-model="to" aria-label="To" /></label>
      <a :href="askedAsTable(asked)" download>As a table (CSV)</a>
    </div>
    <p v-if="lot">
      Only what moved ink of <RouterLink :to="`/shelf/bottles/${lot}`">this bottle</RouterLink> ·
      <RouterLink to="/log">all of it</RouterLink>
    </p>
    <LogList :asked="asked" />
  </div>
</template>

<style scoped>
.head,
.filters {
  display: flex;
  gap: 12px;
  align-items: center;
  flex-wrap: wrap;
  margin-bottom: 16px;
}
.head h1 {
  margin-right: auto;
}
.head > :not(h1) {
  width: auto;
  min-width: 260px;
}
.filters select {
  width: auto;
  min-width: 150px;
}
.filters label {
  display: flex;
  gap: 8px;
  align-items: center;
}
.filters label :deep(input) {
  width: 130px;
}
@media (max-width: 520px) {
  .filters > * {
    flex: 1 1 42%;
  }
  .filters select {
    min-width: 0;
  }
  .filters label :deep(input) {
    width: 100%;
  }
}
</style>
