<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, onMounted, reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import SecondHand from './SecondHand.vue'
import SimilarMachines from './SimilarMachines.vue'
import WhatItCan from './WhatItCan.vue'
import FieldProblem from '../shell/FieldProblem.vue'
import { oneAtATime } from '../shell/oneAtATime'
import { FAMILIES } from '../units/families'
import { volume } from '../units/format'
import TextInput from '../shell/TextInput.vue'
import Choice from '../shell/Choice.vue'
import MachineDrawing from '../drawings/MachineDrawing.vue'
import NumberInput from '../shell/NumberInput.vue'

const FEEDS: { value: NonNullable<Schemas['NewMachineJson']['feed']>; text: string }[] = [
  { value: 'AS_BUILT', text: 'the maker’s cartridges' },
  { value: 'REFILLABLE', text: 'refillable cartridges' },
  { value: 'BULK', text: 'a bulk feed' },
]
const router = useRouter()
const profiles = ref<Schemas['ProfileJson'][]>([])
const benches = ref<string[]>([])
const problem = ref<Problem>()
const form = reactive({
  name: '',
  bench: '',
  profile: '',
  holds: 'INKED' as 'INKED' | 'NEVER_INKED' | 'UNKNOWN',
  family: 'MAKERS_DYE' as Schemas['NewMachineJson']['family'],
  make: '',
  feed: 'AS_BUILT' as NonNullable<Schemas['NewMachineJson']['feed']>,
  tank: 70,
})

onMounted(async () => {
  const [known, bench] = await Promise.all([api.GET('/api/profiles'), api.GET('/api/bench')])
  profiles.value = known.data ?? []
  benches.value = bench.data?.benches ?? []
  form.bench = benches.value[0] ?? 'Window bench'
})
const noneOfThese = ref(false)
const notes = ref('')
const differs = ref('')
function nearest(profile: string, words: string) {
  form.profile = profile
  differs.value = words
}
/** What was found out before it joined goes with it. */
async function keepWords(data: Schemas['MachineJson']) {
  const path = { machine: data.plate.id }
  if (differs.value && form.profile === data.profile)
    await api.PUT('/api/machines/{machine}/passport/{fact}', {
      params: { path: { ...path, fact: 'DIFFERS' } },
      body: { words: differs.value.slice(0, 400) },
    })
  if (notes.value && form.holds === 'UNKNOWN')
    await api.PUT('/api/machines/{machine}/papers', {
      params: { path, header: { 'If-Match': data.version } },
      body: { ...data.papers, notes: notes.value },
    })
}
const VESSELS: [string, string][] = [
  ['cartridge', 'cartridges'],
  ['machine with bags', 'bags'],
  ['film', 'bottles'],
]
const vessels = computed(() => VESSELS.find(([like]) => chosen.value?.architecture.startsWith(like))?.[1] ?? 'tanks')
const chosen = computed(() => profiles.value.find((p) => p.id === form.profile))

const { run: save, busy: saving } = oneAtATime(async () => {
  const { data, error } = await api.POST('/api/machines', {
    body: {
      name: form.name,
      bench: form.bench,
      profile: form.profile,
      feed: chosen.value?.chips.length ? form.feed : undefined,
      holds: form.holds,
      family: form.holds === 'INKED' ? form.family : undefined,
      make: form.make || undefined,
      foodOnly: form.holds === 'INKED' && form.family === 'EDIBLE',
      tankShare: form.holds === 'NEVER_INKED' ? 0 : form.tank / 100,
    },
  })
  if (error) {
    problem.value = problemOf(error)
    return
  }
  await keepWords(data)
  await router.push(
    form.holds === 'NEVER_INKED' ? `/changeover?machine=${data.plate.id}` : `/machines/${data.plate.id}/checks#check`,
  )
})
</script>

