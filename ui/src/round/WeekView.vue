<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import { useDue } from '../routines/useDue'
import { useLive } from '../shell/live'
import { oneAtATime } from '../shell/oneAtATime'
import { useShop } from '../shell/shop'
import { clock, minutes } from '../units/format'

/** What the coming days hold, and what closed days ask for before they begin. */
const { settings } = useShop()
const zone = computed(() => settings.value?.zone ?? 'UTC')
const week = shallowRef<Schemas['WeekJson']>()
const problem = ref<Problem>()
const machines = shallowRef<Schemas['StationJson'][]>([])

async function load() {
  const [{ data, error }, round] = await Promise.all([api.GET('/api/week'), api.GET('/api/round')])
  if (data) week.value = data
  if (round.data) machines.value = round.data.machines
  problem.value = error ? problemOf(error) : undefined
}
onMounted(load)
useLive(() => ['worked-out/', 'round', 'hob', 'machine/', 'card/', 'shop'], load)

const due = useDue()
/** Of each kind of ink with several machines, which could print soonest. */
const takers = computed(() => {
  const families = new Map<string, Schemas['DueJson'][]>()
  for (const d of Object.values(due.value))
    if (d.family && d.revival !== undefined) families.set(d.family, [...(families.get(d.family) ?? []), d])
  return [...families]
    .filter(([, all]) => all.length > 1)
    .map(([family, all]) => ({ family, machines: all.sort((a, b) => (a.revival ?? 0) - (b.revival ?? 0)) }))
})
const dayName = (day: string) =>
  new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'short', timeZone: 'UTC' }).format(
    new Date(`${day}T12:00:00Z`),
  )
const name = (id: number) => machines.value.find((m) => m.id === id)?.name ?? ''
const byMachine = (day: Schemas['DayAheadJson']) => {
  const groups = new Map<number, string[]>()
  for (const v of day.visits) groups.set(v.machine, [...(groups.get(v.machine) ?? []), v.title])
  return [...groups].map(([id, titles]) => ({ id, titles: [...new Set(titles)] }))
}

type Prepare = Schemas['PrepareJson']
const { run: prepare } = oneAtATime(async (p: Prepare) => {
  const { error } = await api.POST('/api/machines/{machine}/owed', {
    params: { path: { machine: p.machine } },
    body: { words: p.words, why: 'before the shop closes', inDays: Math.max(0, daysTo(p.day)) },
  })
  problem.value = error ? problemOf(error) : undefined
  await load()
})
const daysTo = (day: string) =>
  Math.round((Date.parse(`${day}T12:00:00Z`) - Date.parse(`${week.value?.days[0]?.day}T12:00:00Z`)) / 86_400_000)
/** In a hand, a day is a line or two until it is opened. */
const narrow = window.matchMedia('(max-width: 700px)').matches
/** What is longer than a look takes is opened by whoever wants it. */
const folds = (list: unknown[]) => narrow || list.length > 40
</script>

