<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, reactive, ref } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import { useServer } from '../api/useServer'
import FieldProblem from '../shell/FieldProblem.vue'
import { oneAtATime } from '../shell/oneAtATime'
import { useShop } from '../shell/shop'
import TextInput from '../shell/TextInput.vue'
import { dateOf, day, dayAndTime, money, typedVolume, volume, type VolumeUnit } from '../units/format'
import Choice from '../shell/Choice.vue'
import { BOTTLE_KINDS, bottleKind } from './bottleKinds'
import ShelfParts from './ShelfParts.vue'

/** The way of a bottle: every machine and print that it reached, and what is left of it. */
const props = defineProps<{ id: number }>()
const { settings } = useShop()
const unit = computed(() => (settings.value?.volumeUnit ?? 'mL') as VolumeUnit)
const zone = computed(() => settings.value?.zone ?? 'UTC')
const {
  data: bottle,
  problem,
  reload,
} = useServer(
  () => ['recall', props.id],
  () => api.GET('/api/shelf/lots/{lot}/recall', { params: { path: { lot: props.id } } }),
  () => ['shelf', 'machine/', 'card/'],
)
const weighing = ref(false)
const refused = ref<Problem>()
const form = reactive({ holds: '', why: '' })
const { run: weigh, busy } = oneAtATime(async () => {
  const { error } = await api.POST('/api/shelf/lots/{lot}/counted', {
    params: { path: { lot: props.id } },
    body: { holds: Number(typedVolume(form.holds, unit.value) ?? Number.NaN), why: form.why },
  })
  refused.value = error ? problemOf(error) : undefined
  if (error) return
  weighing.value = false
  await reload()
})
const pouring = ref(false)
const into = ref<NonNullable<Schemas['Lot']['kind']>>('KEYED_VALVE')
const saved = ref<Schemas['Money']>()
const { run: pour, busy: poured } = oneAtATime(async () => {
  const { data, error } = await api.POST('/api/shelf/lots/{lot}/poured-over', {
    params: { path: { lot: props.id } },
    body: { into: into.value },
  })
  refused.value = error ? problemOf(error) : undefined
  if (!data) return
  saved.value = data.saved
  pouring.value = false
  await reload()
})
const holding = computed(() => bottle.value?.reached.filter((r) => r.holds > 0) ?? [])
</script>

