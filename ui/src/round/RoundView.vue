<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, problemOf } from '../api/client'
import { oneAtATime } from '../shell/oneAtATime'
import { person } from '../shell/person'
import { useShop } from '../shell/shop'
import { clock, minutes } from '../units/format'
import RoundLine from './RoundLine.vue'
import SomethingElse from './SomethingElse.vue'
import VisitList from './VisitList.vue'
import WhoIsHere from './WhoIsHere.vue'
import { useRound, useWalk, type Visit } from './useRound'

const { round, problem, busy, reload, begin, letGo, tick, pin, there } = useRound()
const { settings } = useShop()
const zone = computed(() => settings.value?.zone ?? 'UTC')
const router = useRouter()
const refused = ref<string>()
const { run: stepwise } = oneAtATime(async (v: Visit) => {
  const { data, error } = await api.POST('/api/machines/{machine}/routines/{routine}/card', {
    params: { path: { machine: v.machine, routine: v.routine } },
    body: { channels: v.channels },
  })
  refused.value = error ? problemOf(error).detail : undefined
  if (data) void router.push(`/cards/${data.card}`)
})
const everybody = ref(false)
const chosen = ref<string>()
const something = ref(false)
const who = ref(false)

const mine = computed(() => !everybody.value && round.value?.visits.some((v) => v.person === person.value))
const { visits, next } = useWalk(
  () => round.value,
  () => (mine.value ? person.value : undefined),
)
const weekday = computed(() =>
  round.value
    ? new Intl.DateTimeFormat('en-GB', { weekday: 'long', timeZone: 'UTC' }).format(
        new Date(`${round.value.day}T12:00:00Z`),
      )
    : '',
)
const broken = computed(() => round.value?.promises.filter((p) => !p.kept) ?? [])
const name = (id: number) => round.value?.machines.find((m) => m.id === id)?.name ?? ''
const others = computed(() =>
  round.value?.people.some((p) => p.id !== person.value && round.value?.visits.some((v) => v.person === p.id)),
)
const pinned = (visit: Visit, at: string) => void pin(visit.key, at, visit.person)
</script>

