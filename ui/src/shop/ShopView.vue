<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { ref, watch } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import FieldProblem from '../shell/FieldProblem.vue'
import { loadShop, useShop } from '../shell/shop'
import FeedPlate from './FeedPlate.vue'
import PeoplePlate from './PeoplePlate.vue'
import PresetsPlate from './PresetsPlate.vue'
import VaultPlate from './VaultPlate.vue'
import NumberInput from '../shell/NumberInput.vue'
import { numberOf } from '../units/typed'
import TextInput from '../shell/TextInput.vue'
import Choice from '../shell/Choice.vue'

type Settings = Schemas['ShopSettings']
type DayName = Settings['week'][number]['day']

const COMPARED = [
  { key: 'makersInkPer100mL', label: 'Maker’s ink, 100 mL', minor: 100 },
  { key: 'dedicatedMachine', label: 'A machine built for it', minor: 100 },
  { key: 'orderedSheet', label: 'A print that is ordered', minor: 100 },
  { key: 'orderedDays', label: 'Days until it comes', minor: 1 },
  { key: 'inkedSheet', label: 'A sheet that comes inked', minor: 100 },
] as const
const DAYS: DayName[] = ['MONDAY', 'TUESDAY', 'WEDNESDAY', 'THURSDAY', 'FRIDAY', 'SATURDAY', 'SUNDAY']
const { shop } = useShop()
const form = ref<Settings>()
const version = ref(0)
const problem = ref<Problem>()
const saved = ref(false)
const holiday = ref('')

watch(
  shop,
  (now) => {
    if (now && !form.value) take(now)
  },
  { immediate: true },
)
function take(now: Schemas['ShopJson']) {
  form.value = JSON.parse(JSON.stringify(now.settings)) as Settings
  form.value.comparison ??= {
    makersInkPer100mL: 6000,
    dedicatedMachine: 45000,
    orderedSheet: 180,
    orderedDays: 6,
    inkedSheet: 120,
  }
  version.value = now.version
}

function spanOf(day: DayName) {
  return form.value?.week.find((d) => d.day === day)
}
function toggleDay(day: DayName) {
  const f = form.value
  if (!f) return
  f.week = spanOf(day) ? f.week.filter((d) => d.day !== day) : [...f.week, { day, open: '09:00:00', close: '17:00:00' }]
}
function position(school: string): string {
  return (form.value?.schools as Record<string, string>)[school] ?? ''
}
function follow(school: string, id: string) {
  if (!form.value) return
  const schools = { ...(form.value.schools as Record<string, string>) }
  if (id) schools[school] = id
  else delete schools[school]
  form.value.schools = schools as Settings['schools']
}

type WorkJson = Schemas['WorkJson']
const tolerance = (w: WorkJson) => form.value?.tolerances?.[w.work] ?? w.usual
function tolerate(w: WorkJson, change: Partial<WorkJson['usual']>) {
  if (form.value) form.value.tolerances = { ...form.value.tolerances, [w.work]: { ...tolerance(w), ...change } }
}
const numberIn = (e: Event) => numberOf((e.target as HTMLInputElement).value)

async function save() {
  if (!form.value) return
  const { data, error } = await api.PUT('/api/shop', {
    params: { header: { 'If-Match': `"${version.value}"` } },
    body: form.value,
  })
  saved.value = !error
  problem.value = error ? problemOf(error) : undefined
  if (data) {
    take(data)
    await loadShop()
  }
}
async function reload() {
  form.value = undefined
  problem.value = undefined
  await loadShop()
}
</script>