<template>
  <div class="page">
    <header class="head">
      <h1>The week</h1>
      <p v-if="week" class="quiet small">as of {{ clock(week.now, zone) }}</p>
      <RouterLink class="btn btn-outline-secondary" to="/round">Today’s round</RouterLink>
    </header>
    <p v-if="problem" class="notice" role="alert">{{ problem.detail }}</p>
    <p v-if="!week" class="quiet loading">Looking ahead …</p>
    <template v-else>
      <p v-for="f in takers" :key="f.family" class="small takers">
        A new job in {{ f.family }}:
        <template v-for="(m, i) in f.machines" :key="m.machine"
          ><template v-if="i">, </template><b v-if="!i">{{ m.name }}</b
          ><template v-else>{{ m.name }}</template> fit in {{ minutes(m.revival ?? 0) }}</template
        >
      </p>
      <div v-for="pad in week.pads" :key="pad.machine" class="notice">
        <div>
          <b>{{ pad.name }}</b>
          <p v-for="words in pad.wontFit" :key="words" class="small">{{ words }}</p>
        </div>
      </div>
      <div class="days">
        <section v-for="(d, i) in week.days" :key="d.day" class="thin day" :class="{ closed: !d.open }">
          <h2>{{ i === 0 ? 'Today' : dayName(d.day) }}</h2>
          <p v-if="!d.open && !d.visits.length" class="quiet small">
            {{ i === 0 ? 'Nobody is here any more.' : 'Closed.' }}
          </p>
          <p v-else-if="!d.visits.length" class="quiet small">Nothing is due.</p>
          <template v-else>
            <div class="load" role="img" :aria-label="`${minutes(d.hands)} of ${minutes(d.capacity)}`">
              <span :style="{ width: `${Math.min(100, (100 * d.hands) / Math.max(1, d.capacity))}%` }" />
            </div>
            <p class="small quiet">
              {{ minutes(d.hands) }} of hands<template v-if="d.finish">, done by {{ clock(d.finish, zone) }}</template>
            </p>
            <component :is="folds(d.visits) ? 'details' : 'div'" :class="{ fold: folds(d.visits) }">
              <summary v-if="folds(d.visits)">What is due: {{ d.visits.length }} visits</summary>
              <p v-for="m in byMachine(d)" :key="m.id" class="small">
                <b>{{ name(m.id) }}</b> {{ m.titles.join(' · ') }}
              </p>
            </component>
          </template>
          <p v-for="p in d.promises" :key="p.id" class="small promised">
            {{ clock(p.at, zone) }} <b>{{ name(p.machine) }}</b> {{ p.words }}
            <b v-if="!p.kept" class="act">not fit by then</b>
          </p>
          <component
            :is="folds(d.left) ? 'details' : 'div'"
            v-if="d.open && d.left.length"
            :class="{ fold: folds(d.left) }"
          >
            <summary v-if="folds(d.left)" class="act">{{ d.left.length }} will not fit</summary>
            <p v-for="l in d.left" :key="l.key" class="small">
              <b class="act">Not that day:</b> {{ name(l.machine) }}, {{ l.title }}: {{ l.why }}
            </p>
          </component>
        </section>
      </div>
      <section
        v-for="a in week.absences.filter((x) => x.prepare.length)"
        :key="a.lastOpen"
        class="notice absence"
        :aria-label="`Before the shop closes on ${dayName(a.lastOpen)}`"
      >
        <div>
          <h2>
            Before {{ a.days === 1 ? 'the closed day' : `${a.days} closed days` }} after {{ dayName(a.lastOpen) }}
          </h2>
          <p class="small quiet">The shop opens again on {{ dayName(a.opens) }}.</p>
          <component :is="folds(a.prepare) ? 'details' : 'div'" :class="{ fold: folds(a.prepare) }">
            <summary v-if="folds(a.prepare)">{{ a.prepare.length }} things to prepare</summary>
            <ul>
              <li v-for="p in a.prepare" :key="`${p.machine}${p.words}`">
                <span
                  ><b>{{ p.name }}</b> {{ p.words }}</span
                >
                <RouterLink
                  v-if="p.park"
                  class="btn btn-outline-secondary btn-sm"
                  :to="`/changeover?machine=${p.machine}&for=PARK`"
                  >Plan it</RouterLink
                >
                <span v-else-if="p.onList" class="small strong listed">on the list</span>
                <BButton v-else size="sm" variant="outline-secondary" @click="prepare(p)">Put it on the list</BButton>
              </li>
            </ul>
          </component>
        </div>
      </section>
    </template>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  gap: 18px;
  align-items: center;
  margin-bottom: 16px;
}
.head .btn {
  margin-left: auto;
}
.absence ul {
  list-style: none;
  padding: 0;
  margin: 8px 0 0;
}
.absence li {
  display: flex;
  gap: 14px;
  justify-content: space-between;
  align-items: center;
  padding: 6px 0;
}
.takers {
  margin: 0 0 8px;
}
.absence {
  margin-top: 22px;
}
.absence .btn,
.listed {
  flex: none;
}
.absence > div {
  flex: 1;
}
.days {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(290px, 1fr));
  gap: 18px;
  margin-top: 18px;
}
.day {
  padding: 14px 16px;
}
.day.closed {
  background: none;
}
.day p {
  margin: 4px 0;
}
.load {
  height: 10px;
  border-radius: 5px;
  background: var(--wash);
  margin: 8px 0 4px;
}
.load span {
  display: block;
  height: 100%;
  border-radius: 5px;
  background: var(--rim);
}
.promised {
  background: var(--warm);
  border-radius: 8px;
  padding: 4px 8px;
}
</style>
