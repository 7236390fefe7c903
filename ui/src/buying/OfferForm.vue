<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, reactive, ref } from 'vue'
import type { Problem, Schemas } from '../api/client'
import Choice from '../shell/Choice.vue'
import FieldProblem from '../shell/FieldProblem.vue'
import TextInput from '../shell/TextInput.vue'
import { typedVolume, type VolumeUnit } from '../units/format'
import { exchanged, moneyOf, numberOf, typedMoney } from '../units/typed'
import type { Article } from './useBuying'

/** A bottle, a pack or a set that a supplier sells, and its price by how many are bought. */
const props = defineProps<{
  articles: Article[]
  unit: VolumeUnit
  currency: string
  problem: Problem | undefined
  busy: boolean
}>()
const emit = defineEmits<{ sells: [offer: Schemas['NewOffer']] }>()
const name = ref('')
const contents = reactive([{ article: '', each: '' }])
const tiers = reactive([{ from: '1', price: '' }])
/** Where it is sold in another currency: what one of it is in the shop’s. */
const abroad = reactive({ on: false, currency: '', rate: '' })
const CURRENCIES = Intl.supportedValuesOf('currency')
const paidIn = computed(() => (abroad.on && CURRENCIES.includes(abroad.currency) ? abroad.currency : props.currency))
/** In minor units of the shop’s currency. */
const priced = (text: string) =>
  abroad.on
    ? exchanged(moneyOf(text, paidIn.value), paidIn.value, abroad.rate, props.currency)
    : moneyOf(text, props.currency)
const options = computed(() => [
  { value: '', text: 'choose' },
  ...props.articles.map((a) => ({ value: a.key, text: a.label })),
])
const liquid = (key: string) => /^(ink|fluid)\//.test(key)
function send() {
  emit('sells', {
    name: name.value,
    contents: contents
      .filter((c) => c.article)
      .map((c) => ({
        article: c.article,
        each: liquid(c.article) ? Number(typedVolume(c.each, props.unit)) : numberOf(c.each),
      })),
    tiers: tiers
      .filter((t) => t.price.trim())
      .map((t) => ({ from: Math.round(numberOf(t.from)), price: priced(t.price) })),
  })
}
</script>

<template>
  <form class="thin form" novalidate @submit.prevent="send">
    <div>
      <label for="offer-name">Sold as</label>
      <TextInput id="offer-name" v-model="name" />
      <FieldProblem :problem="problem" field="name" />
    </div>
    <fieldset>
      <legend class="small">What is in it</legend>
      <div v-for="(c, i) in contents" :key="i" class="pair">
        <Choice v-model="c.article" :options="options" :aria-label="`Article ${i + 1}`" />
        <TextInput
          v-model="c.each"
          inputmode="decimal"
          :placeholder="liquid(c.article) ? unit : 'pieces'"
          :aria-label="`How much of article ${i + 1}`"
        />
      </div>
      <FieldProblem :problem="problem" field="contents" />
      <FieldProblem :problem="problem" field="each" />
      <BButton size="sm" variant="link" @click="contents.push({ article: '', each: '' })">Another: it is a set</BButton>
    </fieldset>
    <fieldset>
      <legend class="small">Price of one, {{ abroad.on ? abroad.currency || 'in its currency' : currency }}</legend>
      <div v-if="abroad.on" class="pair">
        <TextInput
          :model-value="abroad.currency"
          maxlength="3"
          placeholder="currency"
          aria-label="Its currency"
          @update:model-value="(text) => (abroad.currency = String(text).toUpperCase())"
        />
        <TextInput
          v-model="abroad.rate"
          inputmode="decimal"
          placeholder="rate"
          :aria-label="`One of it is so many ${currency}`"
        />
      </div>
      <div v-for="(t, i) in tiers" :key="i" class="pair">
        <TextInput v-model="t.from" inputmode="numeric" :aria-label="`From how many, price ${i + 1}`" />
        <TextInput v-model="t.price" inputmode="decimal" :aria-label="`Price ${i + 1}`" />
      </div>
      <p v-if="abroad.on && tiers[0]?.price && !Number.isNaN(priced(tiers[0].price))" class="small" role="status">
        That is {{ typedMoney(priced(tiers[0].price), currency) }} {{ currency }}, kept at today’s rate.
      </p>
      <FieldProblem :problem="problem" field="tiers" />
      <BButton size="sm" variant="link" @click="tiers.push({ from: '', price: '' })">Cheaper from more</BButton>
      <BButton size="sm" variant="link" @click="abroad.on = !abroad.on">{{
        abroad.on ? `Sold in ${currency}` : 'Sold in another currency'
      }}</BButton>
    </fieldset>
    <BButton type="submit" variant="primary" :disabled="busy">They sell it</BButton>
  </form>
</template>

<style scoped>
.form {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
  gap: 12px 18px;
  padding: 14px 18px;
  margin: 8px 0;
  align-items: start;
}
.form > .btn {
  justify-self: start;
  align-self: end;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 110px;
  gap: 8px;
  margin-bottom: 6px;
}
</style>
