<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, reactive, ref } from 'vue'
import { api } from '../api/client'
import FieldProblem from '../shell/FieldProblem.vue'
import TextInput from '../shell/TextInput.vue'
import ShelfParts from '../shelf/ShelfParts.vue'
import { numberOf } from '../units/typed'
import ArticlesTable from './ArticlesTable.vue'
import ProposalPlate from './ProposalPlate.vue'
import PurchasePlate from './PurchasePlate.vue'
import { useBuying } from './useBuying'

/** What runs out when, what to order, and what is on its way. */
const { buying, problem, act, busy, unit, zone, currency } = useBuying()
const adding = ref(false)
/** What stands below the order waits for it, so that nothing jumps. */
const arrived = ref(false)
const own = reactive({ label: '', count: '0' })
const open = computed(() => buying.value?.purchases.filter((p) => ['ORDERED', 'CAME_IN_PART'].includes(p.state)) ?? [])
const past = computed(() => buying.value?.purchases.filter((p) => !open.value.includes(p)) ?? [])
const failed = computed(() => (buying.value && problem.value?.errors?.length ? undefined : problem.value?.detail))

function addOwn() {
  void act(
    () => api.POST('/api/buying/articles', { body: { label: own.label, count: Math.round(numberOf(own.count)) } }),
    () => {
      adding.value = false
      own.label = ''
    },
  )
}
</script>

<template>
  <div class="page">
    <header class="head">
      <h1>Shelf</h1>
      <BButton variant="outline-secondary" @click="adding = !adding">{{
        adding ? 'Not now' : 'An article of our own'
      }}</BButton>
    </header>
    <ShelfParts />
    <form v-if="adding" class="thin row-form own" novalidate @submit.prevent="addOwn">
      <label for="own-label">What it is called</label>
      <TextInput id="own-label" v-model="own.label" />
      <FieldProblem :problem="problem" field="label" />
      <label for="own-count">how many are here</label>
      <TextInput id="own-count" v-model="own.count" inputmode="numeric" />
      <FieldProblem :problem="problem" field="count" />
      <BButton type="submit" variant="primary" :disabled="busy">Onto the shelf</BButton>
    </form>
    <p v-if="failed" class="notice" role="alert">{{ failed }}</p>
    <p v-if="!buying && !problem" class="quiet loading">Looking along the shelf …</p>
    <template v-if="buying">
      <ProposalPlate
        :currency="currency"
        :unit="unit"
        :busy="busy"
        @arrived="arrived = true"
        @order="
          (o) =>
            act(() =>
              api.POST('/api/purchases', {
                body: { supplier: o.supplier, lines: o.lines.map((l) => ({ offer: l.offer, count: l.count })) },
              }),
            )
        "
      />
      <p v-for="b in buying.broken" v-show="arrived" :key="`${b.machine} ${b.words}`" class="notice">
        <span
          >Not mended yet on <RouterLink :to="`/machines/${b.machine}/papers`">{{ b.name }}</RouterLink>: {{ b.words }}.
          Does a part for it come with this order?</span
        >
      </p>
      <section v-if="open.length" v-show="arrived">
        <h2>On its way</h2>
        <PurchasePlate
          v-for="p in open"
          :key="p.id"
          :purchase="p"
          :currency="currency"
          :zone="zone"
          :problem="problem"
          :busy="busy"
          @came="
            (lines, done) =>
              act(
                () =>
                  api.POST('/api/purchases/{purchase}/came', {
                    params: { path: { purchase: p.id } },
                    body: { lines },
                  }),
                done,
              )
          "
          @off="act(() => api.POST('/api/purchases/{purchase}/off', { params: { path: { purchase: p.id } } }))"
        />
      </section>
      <ArticlesTable
        v-show="arrived"
        :articles="buying.articles"
        :suppliers="buying.suppliers"
        :unit="unit"
        :today="buying.today"
        :problem="problem"
        :busy="busy"
        @want="
          (article, minimum, reserve, done) =>
            act(() => api.PUT('/api/buying/articles', { body: { article, minimum, reserve } }), done)
        "
        @counted="
          (article, count, why, done) =>
            act(() => api.POST('/api/buying/articles/counted', { body: { article, count, why } }), done)
        "
      />
      <details v-if="past.length" v-show="arrived" class="fold">
        <summary>Orders of before</summary>
        <PurchasePlate
          v-for="p in past"
          :key="p.id"
          :purchase="p"
          :currency="currency"
          :zone="zone"
          :problem="undefined"
          :busy="busy"
        />
      </details>
    </template>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  gap: 16px;
  align-items: center;
  margin-bottom: 16px;
  flex-wrap: wrap;
}
.head h1 {
  margin-right: auto;
}
.own {
  padding: 14px 18px;
  margin-bottom: 20px;
  align-items: center;
}
section {
  margin-bottom: 24px;
}
</style>
