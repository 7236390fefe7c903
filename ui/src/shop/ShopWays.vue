<script setup lang="ts">
import type { Schemas } from '../api/client'
import Choice from '../shell/Choice.vue'
import FieldProblem from '../shell/FieldProblem.vue'
import NumberInput from '../shell/NumberInput.vue'
import TextInput from '../shell/TextInput.vue'
import { inLength } from '../units/format'
import { numberOf } from '../units/typed'
import { useUnits } from '../units/useUnits'
import ShopBlock from './ShopBlock.vue'
import { useShopForm, type Settings } from './useShopForm'

/** How it is done here, where good people differ, and what is good enough. */
const { shop, form, problem } = useShopForm()
const { lengths, shownLength } = useUnits()

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
</script>

<template>
  <div v-if="form && shop">
    <ShopBlock title="Schools: where good people differ">
      <div class="schools">
        <div v-for="school in shop.schools" :key="school.school">
          <label :for="school.school">{{ school.question }}</label>
          <Choice
            :id="school.school"
            :model-value="position(school.school) || (school.positions[0]?.id ?? '')"
            :options="school.positions.map((p, i) => ({ value: p.id, text: p.label + (i === 0 ? ' (default)' : '') }))"
            @update:model-value="(v) => follow(school.school, String(v))"
          />
          <p class="small quiet">
            {{ school.positions.find((p) => p.id === (position(school.school) || school.positions[0]?.id))?.reason }}
          </p>
        </div>
      </div>
    </ShopBlock>
    <div class="halves mt-3">
      <ShopBlock title="A check is good enough">
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
      </ShopBlock>
      <ShopBlock title="Seldom changed">
        <details class="fold">
          <summary>White under the colours of film</summary>
          <label for="choke">It stays back from their edge, {{ lengths }}</label>
          <NumberInput
            id="choke"
            :model-value="form.whiteChoke ?? shop.usualChoke"
            :times="inLength(1, lengths)"
            lazy
            @update:model-value="(mm: number) => form && (form.whiteChoke = mm)"
          />
          <FieldProblem :problem="problem" field="whiteChoke" />
          <p class="small quiet">
            Usually {{ shownLength(shop.usualChoke) }}: cloth and film move by a hair, and white that shows beside a
            colour is seen at once.
          </p>
        </details>
        <details class="fold">
          <summary>A head off its dock</summary>
          <label for="bare">In the air at most, minutes</label>
          <NumberInput
            id="bare"
            :model-value="form.bareMinutes ?? shop.usualBare"
            lazy
            @update:model-value="(minutes: number) => form && (form.bareMinutes = Math.round(minutes))"
          />
          <FieldProblem :problem="problem" field="bareMinutes" />
          <p class="small quiet">
            Usually {{ shop.usualBare }} min, for dye at 22 °C and 50 %. Film and pigment get three quarters of it; in
            air that dries twice as fast it is half. Nobody knows a figure that is safe: a wet cloth under the head is.
          </p>
        </details>
      </ShopBlock>
    </div>
  </div>
</template>

<style scoped>
.schools {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px 30px;
}
@media (max-width: 900px) {
  .schools {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
