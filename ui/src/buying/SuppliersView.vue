<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { api, type Schemas } from '../api/client'
import ShelfParts from '../shelf/ShelfParts.vue'
import { money } from '../units/format'
import { minorDigits } from '../units/typed'
import OfferForm from './OfferForm.vue'
import SupplierForm from './SupplierForm.vue'
import WatchPlate from './WatchPlate.vue'
import { amountOf, ranked, useBuying, type Supplier } from './useBuying'

/** Whom is bought from, what they sell, and what a mL costs at each. */
const { buying, problem, forget, act, busy, unit, zone, currency } = useBuying()
/** 0 for a new one */
const changing = ref<number>()
const selling = ref<number>()
const cost = (minor: number) => money({ minor, currency: currency.value })
/** Of a mL, more exactly than coins go. */
const fine = (minor: number) => (minor / 10 ** minorDigits(currency.value)).toPrecision(3)
const failed = computed(() => (problem.value?.errors?.length ? undefined : problem.value?.detail))
const comparison = computed(() =>
  (buying.value?.articles ?? [])
    .map((a) => ({ article: a, offers: ranked(buying.value?.suppliers ?? [], a.key) }))
    .filter((c) => c.offers.length > 1),
)
const hours = (s: Supplier) =>
  s.opens && s.closes
    ? `${s.opens.slice(0, 5)}–${s.closes.slice(0, 5)} there` +
      (s.zone === zone.value ? '' : `, ${s.hereFrom?.slice(0, 5)}–${s.hereTo?.slice(0, 5)} here`)
    : 'hours not known'
function change(id: number | undefined) {
  forget()
  changing.value = id
}
function keep(supplier: Schemas['NewSupplier']) {
  const id = changing.value
  void act(
    () =>
      id
        ? api.PUT('/api/suppliers/{id}', { params: { path: { id } }, body: supplier })
        : api.POST('/api/suppliers', { body: supplier }),
    () => (changing.value = undefined),
  )
}
function leave(id: number) {
  void act(
    () => api.DELETE('/api/suppliers/{id}', { params: { path: { id } } }),
    () => (changing.value = undefined),
  )
}
function sellsNoMore(offer: number) {
  void act(() => api.DELETE('/api/offers/{offer}', { params: { path: { offer } } }))
}
function sells(id: number, offer: Schemas['NewOffer']) {
  void act(
    () => api.POST('/api/suppliers/{id}/offers', { params: { path: { id } }, body: offer }),
    () => (selling.value = undefined),
  )
}
</script>

<template>
  <div class="page">
    <header class="head">
      <h1>Shelf</h1>
      <BButton
        :variant="changing === 0 ? 'outline-secondary' : 'primary'"
        @click="change(changing === 0 ? undefined : 0)"
        >{{ changing === 0 ? 'Not now' : 'A new supplier' }}</BButton
      >
    </header>
    <ShelfParts />
    <p v-if="failed" class="notice" role="alert">{{ failed }}</p>
    <p v-if="!buying && !problem" class="quiet loading">Looking them up …</p>
    <SupplierForm
      v-if="changing === 0"
      :zone="zone"
      :currency="currency"
      :problem="problem"
      :busy="busy"
      @keep="keep"
    />
    <template v-if="buying">
      <p v-if="!buying.suppliers.length" class="quiet">
        Nobody is known yet. Enter whom you buy from and what they sell, and orders are worked out.
      </p>
      <section v-for="s in buying.suppliers" :key="s.id">
        <div class="title">
          <h2>{{ s.name }}</h2>
          <BButton
            size="sm"
            variant="link"
            :aria-label="`Change ${s.name}`"
            @click="change(changing === s.id ? undefined : s.id)"
            >{{ changing === s.id ? 'Not now' : 'Change' }}</BButton
          >
          <BButton size="sm" variant="outline-secondary" @click="selling = selling === s.id ? undefined : s.id">{{
            selling === s.id ? 'Not now' : 'They sell something more'
          }}</BButton>
        </div>
        <p class="small quiet">
          {{ s.leadDays }} days · postage {{ cost(s.postage)
          }}{{ s.freeFrom === undefined ? '' : `, free from ${cost(s.freeFrom)}` }} · {{ hours(s)
          }}{{ s.notes ? ` · ${s.notes}` : '' }}
        </p>
        <SupplierForm
          v-if="changing === s.id"
          :supplier="s"
          :zone="zone"
          :currency="currency"
          :problem="problem"
          :busy="busy"
          @keep="keep"
          @leave="leave(s.id)"
        />
        <OfferForm
          v-if="selling === s.id"
          :articles="buying.articles"
          :unit="unit"
          :currency="currency"
          :problem="problem"
          :busy="busy"
          @sells="sells(s.id, $event)"
        />
        <details v-if="s.offers.length" class="fold">
          <summary>{{ s.offers.length }} {{ s.offers.length === 1 ? 'thing' : 'things' }} they sell</summary>
          <table class="figures">
            <tbody>
              <tr v-for="o in s.offers" :key="o.id">
                <td>
                  {{ o.name }}
                  <span class="quiet small">{{
                    o.contents
                      .map((c) => `${amountOf(c.each, /^(ink|fluid)/.test(c.article), unit)} ${c.label}`)
                      .join(', ')
                  }}</span>
                </td>
                <td>
                  {{
                    o.tiers.map((t) => (t.from === 1 ? cost(t.price) : `from ${t.from} ${cost(t.price)}`)).join(', ')
                  }}
                </td>
                <td>
                  <BButton
                    size="sm"
                    variant="link"
                    :disabled="busy"
                    :aria-label="`${o.name} is not sold any more`"
                    @click="sellsNoMore(o.id)"
                    >Not any more</BButton
                  >
                </td>
              </tr>
            </tbody>
          </table>
        </details>
      </section>
      <WatchPlate :currency="currency" :zone="zone" />
      <section v-if="comparison.length">
        <h2>What one mL or piece costs, the cheapest first</h2>
        <div class="scroll-x" tabindex="0" role="region" aria-label="Prices compared">
          <table class="figures">
            <tbody>
              <tr v-for="c in comparison" :key="c.article.key">
                <td>{{ c.article.label }}</td>
                <td class="ranked">
                  <span v-for="(o, i) in c.offers" :key="i" :class="{ strong: i === 0 }"
                    >{{ currency }} {{ fine(o.perUnit) }}
                    <span class="quiet small">{{ o.supplier }}: {{ o.offer }}</span></span
                  >
                </td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
    </template>
  </div>
</template>

<style scoped>
.head,
.title {
  display: flex;
  gap: 14px;
  align-items: center;
  flex-wrap: wrap;
  margin-bottom: 6px;
}
.head {
  margin-bottom: 16px;
}
.head h1 {
  margin-right: auto;
}
section {
  margin-bottom: 24px;
}
h2 {
  margin-bottom: 8px;
}
.ranked > span {
  display: block;
}
</style>
