<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, reactive, ref, watch } from 'vue'
import { api, problemOf, type Schemas } from '../api/client'
import { oneAtATime } from '../shell/oneAtATime'
import { FAMILIES } from '../units/families'
import { inUnit } from '../units/format'
import { useUnits } from '../units/useUnits'
import SumsParts from './SumsParts.vue'
import WhitePrint from './WhitePrint.vue'
import { numberOf } from '../units/typed'
import TextInput from '../shell/TextInput.vue'
import Choice from '../shell/Choice.vue'

/** Small sums that come up with wet hands: answered as they are typed, and kept nowhere. */
const { unit, lengths, shownVolume, shownLength } = useUnits()
/** One of what stands in a field, in the unit that is sent: mm or cm. */
const mm = () => (lengths.value === 'inch' ? 25.4 : 1)
const cm = () => (lengths.value === 'inch' ? 2.54 : 1)
const small = computed(() => (lengths.value === 'inch' ? 'in' : 'mm'))
const large = computed(() => (lengths.value === 'inch' ? 'in' : 'cm'))
const tube = reactive({ boreMm: '2', lengthCm: '90', besideMl: '3', residue: '1' })
const adapter = reactive({ barbToBaseMm: '' })
const bottle = reactive({ gross: '', empty: '', density: '1.05' })
const place = reactive({
  machine: { width: '', depth: '', lidOpen: '', weight: '', cord: '150' },
  table: { width: '', depth: '', height: '72', above: '', bears: '', socket: '' },
})
/** What stands there already is said in the unit that people read. */
watch(
  lengths,
  (now, before) => {
    if (now === (before ?? 'mm')) return
    const change = (text: string, by: number) =>
      Number.isNaN(numberOf(text)) ? text : String(Number((numberOf(text) * by).toFixed(2)))
    const [small, large] = now === 'inch' ? [1 / 25.4, 1 / 2.54] : [25.4, 2.54]
    tube.boreMm = change(tube.boreMm, small)
    tube.lengthCm = change(tube.lengthCm, large)
    place.machine.cord = change(place.machine.cord, large)
    place.table.height = change(place.table.height, large)
  },
  { immediate: true },
)
const family = ref<(typeof FAMILIES)[number]['value']>('SUBLIMATION')

const tubeSays = ref('')
const adapterSays = ref('')
const bottleSays = ref('')
const placeSays = ref<{ words: string; lines: string[] }>()
const parts = ref<Schemas['TouchedJson'][]>([])

function numbers<T extends Record<string, string>>(form: T): { [K in keyof T]: number } | undefined {
  const read = Object.fromEntries(Object.entries(form).map(([k, v]) => [k, numberOf(v)])) as {
    [K in keyof T]: number
  }
  return Object.values(form).every((v) => v.trim() !== '') && Object.values(read).every(Number.isFinite)
    ? read
    : undefined
}

/** An answer counts only while its question is the newest: a slow one must not overwrite the next. */
function asker() {
  let asked = 0
  return () => {
    const mine = ++asked
    return () => mine === asked
  }
}
const [askTube, askAdapter, askBottle, askAgents] = [asker(), asker(), asker(), asker()]

