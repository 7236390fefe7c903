<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import FieldProblem from '../shell/FieldProblem.vue'
import NumberInput from '../shell/NumberInput.vue'
import TextInput from '../shell/TextInput.vue'
import ShopBlock from './ShopBlock.vue'
import ReasonedInput from '../shell/ReasonedInput.vue'
import { numberOrNone, whyNoNumber } from '../units/typed'
import Choice from '../shell/Choice.vue'
import { FAMILIES, type Family } from '../units/families'
import BottlesSold from './BottlesSold.vue'
import { useShopForm } from './useShopForm'

/** What things cost here. */
const COMPARED = [
  { key: 'makersInkPer100mL', label: 'Maker’s ink, 100 mL', minor: 100 },
  { key: 'dedicatedMachine', label: 'A machine built for it', minor: 100 },
  { key: 'orderedSheet', label: 'A print that is ordered', minor: 100 },
  { key: 'orderedDays', label: 'Days until it comes', minor: 1 },
  { key: 'inkedSheet', label: 'A sheet that comes inked', minor: 100 },
] as const
const { shop, form, problem } = useShopForm()
/** Inks that are sold otherwise than the others. */
const priced = computed(() => FAMILIES.filter((f) => form.value?.inkOf?.[f.value]))
const unpriced = computed(() => FAMILIES.filter((f) => !form.value?.inkOf?.[f.value]))
function priceApart(family: string) {
  if (!form.value || !family) return
  const bottles = form.value.inkBottles.map((b) => ({ ...b }))
  form.value.inkOf = { ...form.value.inkOf, [family]: { bottles } }
}
function forget(family: Family) {
  if (!form.value?.inkOf) return
  const others = { ...form.value.inkOf }
  delete others[family]
  form.value.inkOf = others
}
/** As it was typed: what is no number is refused where it is kept, and hides no tax. */
const tax = ref(form.value?.taxPercent === undefined ? '' : String(form.value.taxPercent))
const whyNoTax = computed(() => (tax.value.trim() === '' ? '' : whyNoNumber(tax.value, '20')))
watch(tax, (text) => {
  if (!form.value) return
  const percent = numberOrNone(text)
  form.value.taxPercent = percent !== undefined && Number.isNaN(percent) ? -1 : percent
})
</script>

<template>
  <div v-if="form && shop" class="halves">
    <div class="stack">
      <ShopBlock :title="`Prices, in ${form.currency}`">
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
        <div class="pair">
          <div>
            <label for="tax">Tax on what is bought, %</label>
            <ReasonedInput id="tax" v-model="tax" :why="whyNoTax" inputmode="decimal" placeholder="not shown" />
            <FieldProblem :problem="problem" field="taxPercent" />
          </div>
          <label v-if="form.taxPercent !== undefined" class="with-tax"
            ><input
              type="checkbox"
              class="form-check-input"
              :checked="form.pricesWithTax !== false"
              @change="form!.pricesWithTax = ($event.target as HTMLInputElement).checked"
            />
            prices here are with it</label
          >
        </div>
        <label for="waste-rule">Where waste goes, by the rules of your place</label>
        <TextInput id="waste-rule" v-model="form.wasteRule" />
      </ShopBlock>
      <ShopBlock :title="`Other ways to the same prints, in ${form.currency}`">
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
      </ShopBlock>
    </div>
    <ShopBlock title="Syringes and bottles">
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
      <BottlesSold
        v-model:bottles="form.inkBottles"
        what="Every ink"
        field="inkBottles"
        :problem="problem"
        :currency="form.currency"
      />
      <BottlesSold
        v-for="family in priced"
        :key="family.value"
        v-model:bottles="form.inkOf![family.value]!.bottles"
        v-model:pack="form.inkOf![family.value]!.pack"
        :what="`Ink: ${family.text}`"
        :field="`inkOf[${family.value}].bottles`"
        :problem="problem"
        :currency="form.currency"
        packs
        own
        @give-up="forget(family.value)"
      />
      <Choice
        v-if="unpriced.length"
        :model-value="''"
        :options="[{ value: '', text: 'One ink is sold otherwise …' }, ...unpriced]"
        aria-label="Ink with prices of its own"
        @update:model-value="(v) => priceApart(String(v))"
      />
      <BottlesSold
        v-model:bottles="form.fluidBottles"
        what="Cleaning fluid"
        field="fluidBottles"
        :problem="problem"
        :currency="form.currency"
      />
    </ShopBlock>
  </div>
</template>
