<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { onMounted, reactive, ref } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import FieldProblem from '../shell/FieldProblem.vue'
import { useLive } from '../shell/live'
import NumberInput from '../shell/NumberInput.vue'
import { oneAtATime } from '../shell/oneAtATime'
import TextInput from '../shell/TextInput.vue'
import Tick from '../shell/Tick.vue'
import { dayAndTime, money } from '../units/format'
import { moneyOf, numberOf } from '../units/typed'

/** What is scarce: where it is looked for, when somebody last looked, and what is paid at most. */
const props = defineProps<{ currency: string; zone: string }>()
const watched = ref<Schemas['WatchedJson'][]>()
const adding = ref(false)
const problem = ref<Problem>()
const form = reactive({ what: '', engine: '', seller: '', ceiling: '', remote: false, spares: false, every: '1' })
const prices = reactive<Record<number, number>>({})
const cost = (minor: number) => money({ minor, currency: props.currency })

async function load() {
  const { data } = await api.GET('/api/watched')
  if (data) watched.value = data
}
onMounted(load)
useLive(() => ['shelf'], load)

function settle({ data, error }: { data?: Schemas['WatchedJson'][]; error?: unknown }) {
  problem.value = error ? problemOf(error) : undefined
  if (data) watched.value = data
  return !error
}
const { run: add, busy } = oneAtATime(async () => {
  const { ceiling, every, ...rest } = form
  const kept = settle(
    await api.POST('/api/watched', {
      body: {
        ...rest,
        every: Math.round(numberOf(every)),
        ...(ceiling.trim() ? { ceiling: moneyOf(ceiling, props.currency) } : {}),
      },
    }),
  )
  if (!kept) return
  adding.value = false
  Object.assign(form, { what: '', engine: '', seller: '', ceiling: '', remote: false, spares: false, every: '1' })
})
const { run: seen } = oneAtATime(async (id: number, state: 'THERE' | 'GONE') => {
  const price = prices[id]
  settle(
    await api.PUT('/api/watched/{watched}/seen', {
      params: { path: { watched: id } },
      body: { state, ...(state === 'THERE' && price !== undefined ? { price } : {}) },
    }),
  )
})
const { run: noMore } = oneAtATime(async (id: number) => {
  settle(await api.POST('/api/watched/{watched}/gone', { params: { path: { watched: id } } }))
})
function stands(w: Schemas['WatchedJson']): string {
  const at = w.watched.lookedAt ? `, ${dayAndTime(w.watched.lookedAt, props.zone)}` : ''
  if (w.watched.state === 'NOT_LOOKED') return 'nobody looked yet'
  const price = w.watched.price === undefined ? '' : ` for ${cost(w.watched.price)}`
  return `${w.watched.state === 'THERE' ? `there${price}` : 'sold out'}${at}`
}
</script>

<template>
  <section>
    <div class="title">
      <h2>Looked for</h2>
      <BButton variant="outline-secondary" size="sm" :aria-expanded="adding" @click="adding = !adding">{{
        adding ? 'Not now' : 'Watch something'
      }}</BButton>
    </div>
    <form v-if="adding" class="adding" @submit.prevent="add">
      <label>What <TextInput v-model="form.what" /><FieldProblem :problem="problem" field="what" /></label>
      <label>Where <TextInput v-model="form.seller" /><FieldProblem :problem="problem" field="seller" /></label>
      <label
        >Engine inside <TextInput v-model="form.engine" placeholder="to hold it against others of the same"
      /></label>
      <label
        >At most, {{ currency }} <TextInput v-model="form.ceiling" inputmode="decimal" /><FieldProblem
          :problem="problem"
          field="ceiling"
      /></label>
      <label
        >Look every, days <TextInput v-model="form.every" inputmode="numeric" /><FieldProblem
          :problem="problem"
          field="every"
      /></label>
      <div>
        <Tick v-model="form.remote">they help over the wire</Tick>
        <Tick v-model="form.spares">they keep parts</Tick>
      </div>
      <BButton type="submit" variant="primary" :disabled="busy">Watch it</BButton>
    </form>
    <p v-if="watched && !watched.length && !adding" class="quiet">Nothing is looked for.</p>
    <ul v-else class="lines">
      <li v-for="w in watched" :key="w.watched.id">
        <span>
          <b>{{ w.watched.what }}</b> at {{ w.watched.seller }}
          <b v-if="w.toBuy" class="tag">buy it</b>
          <b v-else-if="w.due" class="act small">look today</b>
          <span class="small quiet more"
            >{{ stands(w) }}{{ w.watched.ceiling === undefined ? '' : ` · at most ${cost(w.watched.ceiling)}`
            }}{{ w.watched.remote ? ' · help over the wire' : '' }}{{ w.watched.spares ? ' · keeps parts' : '' }}</span
          >
          <span v-for="words in w.besides" :key="words" class="small more">{{ words }}</span>
        </span>
        <span class="seen">
          <NumberInput
            :model-value="prices[w.watched.id] ?? w.watched.price ?? 0"
            :currency="currency"
            lazy
            :aria-label="`Price of ${w.watched.what} at ${w.watched.seller}`"
            @update:model-value="(n: number) => (prices[w.watched.id] = n)"
          />
          <BButton size="sm" variant="outline-secondary" @click="seen(w.watched.id, 'THERE')">There</BButton>
          <BButton size="sm" variant="outline-secondary" @click="seen(w.watched.id, 'GONE')">Sold out</BButton>
          <BButton
            size="sm"
            variant="link"
            :aria-label="`Watch ${w.watched.what} no more`"
            @click="noMore(w.watched.id)"
            >No more</BButton
          >
        </span>
      </li>
    </ul>
    <p v-if="problem && !problem.errors?.length" class="act strong small" role="alert">{{ problem.detail }}</p>
  </section>
</template>

<style scoped>
.adding {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
  gap: 10px 14px;
  align-items: end;
  margin-bottom: 12px;
}
.adding > label {
  display: grid;
  gap: 3px;
}
.more {
  display: block;
}
.seen {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.seen :deep(input) {
  width: 110px;
}
.title {
  display: flex;
  gap: 14px;
  align-items: center;
  margin-bottom: 8px;
}
.title h2 {
  margin: 0;
}
</style>
