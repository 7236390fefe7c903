<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, nextTick, reactive, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, type Schemas } from '../api/client'
import { useServer } from '../api/useServer'
import ChannelPicker from '../drawings/ChannelPicker.vue'
import CombStack from '../drawings/CombStack.vue'
import InkPath from '../drawings/InkPath.vue'
import StateMark from '../drawings/StateMark.vue'
import LogList from '../log/LogList.vue'
import WorksPlate from '../benchwork/WorksPlate.vue'
import RoutinesPlate from '../routines/RoutinesPlate.vue'
import FieldProblem from '../shell/FieldProblem.vue'
import { oneAtATime } from '../shell/oneAtATime'
import { useShop } from '../shell/shop'
import { bare, dayAndTime, money, percent, typedVolume, volume, type VolumeUnit } from '../units/format'
import CombEntry from './CombEntry.vue'
import DefectsPlate from './DefectsPlate.vue'
import FactsPlate from './FactsPlate.vue'
import HandlingForm from './HandlingForm.vue'
import { actionFor, stateOf } from './attention'
import MachineSchools from './MachineSchools.vue'
import MeasuresPlate from './MeasuresPlate.vue'
import OwedPlate from './OwedPlate.vue'
import PassportPlate from './PassportPlate.vue'
import PatternPlate from './PatternPlate.vue'
import RefillPlate from './RefillPlate.vue'
import SheetsPlate from './SheetsPlate.vue'
import TextInput from '../shell/TextInput.vue'

const route = useRoute()
const { settings } = useShop()
const unit = computed(() => (settings.value?.volumeUnit ?? 'mL') as VolumeUnit)
const zone = computed(() => settings.value?.zone ?? 'UTC')
const id = computed(() => Number(route.params.id))
const {
  data: machine,
  problem,
  act: settle,
  put,
  reload,
} = useServer<Schemas['MachineJson']>(
  () => ['machine', id.value],
  () => api.GET('/api/machines/{machine}', path.value),
  () => [`machine/${id.value}`, 'card/', 'hob'],
)
const code = ref<string>()
const combs = reactive<Record<string, number[] | undefined>>({})
const levels = reactive<Record<string, string>>({})
const entering = ref<'check' | 'levels'>()

const plate = computed(() => machine.value?.plate)
const channel = computed(() => plate.value?.channels.find((c) => c.code === code.value) ?? plate.value?.channels[0])
const path = computed(() => ({ params: { path: { machine: id.value } } }))

watch(
  () => machine.value?.plate.id,
  (shown) => {
    if (shown) void nextTick(arrive)
  },
  { immediate: true },
)
function arrive() {
  const hash = route.hash.slice(1)
  if (hash === 'check') entering.value = hash
  void nextTick(() => document.getElementById(hash)?.scrollIntoView({ block: 'start' }))
}
/** What still goes with a full pad; asked for only when it is. */
const full = shallowRef<Schemas['PadFullJson']>()
watch(
  () => (plate.value?.padShare ?? 0) >= 0.8,
  async (nearly) => {
    if (nearly && !full.value) full.value = (await api.GET('/api/reckoning/pad-full')).data
  },
)

async function entered(went: Promise<boolean>): Promise<boolean> {
  const well = await went
  if (well) entering.value = undefined
  return well
}
/** A plate that was saved answers with its machine as it is then. */
const saved = (next: Schemas['MachineJson']) => put(['machine', next.plate.id], next)
const looked = computed(() => plate.value?.channels.every((c) => combs[c.code] !== undefined))

const { run: saveCheck } = oneAtATime(async () => {
  const missing = Object.fromEntries(Object.entries(combs).map(([k, v]) => [k, v ?? []]))
  const well = await entered(
    settle(() => api.POST('/api/machines/{machine}/checks', { ...path.value, body: { missing } })),
  )
  if (well) for (const key of Object.keys(combs)) delete combs[key]
})
const { run: saveLevels } = oneAtATime(async () => {
  const typed = Object.entries(levels)
    .map(([k, v]) => [k, typedVolume(v, unit.value)] as const)
    .filter(([, v]) => v !== undefined)
  await entered(
    settle(() =>
      api.POST('/api/machines/{machine}/levels', {
        ...path.value,
        body: { levels: Object.fromEntries(typed.map(([k, v]) => [k, Number(v)])) },
      }),
    ),
  )
})
const { run: cleaned } = oneAtATime(async (power: boolean) => {
  await settle(() => api.POST('/api/machines/{machine}/cleanings', { ...path.value, body: { power } }))
})
const { run: changePad } = oneAtATime(async () => {
  await settle(() => api.POST('/api/machines/{machine}/pad', path.value))
})
</script>