<template>
  <div class="page">
    <h1>Shop</h1>
    <p class="quiet">How we do it here. Every figure is a default until you say otherwise.</p>
    <form v-if="form && shop" novalidate @submit.prevent="save">
      <div class="sections">
        <section class="thin block">
          <h2>Name and units</h2>
          <label for="shop-name">Name</label>
          <TextInput id="shop-name" v-model="form.name" />
          <FieldProblem :problem="problem" field="name" />
          <div class="pair">
            <div>
              <label for="volume-unit">Volumes in</label>
              <Choice id="volume-unit" v-model="form.volumeUnit" :options="['mL', 'fl oz']" />
            </div>
            <div>
              <label for="length-unit">Lengths in</label>
              <Choice id="length-unit" v-model="form.lengthUnit" :options="['mm', 'inch']" />
            </div>
            <div>
              <label for="currency">Currency</label>
              <TextInput id="currency" v-model="form.currency" maxlength="3" />
              <FieldProblem :problem="problem" field="currency" />
            </div>
            <div>
              <label for="zone">Time zone</label>
              <TextInput id="zone" v-model="form.zone" />
              <FieldProblem :problem="problem" field="zone" />
            </div>
          </div>
        </section>
        <section class="thin block">
          <h2>Open</h2>
          <div v-for="day in DAYS" :key="day" class="day">
            <label class="day-name"
              ><input type="checkbox" :checked="Boolean(spanOf(day))" @change="toggleDay(day)" />
              {{ day.toLowerCase() }}</label
            >
            <template v-if="spanOf(day)">
              <TextInput v-model="spanOf(day)!.open" type="time" :aria-label="`${day} opens`" />
              <TextInput v-model="spanOf(day)!.close" type="time" :aria-label="`${day} closes`" />
            </template>
          </div>
          <label for="holiday">Holidays</label>
          <div class="day">
            <TextInput id="holiday" v-model="holiday" type="date" />
            <BButton
              variant="outline-secondary"
              @click="
                () => {
                  if (holiday && form && !form.holidays.includes(holiday)) form.holidays.push(holiday)
                }
              "
              >Add</BButton
            >
          </div>
          <BButton
            v-for="date in form.holidays"
            :key="date"
            size="sm"
            variant="outline-secondary"
            class="me-2"
            @click="form.holidays = form.holidays.filter((d) => d !== date)"
            >{{ date }} ×</BButton
          >
        </section>
        <section class="thin block">
          <h2>Prices, in {{ form.currency }}</h2>
          <div class="pair">
            <div>
              <label for="labour">An hour of hands</label
              ><NumberInput id="labour" v-model="form.labourPerHour" :currency="form.currency" />
            </div>
            <div>
              <label for="waste">Being rid of a litre</label
              ><NumberInput id="waste" v-model="form.wastePerLitre" :currency="form.currency" />
            </div>
            <div>
              <label for="pad">A waste pad</label
              ><NumberInput id="pad" v-model="form.padPrice" :currency="form.currency" />
            </div>
            <div>
              <label for="reserve">Reserve per channel, mL</label>
              <NumberInput id="reserve" v-model="form.reserve" />
              <FieldProblem :problem="problem" field="reserve" />
            </div>
          </div>
          <label for="waste-rule">Where waste goes, by the rules of your place</label>
          <TextInput id="waste-rule" v-model="form.wasteRule" />
        </section>
        <section class="thin block">
          <h2>Syringes and bottles</h2>
          <table class="figures">
            <thead>
              <tr>
                <th>syringe</th>
                <th>marks, mL</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(syringe, i) in form.syringes" :key="i">
                <td><NumberInput v-model="syringe.size" :aria-label="`Syringe ${i + 1}, mL`" /></td>
                <td>
                  <NumberInput v-model="syringe.graduation" :aria-label="`Marks of syringe ${i + 1}, mL`" />
                </td>
              </tr>
            </tbody>
          </table>
          <table class="figures">
            <thead>
              <tr>
                <th>bottle sold, mL</th>
                <th>price</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(bottle, i) in [...form.inkBottles, ...form.fluidBottles]" :key="i">
                <td>{{ i < form.inkBottles.length ? 'ink' : 'fluid' }} {{ bottle.volume }}</td>
                <td>
                  <NumberInput
                    v-model="bottle.price"
                    :currency="form.currency"
                    :aria-label="`Price of the ${bottle.volume} mL bottle`"
                  />
                </td>
              </tr>
            </tbody>
          </table>
        </section>
        <section class="thin block wide">
          <h2>Schools: where good people differ</h2>
          <div class="schools">
            <div v-for="school in shop.schools" :key="school.school">
              <label :for="school.school">{{ school.question }}</label>
              <Choice
                :id="school.school"
                :model-value="position(school.school) || (school.positions[0]?.id ?? '')"
                :options="
                  school.positions.map((p, i) => ({ value: p.id, text: p.label + (i === 0 ? ' (default)' : '') }))
                "
                @update:model-value="(v) => follow(school.school, String(v))"
              />
              <p class="small quiet">
                {{
                  school.positions.find((p) => p.id === (position(school.school) || school.positions[0]?.id))?.reason
                }}
              </p>
            </div>
          </div>
        </section>
        <section class="thin block">
          <h2>Other ways to the same prints, in {{ form.currency }}</h2>
          <div v-if="form.comparison" class="pair">
            <div v-for="price in COMPARED" :key="price.key">
              <label :for="price.key">{{ price.label }}</label>
              <NumberInput
                :id="price.key"
                v-model="form.comparison[price.key]"
                :currency="price.minor === 1 ? undefined : form.currency"
              />
              <FieldProblem :problem="problem" :field="`comparison.${price.key}`" />
            </div>
          </div>
        </section>
        <section class="thin block">
          <h2>A check is good enough</h2>
          <table class="figures">
            <thead>
              <tr>
                <th>for</th>
                <th>missing, % of a channel</th>
                <th>side by side</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="w in shop.works" :key="w.work">
                <td>{{ w.label }}</td>
                <td>
                  <TextInput
                    :model-value="String(+(tolerance(w).share * 100).toFixed(2))"
                    inputmode="decimal"
                    :aria-label="`Per cent missing for ${w.label}`"
                    @change="(e: Event) => tolerate(w, { share: numberIn(e) / 100 })"
                  />
                </td>
                <td>
                  <TextInput
                    :model-value="String(tolerance(w).neighbours)"
                    inputmode="numeric"
                    :aria-label="`Gaps side by side for ${w.label}`"
                    @change="(e: Event) => tolerate(w, { neighbours: Math.round(numberIn(e)) })"
                  />
                </td>
              </tr>
            </tbody>
          </table>
        </section>
        <section class="thin block">
          <h2>The room</h2>
          <label class="check"
            ><input
              type="checkbox"
              :checked="form.aired !== false"
              @change="form.aired = ($event.target as HTMLInputElement).checked"
            />
            It can be aired, or has a fan</label
          >
          <p class="small quiet">
            Powder, alcohol and hot adhesive want moving air. Without it no film is planned, promised or begun here.
          </p>
        </section>
        <PeoplePlate />
        <PresetsPlate />
        <FeedPlate />
        <VaultPlate />
        <section class="thin block wide">
          <h2>At the bench</h2>
          <p v-if="shop.workshop" class="notice">
            The workshop’s network can reach this kettle, without a password and unencrypted. To take it back, stop it
            and start it without --workshop.
          </p>
          <p v-else class="quiet">
            Only this machine can reach the kettle. To use tablets, start it with <code>./kettle up --workshop</code>,
            in a network you trust.
          </p>
        </section>
      </div>
      <div class="send">
        <BButton type="submit" variant="primary" size="lg">Keep</BButton>
        <span v-if="saved" class="strong" role="status">Kept.</span>
        <span v-if="problem" class="act strong" role="alert"
          >{{ problem.detail }}
          <BButton v-if="problem.status === 409" variant="link" @click="reload">Load again</BButton></span
        >
      </div>
    </form>
  </div>
</template>

<style scoped>
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
.pair,
.schools {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  margin: 10px 0;
}
.day {
  display: flex;
  gap: 10px;
  align-items: center;
  margin-bottom: 6px;
  min-height: 44px;
}
.day input:not([type='checkbox']) {
  flex: 1 1 90px;
  min-width: 0;
}
.day-name {
  width: 150px;
  flex: none;
  display: flex;
  gap: 10px;
  align-items: center;
  text-transform: capitalize;
}
.day-name input {
  width: 22px;
  height: 22px;
  accent-color: var(--rim);
}
h2 {
  margin-bottom: 10px;
}
.send {
  display: flex;
  gap: 16px;
  align-items: center;
  margin-top: 18px;
}
@media (max-width: 600px) {
  .day {
    flex-wrap: wrap;
  }
}
@media (max-width: 900px) {
  .sections,
  .schools {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