<template>
  <div class="page">
    <h1>Shelf</h1>
    <ShelfParts />
    <p v-if="problem" class="notice" role="alert">{{ problem.detail }}</p>
    <p v-else-if="!bottle" class="quiet loading">Following the bottle …</p>
    <template v-else>
      <h2>{{ bottle.code }} · {{ bottle.family }} {{ bottle.channel ?? 'fluid' }}, {{ bottle.make }}</h2>
      <p v-if="bottle.spoiled" class="notice"><b>Marked bad:</b>&nbsp;{{ bottle.spoiled }}</p>
      <p class="facts">
        <span
          ><b>{{ volume(bottle.left, unit) }}</b> left in it</span
        >
        <span>{{ bottle.openedOn ? `opened ${dateOf(bottle.openedOn)}` : 'closed' }}</span>
        <span v-if="bottle.kind">{{ bottleKind(bottle.kind) }}</span>
        <span v-if="bottle.bestBefore">best before {{ dateOf(bottle.bestBefore) }}</span>
        <span v-for="w in bottle.went" :key="w.cause">{{ volume(w.mL, unit) }} {{ w.cause }}</span>
      </p>
      <p v-if="saved && saved.minor > 0" class="small" role="status">
        That is <b>{{ money(saved) }}</b> less than bottles of that kind, bought full.
      </p>
      <div v-if="!weighing && !pouring" class="acts">
        <BButton variant="outline-secondary" @click="weighing = true">It was weighed or measured</BButton>
        <BButton v-if="!bottle.spoiled && bottle.left > 0" variant="outline-secondary" @click="pouring = true"
          >Poured into another bottle</BButton
        >
      </div>
      <form v-else-if="pouring" class="thin row-form weigh" novalidate @submit.prevent="pour">
        <p class="small">
          Only into a bottle that held this ink and this colour, or was rinsed and is dry. Write code, ink and today’s
          date on it: it stays this lot, with this date.
        </p>
        <label for="into">It is now in a</label>
        <Choice id="into" v-model="into" :options="BOTTLE_KINDS" />
        <FieldProblem :problem="refused" field="into" />
        <BButton type="submit" variant="primary" :disabled="poured">It was poured over</BButton>
        <BButton variant="link" @click="pouring = false">Not now</BButton>
        <span v-if="refused && !refused.errors?.length" class="act strong" role="alert">{{ refused.detail }}</span>
      </form>
      <form v-else class="thin row-form weigh" novalidate @submit.prevent="weigh">
        <label for="holds">It holds, {{ unit }}</label>
        <TextInput id="holds" v-model="form.holds" inputmode="decimal" />
        <FieldProblem :problem="refused" field="holds" />
        <label for="why">why it differs</label>
        <TextInput id="why" v-model="form.why" placeholder="spilled" />
        <FieldProblem :problem="refused" field="why" />
        <BButton type="submit" variant="primary" :disabled="busy">It is so much</BButton>
        <BButton variant="link" @click="weighing = false">Not now</BButton>
        <span v-if="refused && !refused.errors?.length" class="act strong" role="alert">{{ refused.detail }}</span>
        <RouterLink to="/sums" class="small">From its weight: Sums</RouterLink>
      </form>
      <p v-if="!bottle.channel" class="quiet">
        Fluid is one for all: its bottles run together in the account, and whose was used where cannot be told.
      </p>
      <p v-else-if="!bottle.reached.length" class="quiet">Nothing has been filled from it yet.</p>
      <template v-else>
        <section>
          <h3>Machines that drank from it</h3>
          <p v-if="holding.length" class="strong">
            Still in {{ holding.map((r) => `${r.name} ${r.channel}`).join(', ') }}.
          </p>
          <p v-else>None of it is in a machine any more.</p>
          <div class="scroll-x" tabindex="0" role="region" aria-label="Machines">
            <table class="figures cards">
              <thead>
                <tr>
                  <th>machine</th>
                  <th>poured</th>
                  <th>in it now</th>
                  <th>from</th>
                  <th>to</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="r in bottle.reached" :key="`${r.machine} ${r.channel}`">
                  <td>
                    <RouterLink :to="`/machines/${r.machine}/ink`">{{ r.name }}</RouterLink> <b>{{ r.channel }}</b>
                  </td>
                  <td data-th="poured">{{ volume(r.poured, unit) }}</td>
                  <td data-th="in it now">
                    <b>{{ volume(r.holds, unit) }}</b>
                  </td>
                  <td data-th="from">{{ day(r.first, zone) }}</td>
                  <td data-th="to">{{ day(r.last, zone) }}</td>
                </tr>
              </tbody>
            </table>
          </div>
        </section>
        <section>
          <h3>Sheets that carried it: {{ bottle.printsInAll }}</h3>
          <p v-if="!bottle.prints.length" class="quiet">No sheet carried it.</p>
          <ol class="prints">
            <li v-for="p in bottle.prints" :key="p.entry">
              <span class="quiet small">{{ dayAndTime(p.at, zone) }}</span> {{ p.words }}
            </li>
          </ol>
          <p v-if="bottle.printsInAll > bottle.prints.length" class="small quiet">
            The newest {{ bottle.prints.length }} of {{ bottle.printsInAll }}.
          </p>
          <RouterLink :to="{ path: '/log', query: { lot: id } }">All that was done with it</RouterLink>
        </section>
      </template>
    </template>
  </div>
</template>

<style scoped>
.facts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
}
h2,
h3 {
  margin-bottom: 8px;
}
section {
  margin-bottom: 22px;
}
.weigh p {
  flex-basis: 100%;
  margin: 0;
}
.acts {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
}
.weigh {
  padding: 12px 16px;
  align-items: center;
  margin-bottom: 16px;
}
.prints {
  list-style: none;
  padding: 0;
  margin: 0 0 8px;
}
.prints li {
  border-top: 1.5px solid var(--line);
  padding: 6px 0;
}
</style>