<template>
  <div class="page narrow">
    <h1>Add a machine</h1>
    <p class="quiet">
      Three things: what it is like, what is in it, and – on the next page – a first look at its nozzles.
    </p>
    <form novalidate @submit.prevent="save">
      <fieldset>
        <legend>1 · What is it like?</legend>
        <p v-if="!profiles.length" class="quiet loading">Fetching the profiles …</p>
        <div class="profiles" role="radiogroup" aria-label="What is it like?">
          <label
            v-for="profile in profiles"
            :key="profile.id"
            class="thin choice drawn"
            :class="{ chosen: form.profile === profile.id }"
          >
            <span class="look">
              <input v-model="form.profile" type="radio" name="profile" :value="profile.id" />
              <MachineDrawing
                :architecture="profile.architecture"
                :channels="profile.channels"
                :sheet="profile.capable.largestSheet"
                :screen="profile.screen"
              />
            </span>
            <b>{{ profile.name }}</b>
            <span>
              <span class="small quiet"
                >{{ profile.architecture }} · {{ profile.channels.join(' ') }} · {{ volume(profile.firstVessel) }} each
                · {{ profile.capable.largestSheet }}, {{ profile.screen ? 'screen' : 'no screen'
                }}{{ profile.capable.padByUser ? ', pad changed by hand' : '' }}</span
              >
            </span>
          </label>
        </div>
        <FieldProblem :problem="problem" field="profile" />
        <WhatItCan v-if="chosen" :profile="chosen" />
        <BButton variant="link" class="px-0" :aria-expanded="noneOfThese" @click="noneOfThese = !noneOfThese"
          >It is none of these</BButton
        >
        <SimilarMachines v-if="noneOfThese" @chosen="nearest" />
        <div v-if="chosen?.chips.length" class="pair">
          <div>
            <label for="feed">What feeds it now?</label>
            <Choice id="feed" v-model="form.feed" :options="FEEDS" />
            <FieldProblem :problem="problem" field="feed" />
          </div>
        </div>
        <div class="pair">
          <div>
            <label for="name">Its name</label>
            <TextInput id="name" v-model="form.name" placeholder="Bramble" />
            <FieldProblem :problem="problem" field="name" />
          </div>
          <div>
            <label for="bench">Its bench</label>
            <TextInput id="bench" v-model="form.bench" list="benches" />
            <datalist id="benches"><option v-for="b in benches" :key="b" :value="b" /></datalist>
            <FieldProblem :problem="problem" field="bench" />
          </div>
        </div>
      </fieldset>
      <fieldset>
        <legend>2 · What is in it?</legend>
        <div class="profiles three" role="radiogroup" aria-label="What is in it?">
          <label class="thin choice" :class="{ chosen: form.holds === 'NEVER_INKED' }">
            <input v-model="form.holds" type="radio" name="holds" value="NEVER_INKED" />
            <span><b>Nothing yet</b><span class="small quiet">fresh from the box, never inked</span></span>
          </label>
          <label class="thin choice" :class="{ chosen: form.holds === 'INKED' }">
            <input v-model="form.holds" type="radio" name="holds" value="INKED" />
            <span><b>Ink that I know</b><span class="small quiet">its family and whose it is</span></span>
          </label>
          <label class="thin choice" :class="{ chosen: form.holds === 'UNKNOWN' }">
            <input v-model="form.holds" type="radio" name="holds" value="UNKNOWN" />
            <span><b>I cannot say</b><span class="small quiet">second-hand; never for food</span></span>
          </label>
        </div>
        <SecondHand v-if="form.holds === 'UNKNOWN'" @verdict="notes = $event" />
        <div v-if="form.holds !== 'NEVER_INKED'" class="pair">
          <div v-if="form.holds === 'INKED'">
            <label for="family">Which ink?</label>
            <Choice id="family" v-model="form.family" :options="FAMILIES" />
            <FieldProblem :problem="problem" field="family" />
          </div>
          <div>
            <label for="tank">How full are its {{ vessels }}, in %?</label>
            <NumberInput id="tank" v-model="form.tank" />
            <FieldProblem :problem="problem" field="tankShare" />
          </div>
        </div>
      </fieldset>
      <p v-if="problem && !problem.errors?.length" class="notice" role="alert">{{ problem.detail }}</p>
      <BButton type="submit" variant="primary" size="lg" :disabled="saving || !chosen">Put it on the bench</BButton>
    </form>
  </div>
</template>

<style scoped>
.narrow {
  max-width: 900px;
}
fieldset {
  margin: 22px 0;
}
legend {
  font:
    600 1.1rem 'Besley Variable',
    serif;
}
.profiles {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: 12px;
}
.choice {
  display: flex;
  gap: 12px;
  padding: 12px 14px;
  cursor: pointer;
  align-items: flex-start;
}
.choice span {
  display: block;
}
.choice.drawn {
  display: grid;
  grid-template-columns: 136px 1fr;
  gap: 4px 14px;
  align-items: center;
}
.drawn > :last-child {
  grid-column: 1 / -1;
}
.choice .look {
  position: relative;
  padding-left: 24px;
}
.look input {
  position: absolute;
  top: 0;
  left: 0;
}
.choice.chosen {
  box-shadow: 0 0 0 3px var(--rim);
}
.choice input {
  flex: none;
  width: 22px;
  height: 22px;
  accent-color: var(--rim);
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 18px;
  margin-top: 16px;
}
@media (max-width: 600px) {
  .pair {
    grid-template-columns: 1fr;
  }
}
</style>