<template>
  <div class="page">
    <p v-if="problem && !round" class="notice" role="alert">
      <span>{{ problem.detail }} <BButton variant="link" size="sm" @click="reload">Try again</BButton></span>
    </p>
    <p v-else-if="!round" class="quiet loading">Planning the round …</p>
    <template v-else>
      <header class="head">
        <h1>{{ weekday }}’s round</h1>
        <span v-if="round.visits.length" class="tag"
          >{{ minutes(round.hands) }} of hands<template v-if="round.finish"
            >, done by {{ clock(round.finish, zone) }}</template
          ></span
        >
        <span v-if="round.promises.length" class="tag" :class="{ 'act strong': broken.length }">{{
          broken.length
            ? `${broken.length} of ${round.promises.length} promises cannot be kept`
            : `${round.promises.length} ${round.promises.length === 1 ? 'promise' : 'promises'} kept`
        }}</span>
        <span class="ways">
          <BButton variant="outline-secondary" @click="something = true">Something else</BButton>
          <BButton variant="outline-secondary" @click="who = true">I have only …</BButton>
          <RouterLink class="btn btn-outline-secondary" to="/round/week">The week</RouterLink>
          <a class="btn btn-outline-secondary" href="/api/round/sheet" target="_blank">Print</a>
        </span>
      </header>
      <p v-if="problem" class="notice" role="alert">{{ problem.detail }}</p>

      <section v-if="!round.visits.length" class="plate empty">
        <h2>{{ round.left.length ? 'Nobody is here to walk' : 'Nothing is due' }}</h2>
        <p v-if="round.left.length" class="quiet">
          {{ round.left.length }} {{ round.left.length === 1 ? 'thing waits' : 'things wait' }}. Say who is here, or
          come back when the shop opens.
        </p>
        <p v-else class="quiet">Every machine is looked after. The week shows what comes.</p>
        <BButton v-if="round.left.length" variant="primary" @click="who = true">Somebody is here</BButton>
      </section>

      <div v-else class="columns">
        <section class="list" aria-label="The walk">
          <div class="list-head">
            <h2>{{ mine ? 'Your walk' : 'The walk' }}</h2>
            <BButton v-if="others || everybody" size="sm" variant="link" @click="everybody = !everybody">{{
              mine ? 'Everybody’s' : 'Mine alone'
            }}</BButton>
          </div>
          <p v-if="refused" class="act strong small" role="alert">{{ refused }}</p>
          <VisitList
            :round="round"
            :visits="visits"
            :next="next"
            :zone="zone"
            :busy="busy"
            :chosen="chosen"
            @choose="chosen = $event"
            @begin="begin($event.key)"
            @let-go="letGo($event.key)"
            @tick="(v, whole, took) => tick(v.key, took, whole)"
            @unpin="pin($event.key)"
            @stepwise="stepwise"
          />
          <p v-if="round.visits.some((v) => v.gloves === 'SUBLIMATION')" class="small quiet">
            Last thing: transfer paper back into its bag, closed.
          </p>
        </section>
        <section class="wide" aria-label="Time line">
          <RoundLine :round="round" :zone="zone" :chosen="chosen" @choose="chosen = $event" @pin="pinned" />
          <p class="quiet small hint">
            Solid: hands. Hatched: the machine by itself. Dotted: rest. Drag a visit to pin it to a time.
            <template v-if="!round.settled">A better order is being looked for …</template>
          </p>
        </section>
      </div>

      <div class="below">
        <section v-if="round.left.length && round.visits.length">
          <h2>Does not fit today</h2>
          <p v-for="l in round.left" :key="l.key" class="small">
            <b>{{ name(l.machine) }}: {{ l.title }}</b> ({{ l.hands }} min): {{ l.why }}. {{ l.risk }}
          </p>
        </section>
        <section v-if="round.promises.length">
          <h2>Promised</h2>
          <p v-for="p in round.promises" :key="p.id" class="small">
            <b>{{ name(p.machine) }}</b> {{ p.words }}, {{ clock(p.at, zone) }} for {{ minutes(p.minutes) }}
            <b v-if="!p.kept" class="act">it will not be fit by then</b>
          </p>
        </section>
        <section v-if="round.done.length">
          <h2>Done today</h2>
          <p v-for="d in [...round.done].reverse()" :key="d.key + d.at" class="small">
            {{ clock(d.at, zone) }} <b>{{ d.machine }}</b> {{ d.title }}, {{ d.took }} min<template
              v-if="d.took !== d.planned"
            >
              (planned {{ d.planned }})</template
            >
          </p>
        </section>
      </div>
      <SomethingElse v-model="something" :round="round" @done="reload" />
      <WhoIsHere v-model="who" :round="round" :zone="zone" :busy="busy" @there="there" />
    </template>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  gap: 12px 18px;
  align-items: center;
  flex-wrap: wrap;
  margin-bottom: 16px;
}
.ways {
  margin-left: auto;
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
}
.columns {
  display: grid;
  grid-template-columns: 390px minmax(0, 1fr);
  gap: 26px;
  align-items: start;
}
.list-head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  min-height: 44px;
}
.list {
  padding: 0 3px;
}
.wide {
  padding: 6px;
  position: sticky;
  top: 8px;
}
.hint {
  margin: 12px 4px 0;
}
.empty {
  max-width: 560px;
  margin: 6vh auto;
  padding: 26px;
}
.below {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
  gap: 26px;
  margin-top: 26px;
}
.below p {
  margin: 6px 0;
}
@media (max-width: 1000px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
  .wide {
    position: static;
  }
}
@media (max-width: 600px) {
  .wide {
    display: none;
  }
  .ways {
    margin-left: 0;
    width: 100%;
  }
  .ways .btn {
    flex: 1 1 40%;
  }
}
</style>
