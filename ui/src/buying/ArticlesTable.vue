<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, reactive, ref } from 'vue'
import FieldProblem from '../shell/FieldProblem.vue'
import TextInput from '../shell/TextInput.vue'
import Tick from '../shell/Tick.vue'
import type { Problem } from '../api/client'
import { dateOf, typable, typedVolume, type VolumeUnit } from '../units/format'
import { numberOf } from '../units/typed'
import ArticleCards from './ArticleCards.vue'
import { amountOf, matters, type Article, type Supplier } from './useBuying'

/** What there is of each, how long it lasts, and by when to order. */
const props = defineProps<{
  articles: Article[]
  suppliers: Supplier[]
  unit: VolumeUnit
  today: string
  problem: Problem | undefined
  busy: boolean
}>()
const emit = defineEmits<{
  want: [article: string, minimum: number, reserve: number, done: () => void]
  counted: [article: string, count: number, why: string, done: () => void]
}>()
const every = ref(false)
/** What is due soonest stands first; the rest when somebody goes on. */
const FIRST = window.matchMedia('(max-width: 700px)').matches ? 5 : 14
const whole = ref(false)
const found = computed(() => props.articles.filter((a) => every.value || matters(a)))
const shown = computed(() => (whole.value ? found.value : found.value.slice(0, FIRST)))
const amount = (a: Article, much: number) => amountOf(much, a.liquid, props.unit)
const changing = ref<string>()
const form = reactive({ minimum: '', reserve: '', count: '', why: '' })
function change(a: Article) {
  changing.value = a.key
  form.minimum = a.liquid ? typable(a.minimum, props.unit) : String(a.minimum)
  form.reserve = a.liquid ? typable(a.reserve, props.unit) : String(a.reserve)
  form.count = String(a.left)
  form.why = ''
}
const typed = (a: Article, text: string) => (a.liquid ? Number(typedVolume(text, props.unit)) : numberOf(text))
const done = () => (changing.value = undefined)
function keep(a: Article) {
  emit('want', a.key, typed(a, form.minimum), typed(a, form.reserve), done)
}
const sellers = (a: Article) =>
  props.suppliers.filter((s) => s.offers.some((o) => o.contents.some((c) => c.article === a.key))).map((s) => s.name)
const due = (a: Article) => a.orderBy !== undefined && a.orderBy <= props.today
</script>

<template>
  <section>
    <div class="title">
      <h2>What there is, and how long it lasts</h2>
      <Tick v-model="every">everything, used or not</Tick>
    </div>
    <p v-if="!shown.length" class="quiet">Nothing has been used yet, and nothing is wanted.</p>
    <div v-else class="scroll-x" tabindex="0" role="region" aria-label="Articles">
      <table class="figures cards">
        <thead>
          <tr>
            <th>article</th>
            <th>on the shelf</th>
            <th>a week</th>
            <th>runs out</th>
            <th>order by</th>
            <th>at least</th>
            <th></th>
          </tr>
        </thead>
        <tbody>
          <template v-for="a in shown" :key="a.key">
            <tr>
              <td>
                {{ a.label }}
                <span v-if="a.users.length" class="quiet small">{{ a.users.join(', ') }}</span>
              </td>
              <td data-th="on the shelf">
                <b>{{ amount(a, a.left) }}</b>
                <span v-if="a.inMachines" class="quiet small">and {{ amount(a, a.inMachines) }} in machines</span>
                <span v-if="a.onTheWay" class="quiet small">and {{ amount(a, a.onTheWay) }} on the way</span>
                <span v-if="a.due" class="quiet small">{{ amount(a, a.due) }} wanted soon</span>
              </td>
              <td data-th="a week" :class="{ none: !a.perWeek }">{{ a.perWeek ? amount(a, a.perWeek) : '–' }}</td>
              <td data-th="runs out" :class="{ none: !a.expected }">
                <template v-if="a.expected"
                  >{{ dateOf(a.expected) }}
                  <span class="quiet small"
                    >{{ a.earliest ? dateOf(a.earliest) : '' }} –
                    {{ a.latest ? dateOf(a.latest) : 'in over two years' }}</span
                  ></template
                ><template v-else>–</template>
              </td>
              <td data-th="order by" :class="{ none: !a.orderBy }">
                <span v-if="a.orderBy" :class="{ 'act strong': due(a) }">{{
                  due(a) ? (a.low ? 'now: it is low' : 'now') : dateOf(a.orderBy)
                }}</span><template v-else>–</template>
                <span v-if="a.orderBy && !a.sold" class="quiet small">nobody sells it yet</span>
              </td>
              <td data-th="at least" :class="{ none: !a.minimum && !a.reserve }">
                {{ a.minimum ? amount(a, a.minimum) : '–' }}
                <span v-if="a.reserve" class="quiet small">{{ amount(a, a.reserve) }} kept back</span>
              </td>
              <td>
                <BButton
                  size="sm"
                  variant="link"
                  :aria-expanded="changing === a.key"
                  :aria-label="`Change ${a.label}`"
                  @click="changing === a.key ? done() : change(a)"
                  >Change</BButton
                >
              </td>
            </tr>
            <tr v-if="changing === a.key" class="changing">
              <td colspan="7">
                <ArticleCards :article="a.key" :sellers="sellers(a)" />
                <form class="row-form" novalidate @submit.prevent="keep(a)">
                  <label :for="`min-${a.key}`">Always at least{{ a.liquid ? `, ${unit}` : '' }}</label>
                  <TextInput :id="`min-${a.key}`" v-model="form.minimum" inputmode="decimal" />
                  <FieldProblem :problem="problem" field="minimum" />
                  <template v-if="a.liquid">
                    <label :for="`reserve-${a.key}`">Kept back from plans, {{ unit }}</label>
                    <TextInput :id="`reserve-${a.key}`" v-model="form.reserve" inputmode="decimal" />
                    <FieldProblem :problem="problem" field="reserve" />
                  </template>
                  <BButton type="submit" variant="primary" :disabled="busy">Keep it</BButton>
                </form>
                <form
                  v-if="a.own"
                  class="row-form"
                  novalidate
                  @submit.prevent="emit('counted', a.key, Math.round(numberOf(form.count)), form.why, done)"
                >
                  <label :for="`count-${a.key}`">Counted</label>
                  <TextInput :id="`count-${a.key}`" v-model="form.count" inputmode="numeric" />
                  <label :for="`why-${a.key}`">why it differs</label>
                  <TextInput :id="`why-${a.key}`" v-model="form.why" />
                  <FieldProblem :problem="problem" field="why" />
                  <BButton type="submit" variant="outline-secondary" :disabled="busy">It is so many</BButton>
                </form>
              </td>
            </tr>
          </template>
        </tbody>
      </table>
    </div>
    <BButton v-if="found.length > shown.length" variant="outline-secondary" @click="whole = true"
      >All {{ found.length }}</BButton
    >
    <p class="small quiet">
      Learned from what the machines and the cards used of late. The dates under “runs out” hold in eight cases of ten;
      whoever orders by the day said has it before it is missing.
    </p>
  </section>
</template>

<style scoped>
.title {
  display: flex;
  gap: 14px;
  align-items: center;
  flex-wrap: wrap;
}
.title h2 {
  margin-right: auto;
}
td .small {
  display: block;
}
.title,
h2 {
  margin-bottom: 8px;
}
.row-form {
  align-items: center;
}
.row-form input {
  width: 110px;
}
</style>