watch(
  tube,
  async () => {
    const newest = askTube()
    const typed = numbers(tube)
    if (!typed) return (tubeSays.value = '')
    const { data, error } = await api.GET('/api/reckoning/tube', {
      params: {
        query: {
          boreMm: typed.boreMm * mm(),
          lengthCm: typed.lengthCm * cm(),
          besideMl: typed.besideMl * (unit.value === 'fl oz' ? 1 / inUnit(1, 'fl oz') : 1),
          residue: typed.residue / 100,
        },
      },
    })
    if (!newest()) return
    tubeSays.value = data
      ? `${shownVolume(data.holds)} in all; ${shownVolume(data.through)} through it, a little at a time, leave ${tube.residue} % (${data.exchanges.toFixed(1)} exchanges).`
      : problemOf(error).detail
  },
  { immediate: true },
)
watch(adapter, async () => {
  const newest = askAdapter()
  const typed = numbers(adapter)
  if (!typed) return (adapterSays.value = '')
  const { data, error } = await api.GET('/api/reckoning/adapter', {
    params: { query: { barbToBaseMm: typed.barbToBaseMm * mm() } },
  })
  if (!newest()) return
  adapterSays.value = data
    ? `Cut it ${shownLength(data.millimetres)} long: half of the way, so that it sits a little above the barb and the cone closes.`
    : problemOf(error).detail
})
watch(bottle, async () => {
  const newest = askBottle()
  const typed = numbers(bottle)
  if (!typed) return (bottleSays.value = '')
  const { data, error } = await api.GET('/api/reckoning/weight', { params: { query: typed } })
  if (newest()) bottleSays.value = data ? `${shownVolume(data.left)} are left in it.` : problemOf(error).detail
})
/** Sizes in cm; what is weighed stays as it is. */
function measured<T extends Record<string, number>>(sizes: T): T {
  const scaled = Object.entries(sizes).map(([k, v]) => [k, k === 'weight' || k === 'bears' ? v : v * cm()])
  return Object.fromEntries(scaled) as T
}
const { run: fit } = oneAtATime(async () => {
  const machine = numbers(place.machine)
  const table = numbers(place.table)
  if (!machine || !table) {
    placeSays.value = { words: 'Measure all of them first.', lines: [] }
    return
  }
  const { data, error } = await api.POST('/api/reckoning/place', {
    body: { machine: measured(machine), table: measured(table) },
  })
  placeSays.value = data
    ? { words: data.fits ? 'It fits.' : 'It does not fit.', lines: [...data.problems, ...data.remarks] }
    : { words: problemOf(error).detail, lines: [] }
})
watch(
  family,
  async () => {
    const newest = askAgents()
    const { data } = await api.GET('/api/reckoning/agents', { params: { query: { family: family.value } } })
    if (newest()) parts.value = data ?? []
  },
  { immediate: true },
)

const MACHINE = [
  { key: 'width', label: 'wide', long: true },
  { key: 'depth', label: 'deep', long: true },
  { key: 'lidOpen', label: 'high, lid open', long: true },
  { key: 'weight', label: 'weighs, kg' },
  { key: 'cord', label: 'cord', long: true },
] as const
const TABLE = [
  { key: 'width', label: 'wide', long: true },
  { key: 'depth', label: 'deep', long: true },
  { key: 'height', label: 'high', long: true },
  { key: 'above', label: 'free above it', long: true },
  { key: 'bears', label: 'bears, kg' },
  { key: 'socket', label: 'to the socket', long: true },
] as const
</script>

