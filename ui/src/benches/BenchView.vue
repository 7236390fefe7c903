<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed } from 'vue'
import RoomPlate from '../climate/RoomPlate.vue'
import { useDue } from '../routines/useDue'
import SimulatedBench from '../shell/SimulatedBench.vue'
import { useShop } from '../shell/shop'
import MachineLine from './MachineLine.vue'
import MachinePlate from './MachinePlate.vue'
import { actionFor, wants } from './attention'
import { useBench } from './useBench'

const { bench, problem, reload } = useBench()
const due = useDue()
const { settings } = useShop()
const zone = computed(() => settings.value?.zone ?? 'UTC')

const benches = computed(() =>
  (bench.value?.benches ?? [])
    .map((name) => ({ name, machines: (bench.value?.machines ?? []).filter((m) => m.bench === name) }))
    .filter((b) => b.machines.length)
    .map((b) => ({ ...b, wanting: b.machines.filter(wants).length })),
)
/** A shop with more than two benches can hold is told in lines: plates would be ten screens of them. */
const many = computed(() => (bench.value?.machines.length ?? 0) > 16)
const narrow = window.matchMedia('(max-width: 700px)').matches
/** Among equals white comes first: nothing settles sooner. */
const white = (m: { channels: { code: string }[] }) => Number(m.channels.some((c) => c.code.startsWith('W')))
const waiting = computed(() =>
  [...(bench.value?.machines ?? [])]
    .filter((m) => m.attention.kind !== 'NOTHING')
    .sort((a, b) => b.attention.urgency - a.attention.urgency || white(b) - white(a)),
)
const dueNow = computed(() => Object.values(due.value).reduce((sum, d) => sum + d.now, 0))
const first = computed(() => waiting.value[0])
const then = computed(() => waiting.value.slice(1, 6))
</script>

<template>
  <div class="page bench">
    <p v-if="problem && !bench" class="notice" role="alert">
      <span>{{ problem.detail }} <BButton variant="link" size="sm" @click="reload">Try again</BButton></span>
    </p>
    <p v-else-if="!bench" class="quiet loading">Looking round the benches …</p>

    <section v-else-if="!bench.machines.length" class="plate welcome">
      <div class="small strong act">First thing · 2 min</div>
      <h1>Put your first machine on the bench</h1>
      <p class="quiet">
        Say what it is like and what is in it, and look at its nozzles once. From then on Fair Kettle reckons with you.
      </p>
      <RouterLink to="/machines/new" class="btn btn-primary btn-lg">Add a machine</RouterLink>
    </section>

    <div v-else class="columns">
      <section aria-label="First thing">
        <div v-if="first" class="plate first">
          <div class="small strong act">First thing</div>
          <h1>{{ first.name }}: {{ first.attention.words }}</h1>
          <p class="quiet">{{ first.attention.why }}</p>
          <RouterLink :to="actionFor(first).to" class="btn btn-primary btn-lg">{{ actionFor(first).label }}</RouterLink>
        </div>
        <div v-else class="plate first">
          <h1>All is well</h1>
          <p class="quiet">Every machine was looked at, is filled and whole.</p>
        </div>
        <RouterLink v-if="dueNow" to="/round" class="btn btn-outline-secondary round-way"
          >{{ dueNow }} {{ dueNow === 1 ? 'routine' : 'routines' }} due: walk the round</RouterLink
        >
        <div v-if="then.length" class="then">
          <h2>Then</h2>
          <ol>
            <li v-for="machine in then" :key="machine.id">
              <RouterLink :to="actionFor(machine).to">
                <span
                  ><b>{{ machine.name }}</b> {{ machine.attention.words }}</span
                >
                <span class="small quiet">{{ machine.attention.why }}</span>
              </RouterLink>
            </li>
          </ol>
        </div>
        <RouterLink to="/machines/new" class="btn btn-outline-secondary mt-3">Add a machine</RouterLink>
      </section>
      <section aria-label="Benches">
        <component
          :is="many && narrow ? 'details' : 'div'"
          v-for="row in benches"
          :key="row.name"
          class="board"
          :class="{ fold: many && narrow }"
        >
          <component :is="many && narrow ? 'summary' : 'header'">
            <h2>{{ row.name }}</h2>
            <span class="quiet small"
              >{{ row.machines.length }} {{ row.machines.length === 1 ? 'machine' : 'machines' }}</span
            >
            <span v-if="many && row.wanting" class="small strong"
              >{{ row.wanting }} {{ row.wanting === 1 ? 'wants' : 'want' }} you</span
            >
          </component>
          <div v-if="many" class="row-of-lines">
            <MachineLine v-for="machine in row.machines" :key="machine.id" :machine="machine" />
          </div>
          <div v-else class="row-of-plates">
            <MachinePlate
              v-for="machine in row.machines"
              :key="machine.id"
              :machine="machine"
              :due="due[machine.id]"
              :zone="zone"
            />
          </div>
        </component>
        <RoomPlate :zone="zone" />
        <SimulatedBench class="mt-3" />
      </section>
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 310px minmax(0, 1fr);
  gap: 26px;
}
.welcome {
  max-width: 560px;
  margin: 8vh auto;
  padding: 30px;
}
.first {
  padding: 20px;
}
.first h1,
.welcome h1 {
  margin: 6px 0 8px;
  font-size: 1.55rem;
}
.round-way {
  margin-top: 18px;
  width: 100%;
}
.then {
  margin-top: 20px;
}
.then ol {
  list-style: none;
  padding: 0;
  margin: 8px 0 0;
}
.then a {
  display: flex;
  flex-direction: column;
  padding: 9px 0;
  border-top: 1.5px solid var(--line);
  color: var(--text);
  text-decoration: none;
}
.then a:hover b {
  text-decoration: underline;
}
.board {
  margin-bottom: 22px;
}
.board.fold {
  margin-bottom: 4px;
}
.board header {
  display: flex;
  gap: 12px;
  align-items: baseline;
  margin: 0 2px 14px;
}
.row-of-plates {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
  gap: 20px;
  padding: 0 4px 9px;
  border-bottom: 9px solid var(--wood);
  border-radius: 0 0 3px 3px;
}
.row-of-lines {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(270px, 1fr));
  gap: 8px 12px;
  padding: 0 4px 9px;
  border-bottom: 9px solid var(--wood);
  border-radius: 0 0 3px 3px;
}
summary h2 {
  display: inline;
  margin-right: 10px;
}
summary span {
  margin-right: 10px;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