<template>
  <div class="page">
    <p v-if="problem && !machine" class="notice" role="alert">{{ problem.detail }}</p>
    <p v-else-if="!machine || !plate" class="quiet loading">Fetching the machine …</p>
    <template v-else>
      <header class="head">
        <div>
          <h1>{{ plate.name }}</h1>
          <div class="quiet">{{ plate.family }} · {{ plate.profile }} · {{ plate.bench }}</div>
        </div>
        <span class="state"><StateMark :kind="stateOf(plate).mark" />{{ stateOf(plate).word }}</span>
        <div class="ways">
          <RouterLink v-if="plate.card" class="btn btn-primary" :to="`/cards/${plate.card.id}`">To the card</RouterLink>
          <RouterLink v-else class="btn btn-primary" :to="actionFor(plate).to">{{ plate.attention.words }}</RouterLink>
          <RouterLink v-if="!plate.card" class="btn btn-outline-secondary" :to="`/changeover?machine=${id}`"
            >Plan a changeover</RouterLink
          >
          <RouterLink
            v-if="!plate.card && machine.idle.park"
            class="btn btn-primary"
            :to="`/changeover?machine=${id}&for=PARK`"
            >Park it</RouterLink
          >
          <RouterLink class="btn btn-outline-secondary" :to="`/machines/${id}/label`">Label</RouterLink>
        </div>
      </header>
      <p v-if="problem" class="notice" role="alert">{{ problem.detail }}</p>

      <section class="thin block">
        <ChannelPicker
          :model-value="channel?.code"
          :codes="plate.channels.map((c) => c.code)"
          label="Channel drawn"
          @update:model-value="code = $event"
        >
          <h2>Ink path</h2>
        </ChannelPicker>
        <div v-if="channel" class="scroll-x" tabindex="0" role="region" aria-label="Ink path">
          <InkPath :code="channel.code" :path="channel.path" :pad-share="plate.padShare" />
        </div>
        <p v-if="channel" class="small quiet contents">
          In {{ channel.code }} now, reckoned:
          <template v-for="vessel in channel.path" :key="vessel.kind">
            <span v-for="layer in vessel.layers" :key="layer.kind"
              >{{ vessel.kind }} {{ volume(layer.volume, unit) }} {{ layer.label }};
            </span>
          </template>
          <span v-if="!channel.path.some((v) => v.layers.length)">nothing.</span>
        </p>
      </section>

      <div class="two">
        <div>
          <section id="check">
            <div class="title">
              <h2>Nozzle checks</h2>
              <RouterLink
                class="btn btn-outline-secondary ms-auto me-2"
                :to="machine.plate.caseId ? `/clinic/${machine.plate.caseId}` : `/clinic?machine=${id}`"
                >{{ machine.plate.caseId ? 'Its case' : 'It is ill' }}</RouterLink
              >
              <RouterLink class="btn btn-outline-secondary me-2" :to="`/checks/${id}`">From a picture</RouterLink>
              <BButton v-if="entering !== 'check'" variant="outline-secondary" @click="entering = 'check'"
                >Enter a check</BButton
              >
            </div>
            <form v-if="entering === 'check'" class="thin block" novalidate @submit.prevent="saveCheck">
              <p class="small quiet">
                Print the machine’s own nozzle check on plain paper. Tap every tooth that is missing.
              </p>
              <CombEntry
                v-for="c in plate.channels"
                :key="c.code"
                v-model="combs[c.code]"
                :code="c.code"
                :nozzles="c.nozzles"
              />
              <div class="send">
                <BButton type="submit" variant="primary" :disabled="!looked">Keep this check</BButton>
                <BButton
                  variant="outline-secondary"
                  @click="plate.channels.forEach((c) => (combs[c.code] = combs[c.code] ?? []))"
                  >The rest is whole</BButton
                >
                <BButton variant="link" @click="entering = undefined">Not now</BButton>
              </div>
            </form>
            <template v-for="c in plate.channels" :key="c.code">
              <template v-if="machine.checks[c.code]?.length">
                <h3>
                  {{ c.code }} <span class="quiet small">{{ c.colour }}</span>
                </h3>
                <CombStack :code="c.code" :checks="machine.checks[c.code] ?? []" :zone="zone" />
              </template>
            </template>
            <p v-if="!Object.keys(machine.checks).length" class="quiet">
              Nobody has looked yet. The first whole check is what later ones are compared with.
            </p>
          </section>
          <SheetsPlate
            v-if="plate.attention.kind !== 'PLAN'"
            :machine="id"
            :gaps="plate.channels.filter((c) => c.missing.length).map((c) => c.code)"
            :unit="unit"
            :zone="zone"
            @printed="reload"
          />
          <FactsPlate :machine="machine" :zone="zone" />
          <MeasuresPlate :machine="machine" :unit="unit" @saved="reload" />
          <details id="handling" class="fold" :open="route.hash === '#handling'">
            <summary>How hands get at it</summary>
            <HandlingForm :machine="id" @taught="reload" />
          </details>
          <PatternPlate :machine="machine" @saved="reload" />
          <MachineSchools :machine="machine" @saved="saved" />
          <WorksPlate :machine="machine" :unit="unit" />
          <DefectsPlate :machine="id" :zone="zone" />
        </div>

        <div>
          <section id="levels">
            <div class="title">
              <h2>Levels</h2>
              <BButton v-if="entering !== 'levels'" variant="outline-secondary" @click="entering = 'levels'"
                >Read the levels</BButton
              >
            </div>
            <form v-if="entering === 'levels'" novalidate @submit.prevent="saveLevels">
              <table class="figures">
                <thead>
                  <tr>
                    <th>tank</th>
                    <th>reckoned</th>
                    <th>when full</th>
                    <th>read, {{ unit }}</th>
                  </tr>
                </thead>
                <tbody>
                  <tr v-for="c in plate.channels" :key="c.code">
                    <td>
                      <b>{{ c.code }}</b> {{ c.holds }}
                    </td>
                    <td>{{ volume(c.path[0]?.layers.reduce((s, l) => s + l.volume, 0) ?? 0, unit) }}</td>
                    <td>{{ volume(c.path[0]?.capacity ?? 0, unit) }}</td>
                    <td>
                      <TextInput v-model="levels[c.code]" inputmode="decimal" :aria-label="`Level of ${c.code}`" />
                      <FieldProblem :problem="problem" :field="c.code" />
                    </td>
                  </tr>
                </tbody>
              </table>
              <div class="send">
                <BButton type="submit" variant="primary">Keep these levels</BButton>
                <BButton variant="link" @click="entering = undefined">Not now</BButton>
              </div>
            </form>
            <RefillPlate v-else :machine="machine" :unit="unit" :zone="zone" @poured="reload" />
          </section>
          <section id="pad" class="pad-line">
            <span
              >Waste pad <b>{{ percent(plate.padShare) }}</b> · {{ bare(plate.padUsed) }} of
              {{ volume(plate.padCapacity, unit) }}</span
            >
            <BButton size="sm" variant="outline-secondary" @click="changePad">It has a new pad</BButton>
          </section>
          <section class="pad-line">
            <span>It has cleaned itself</span>
            <span class="send-now">
              <BButton size="sm" variant="outline-secondary" @click="cleaned(false)">Cleaning</BButton>
              <BButton size="sm" variant="outline-secondary" @click="cleaned(true)">Power cleaning</BButton>
            </span>
          </section>
          <p v-if="plate.attention.kind !== 'PLAN'" class="small quiet">
            A purge sheet of every channel: {{ money(machine.purgeOrClean.sheets.cost) }},
            {{ volume(machine.purgeOrClean.sheets.ink, unit) }} on paper. A cleaning:
            {{ money(machine.purgeOrClean.cleaning.cost) }}, {{ percent(machine.purgeOrClean.cleaning.padShare) }} of
            the pad; a power cleaning: {{ money(machine.purgeOrClean.powerCleaning.cost) }},
            {{ percent(machine.purgeOrClean.powerCleaning.padShare) }} of it.
          </p>
          <div v-if="full && plate.padShare >= full.from" class="notice small pad-full" role="status">
            <div>
              <b>Its pad is full.</b> Still goes: {{ full.goes.join('; ') }}. Not until it has a new one:
              {{ full.not.join(', ') }}.
              <RouterLink to="/shelf">The shelf says whether one is in the house; if not, buy it now.</RouterLink>
            </div>
          </div>
          <RoutinesPlate :machine="machine" :zone="zone" :unit="unit" />
          <OwedPlate :machine="machine" :zone="zone" />
          <PassportPlate :machine="machine" :zone="zone" @saved="saved" />
          <section v-if="machine.cards.length">
            <h2>Cards</h2>
            <ul class="lines">
              <li v-for="card in machine.cards" :key="card.id">
                <RouterLink :to="`/cards/${card.id}`">{{ card.title }}</RouterLink>
                <span class="quiet small"
                  >{{ card.state }}, {{ dayAndTime(card.finishedAt ?? card.createdAt, zone) }}</span
                >
              </li>
            </ul>
          </section>
        </div>
      </div>
      <section>
        <h2>Diary</h2>
        <LogList :machine="id" />
      </section>
    </template>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  gap: 20px;
  align-items: center;
  flex-wrap: wrap;
  margin-bottom: 16px;
}
.state {
  display: flex;
  gap: 6px;
  align-items: center;
  font-weight: 650;
}
.ways {
  margin-left: auto;
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
}
.block {
  padding: 12px 16px;
  margin-bottom: 18px;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
  gap: 30px;
}
.title {
  display: flex;
  justify-content: space-between;
  align-items: center;
  margin-bottom: 10px;
}
h3 {
  margin: 14px 0 2px;
}
section {
  margin-bottom: 22px;
}
section h2 {
  margin-bottom: 6px;
}
.send {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
  margin-top: 12px;
}
.send-now {
  display: flex;
  gap: 8px;
}
.pad-line {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
  .ways {
    margin-left: 0;
  }
}
</style>