<template>
  <div class="page">
    <h1>Sums</h1>
    <SumsParts />
    <p class="quiet intro">Small questions that come up at the bench. Nothing here is kept.</p>
    <div class="sections">
      <section class="thin block">
        <h2>What is in a line?</h2>
        <div class="fields">
          <div>
            <label for="bore">bore, {{ small }}</label
            ><TextInput id="bore" v-model="tube.boreMm" inputmode="decimal" />
          </div>
          <div>
            <label for="length">length, {{ large }}</label
            ><TextInput id="length" v-model="tube.lengthCm" inputmode="decimal" />
          </div>
          <div>
            <label for="beside">damper beside it, {{ unit }}</label
            ><TextInput id="beside" v-model="tube.besideMl" inputmode="decimal" />
          </div>
          <div>
            <label for="residue">to be left, %</label
            ><TextInput id="residue" v-model="tube.residue" inputmode="decimal" />
          </div>
        </div>
        <p class="says" role="status">{{ tubeSays }}</p>
      </section>
      <section class="thin block">
        <h2>What is left in a bottle?</h2>
        <div class="fields">
          <div>
            <label for="gross">with ink, g</label><TextInput id="gross" v-model="bottle.gross" inputmode="decimal" />
          </div>
          <div>
            <label for="empty">empty, g</label><TextInput id="empty" v-model="bottle.empty" inputmode="decimal" />
          </div>
          <div>
            <label for="density">g per mL</label><TextInput id="density" v-model="bottle.density" inputmode="decimal" />
          </div>
        </div>
        <p class="says" role="status">{{ bottleSays || 'Weigh it with its cap, both times.' }}</p>
        <h2>How long is the adapter?</h2>
        <div class="fields">
          <div>
            <label for="barb">barb to base, {{ small }}</label
            ><TextInput id="barb" v-model="adapter.barbToBaseMm" inputmode="decimal" />
          </div>
        </div>
        <p class="says" role="status">{{ adapterSays || 'Measure on the damper, from the barb to its base.' }}</p>
      </section>
      <section class="thin block wide">
        <h2>Does it fit there?</h2>
        <form novalidate @submit.prevent="fit">
          <div class="fields measured">
            <b class="row-name">the machine</b>
            <div v-for="f in MACHINE" :key="f.key">
              <label :for="`m-${f.key}`">{{ f.label }}{{ 'long' in f ? `, ${large}` : '' }}</label
              ><TextInput :id="`m-${f.key}`" v-model="place.machine[f.key]" inputmode="decimal" />
            </div>
          </div>
          <div class="fields measured">
            <b class="row-name">the table</b>
            <div v-for="f in TABLE" :key="f.key">
              <label :for="`t-${f.key}`">{{ f.label }}{{ 'long' in f ? `, ${large}` : '' }}</label
              ><TextInput :id="`t-${f.key}`" v-model="place.table[f.key]" inputmode="decimal" />
            </div>
          </div>
          <BButton type="submit" variant="outline-secondary">Does it fit?</BButton>
        </form>
        <div v-if="placeSays" class="says" role="status">
          {{ placeSays.words }}
          <ul v-if="placeSays.lines.length">
            <li v-for="l in placeSays.lines" :key="l">{{ l }}</li>
          </ul>
        </div>
      </section>
      <section class="thin block wide">
        <div class="title">
          <h2>What may touch what?</h2>
          <span class="family"
            ><label for="agents-family">machine of</label
            ><Choice id="agents-family" v-model="family" :options="FAMILIES"
          /></span>
        </div>
        <p class="quiet small">The ink’s data sheet and the maker of the part come first. Never mix cleaners.</p>
        <div class="scroll-x" tabindex="0" role="region" aria-label="What may touch what">
          <table class="figures agents">
            <thead>
              <tr>
                <th>part</th>
                <th v-for="pair in parts[0]?.agents ?? []" :key="pair.agent">{{ pair.label }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="part in parts" :key="part.id">
                <th scope="row">{{ part.label }}</th>
                <td v-for="pair in part.agents" :key="pair.agent" :class="{ no: !pair.may }">
                  <b>{{ pair.may ? 'yes' : 'no' }}</b> <span class="small">{{ pair.reason }}</span>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
      <section class="thin block">
        <h2>What does standing white print like?</h2>
        <WhitePrint />
        <p class="small quiet">The dashed line is the white as it was mixed.</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
@media (max-width: 600px) {
  .intro {
    display: none;
  }
}
.sections {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 20px;
  align-items: start;
}
.block {
  padding: 16px 18px;
}
.wide {
  grid-column: 1 / -1;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(104px, 1fr));
  gap: 10px;
  align-items: end;
  margin: 8px 0 12px;
}
.measured {
  grid-template-columns: 110px repeat(6, minmax(0, 1fr));
}
.row-name {
  padding-bottom: 10px;
}
.says {
  font-size: 1.1rem;
  font-weight: 650;
  min-height: 1.6em;
}
.title {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
}
.family {
  display: flex;
  gap: 8px;
  align-items: center;
  white-space: nowrap;
}
.agents {
  min-width: 980px;
  table-layout: fixed;
}
.agents th,
.agents td {
  text-align: left;
  vertical-align: top;
  white-space: normal;
  padding: 6px 10px 6px 0;
}
.agents td span {
  display: block;
}
.agents td.no b {
  color: var(--act);
}
@media (max-width: 900px) {
  .measured {
    grid-template-columns: repeat(auto-fit, minmax(120px, 1fr));
  }
  .sections {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
