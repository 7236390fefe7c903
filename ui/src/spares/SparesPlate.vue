<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, reactive, ref, shallowRef, watch } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import { useBench } from '../benches/useBench'
import FieldProblem from '../shell/FieldProblem.vue'
import { useLive } from '../shell/live'
import { oneAtATime } from '../shell/oneAtATime'
import { money } from '../units/format'
import { numberOf } from '../units/typed'
import TextInput from '../shell/TextInput.vue'
import Choice from '../shell/Choice.vue'

/** Where a part can be had: from a machine that gives parts, out of the bin, off the shelf, bought last. */
defineProps<{ currency: string }>()

const { bench } = useBench()
const wanted = ref('')
const sources = shallowRef<Schemas['SourcesJson']>()
const problem = ref<Problem>()
const adding = ref<'spare' | 'donor'>()
const spare = reactive({ what: '', fits: '', count: '1', origin: '', noOther: false })
const donor = reactive({ machine: 0, words: '' })
const machines = computed(() => (bench.value?.machines ?? []).map((m) => ({ value: m.id, text: m.name })))

async function load() {
  const { data } = await api.GET('/api/spares', { params: { query: { wanted: wanted.value } } })
  if (data) sources.value = data
}
watch(wanted, load, { immediate: true })
useLive(() => ['shelf'], load)

async function settle({ error }: { error?: unknown }) {
  problem.value = error ? problemOf(error) : undefined
  if (!error) {
    adding.value = undefined
    await load()
  }
}
const { run: keep, busy } = oneAtATime(async () => {
  await settle(await api.POST('/api/spares', { body: { ...spare, count: Math.round(numberOf(spare.count)) } }))
  if (!problem.value) Object.assign(spare, { what: '', fits: '', count: '1', origin: '', noOther: false })
})
const { run: take } = oneAtATime(async (id: number) =>
  settle(await api.POST('/api/spares/{spare}/taken', { params: { path: { spare: id } }, body: { whereTo: '' } })),
)
const { run: gives } = oneAtATime(async () =>
  settle(
    await api.PUT('/api/donors/{machine}', {
      params: { path: { machine: donor.machine } },
      body: { words: donor.words },
    }),
  ),
)
const { run: keeps } = oneAtATime(async (machine: number) =>
  settle(await api.DELETE('/api/donors/{machine}', { params: { path: { machine } } })),
)
</script>

<template>
  <section id="spares">
    <div class="title">
      <h2>Parts bin and donors</h2>
      <TextInput v-model="wanted" type="search" placeholder="Which part?" aria-label="Which part?" />
      <BButton size="sm" variant="outline-secondary" @click="adding = 'spare'">Into the bin</BButton>
      <BButton size="sm" variant="outline-secondary" @click="adding = 'donor'">A machine gives parts</BButton>
    </div>
    <form v-if="adding === 'spare'" class="thin block" novalidate @submit.prevent="keep">
      <div class="pair">
        <div>
          <label for="spare-what">What is it?</label><TextInput id="spare-what" v-model="spare.what" />
          <FieldProblem :problem="problem" field="what" />
        </div>
        <div>
          <label for="spare-fits">Fits which machines?</label><TextInput id="spare-fits" v-model="spare.fits" />
        </div>
        <div>
          <label for="spare-count">How many?</label
          ><TextInput id="spare-count" v-model="spare.count" inputmode="numeric" />
          <FieldProblem :problem="problem" field="count" />
        </div>
        <div><label for="spare-origin">Saved from</label><TextInput id="spare-origin" v-model="spare.origin" /></div>
      </div>
      <label class="check"><input v-model="spare.noOther" type="checkbox" /> it cannot be bought</label>
      <BButton type="submit" variant="outline-secondary" :disabled="busy">Keep it</BButton>
      <BButton variant="link" @click="adding = undefined">Not now</BButton>
    </form>
    <form v-if="adding === 'donor'" class="thin block" novalidate @submit.prevent="gives">
      <label for="donor-machine">Which machine?</label>
      <Choice id="donor-machine" v-model="donor.machine" :options="machines" />
      <label for="donor-words">What has it still, what not?</label>
      <TextInput id="donor-words" v-model="donor.words" placeholder="all but its trays; no head" />
      <FieldProblem :problem="problem" field="words" />
      <BButton type="submit" variant="outline-secondary" class="mt-2" :disabled="busy || !donor.machine"
        >It gives parts</BButton
      >
      <BButton variant="link" class="mt-2" @click="adding = undefined">Not now</BButton>
    </form>
    <p v-if="problem && !adding" class="act strong small" role="alert">{{ problem.detail }}</p>
    <ul v-if="sources" class="lines">
      <li v-for="d in sources.donors" :key="`d${d.machine}`">
        <span
          ><b>{{ d.name }}</b> gives parts: {{ d.words }} <span class="quiet small">{{ d.profile }}</span></span
        >
        <BButton size="sm" variant="link" @click="keeps(d.machine)">It keeps them</BButton>
      </li>
      <li v-for="s in sources.bin" :key="s.id">
        <span
          >{{ s.count }} × {{ s.what }} <b v-if="s.noOther" class="act small">no other exists</b>
          <span class="quiet small where">{{
            [s.fits, s.origin && `from ${s.origin}`].filter(Boolean).join('; ')
          }}</span></span
        >
        <BButton size="sm" variant="outline-secondary" @click="take(s.id)">Take one</BButton>
      </li>
      <li v-for="l in sources.shelf" :key="l.what">
        <span>{{ l.label }}: {{ l.count ? `${l.count} on the shelf` : 'none on the shelf' }}</span>
        <span class="quiet small">to buy: {{ money({ minor: l.price, currency }) }}</span>
      </li>
    </ul>
    <p v-if="sources && !sources.donors.length && !sources.bin.length && !sources.shelf.length" class="quiet small">
      {{ wanted ? `Nothing in the house is called “${wanted}”.` : 'The bin is empty, and no machine gives parts.' }}
    </p>
  </section>
</template>

<style scoped>
section {
  margin-top: 28px;
}
.title {
  display: flex;
  gap: 12px;
  align-items: center;
  flex-wrap: wrap;
}
.title h2 {
  margin-right: auto;
}
.title input {
  width: 220px;
}
.block {
  padding: 12px 16px;
  margin: 10px 0;
}
.pair {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 12px;
}
.where {
  display: block;
}
</style>
