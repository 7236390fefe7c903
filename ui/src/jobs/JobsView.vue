<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, type Schemas } from '../api/client'
import { useServer } from '../api/useServer'
import { useBench } from '../benches/useBench'
import Choice from '../shell/Choice.vue'
import DateInput from '../shell/DateInput.vue'
import { useShop } from '../shell/shop'
import TextInput from '../shell/TextInput.vue'
import { FAMILIES, familyName } from '../units/families'
import { day, dayAndTime } from '../units/format'
import { isDate } from '../units/typed'
import { useJobWords } from './useJob'

/** What is to be printed, the soonest first, and what was: looked through by machine, ink, day, fault and word. */
const { settings } = useShop()
const zone = computed(() => settings.value?.zone ?? 'UTC')
const { bench } = useBench()
const words = useJobWords()
const route = useRoute()
const router = useRouter()
const text = (name: string) => (typeof route.query[name] === 'string' ? route.query[name] : '')
const wanted = reactive({
  words: text('words'),
  machine: Number(text('machine')) || 0,
  ink: text('ink'),
  sign: text('sign'),
  from: text('from'),
  until: text('until'),
})
const query = computed(() => ({
  words: wanted.words || undefined,
  machine: wanted.machine || undefined,
  ink: (wanted.ink || undefined) as Schemas['JobLineJson']['ink'] | undefined,
  sign: (wanted.sign || undefined) as Schemas['SignJson']['id'] | undefined,
  from: isDate(wanted.from) ? wanted.from : undefined,
  until: isDate(wanted.until) ? wanted.until : undefined,
}))
const typed = ref(wanted.words)
watch(query, (q) => void router.replace({ query: JSON.parse(JSON.stringify(q)) as Record<string, string> }))
const { data: jobs, problem } = useServer<Schemas['JobsJson']>(
  () => ['jobs', JSON.stringify(query.value)],
  () => api.GET('/api/jobs', { params: { query: query.value } }),
  () => ['jobs'],
)
const address = computed(() => {
  const set = Object.entries(query.value).filter((e): e is [string, string | number] => e[1] !== undefined)
  const asked = new URLSearchParams(set.map(([k, v]) => [k, String(v)])).toString()
  return (ending: string) => `/api/jobs/statement.${ending}${asked ? `?${asked}` : ''}`
})
const machines = computed(() => [
  { value: 0, text: 'any machine' },
  ...(bench.value?.machines ?? []).map((m) => ({ value: m.id, text: m.name })),
])
const inks = [{ value: '', text: 'any ink' }, ...FAMILIES]
const signs = computed(() => [
  { value: '', text: 'good or not' },
  ...(words.value?.signs ?? []).map((s) => ({ value: s.id as string, text: s.label })),
])
</script>

<template>
  <div class="page">
    <header class="head">
      <h1>Jobs</h1>
      <RouterLink to="/jobs/new" class="btn btn-primary">A new job</RouterLink>
    </header>
    <p v-if="problem" class="notice" role="alert">{{ problem.detail }}</p>
    <p v-if="!jobs && !problem" class="quiet">Looking into the order book …</p>
    <template v-if="jobs">
      <p v-if="!jobs.open.length" class="quiet">Nothing waits to be printed.</p>
      <ul class="jobs">
        <li v-for="j in jobs.open" :key="j.id">
          <img v-if="j.art" :src="`/api/artworks/${j.art}/small`" alt="" />
          <span v-else class="bare" aria-hidden="true">{{ j.count }}×</span>
          <div>
            <RouterLink :to="`/jobs/${j.id}`" class="strong">{{ j.what }}</RouterLink>
            <div class="small">for {{ j.customer }} · {{ j.count }} pieces · {{ familyName(j.ink) }}</div>
          </div>
          <div class="due">
            <b>{{ dayAndTime(j.due, zone) }}</b>
            <span class="small" :class="{ act: !j.machine }">{{
              j.machine ? `${j.machine}, ${j.says}` : 'no machine yet'
            }}</span>
          </div>
        </li>
      </ul>
      <h2>What came of others</h2>
      <form class="asked" @submit.prevent>
        <label
          >Words
          <TextInput
            v-model="typed"
            placeholder="customer, product, what was said"
            @change="wanted.words = typed.trim()"
        /></label>
        <label>Machine <Choice v-model="wanted.machine" :options="machines" /></label>
        <label>Ink <Choice v-model="wanted.ink" :options="inks" /></label>
        <label>Fault <Choice v-model="wanted.sign" :options="signs" /></label>
        <label>From <DateInput v-model="wanted.from" /></label>
        <label>Until <DateInput v-model="wanted.until" /></label>
      </form>
      <p v-if="!jobs.over.length" class="quiet">No job of this kind is done.</p>
      <ul class="jobs over">
        <li v-for="j in jobs.over" :key="j.id">
          <img v-if="j.art" :src="`/api/artworks/${j.art}/small`" alt="" />
          <span v-else class="bare" aria-hidden="true">{{ j.count }}×</span>
          <div>
            <RouterLink :to="`/jobs/${j.id}`">{{ j.what }}</RouterLink>
            <div class="small">
              for {{ j.customer }}<template v-if="j.machine"> · {{ j.machine }}</template>
            </div>
          </div>
          <div class="due small">
            <span>{{ j.says }}{{ j.closedAt ? `, ${day(j.closedAt, zone)}` : '' }}</span>
            <span v-if="j.sign" class="act">{{ j.sign }}</span>
          </div>
        </li>
      </ul>
      <p v-if="jobs.over.length" class="papers">
        <a :href="address('csv')" download>As a table (CSV)</a>
        <a :href="address('pdf')" target="_blank">On paper (PDF)</a>
      </p>
    </template>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  gap: 16px;
  align-items: center;
  margin-bottom: 12px;
  flex-wrap: wrap;
}
.head h1 {
  margin-right: auto;
}
.jobs {
  list-style: none;
  margin: 0 0 20px;
  padding: 0;
}
.jobs li {
  display: grid;
  grid-template-columns: 60px minmax(0, 1fr) auto;
  gap: 4px 16px;
  align-items: center;
  border-top: 1.5px solid var(--line);
  padding: 8px 0;
  overflow-wrap: anywhere;
}
.jobs img,
.bare {
  width: 60px;
  height: 52px;
  object-fit: contain;
  background: var(--wash);
  border-radius: 8px;
}
.bare {
  display: grid;
  place-items: center;
  color: var(--quiet);
}
.over li {
  padding: 4px 0;
}
.over img,
.over .bare {
  height: 40px;
}
.due {
  display: grid;
  justify-items: end;
  text-align: right;
}
.asked {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 8px 12px;
  margin: 8px 0 12px;
}
.asked label {
  display: grid;
  gap: 3px;
}
.papers {
  display: flex;
  gap: 18px;
}
@media (max-width: 600px) {
  .jobs li {
    grid-template-columns: 48px minmax(0, 1fr);
  }
  .jobs img,
  .bare {
    width: 48px;
  }
  .due {
    grid-column: 2;
    justify-items: start;
    text-align: left;
  }
  .asked {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
}
</style>
