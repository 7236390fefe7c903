<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, reactive, ref } from 'vue'
import type { Problem, Schemas } from '../api/client'
import DateInput from '../shell/DateInput.vue'
import FieldProblem from '../shell/FieldProblem.vue'
import TextInput from '../shell/TextInput.vue'
import { day, money } from '../units/format'
import { numberOf } from '../units/typed'
import type { Purchase } from './useBuying'

/** An order, and what has come of it. */
const props = defineProps<{
  purchase: Purchase
  currency: string
  zone: string
  problem: Problem | undefined
  busy: boolean
}>()
const emit = defineEmits<{ came: [lines: Schemas['ArrivedJson'][], done: () => void]; off: [] }>()
const STATES = { ORDERED: 'ordered', CAME_IN_PART: 'came in part', CAME: 'came', CANCELLED: 'off' }
const open = computed(() => props.purchase.state === 'ORDERED' || props.purchase.state === 'CAME_IN_PART')
const asking = ref(false)
const counts = reactive<Record<number, string>>({})
const codes = reactive<Record<string, string>>({})
const bestBefore = ref('')
const waiting = computed(() => props.purchase.lines.filter((l) => l.came < l.count))
const bottles = computed(() =>
  waiting.value
    .filter((l) => numberOf(counts[l.offer]) > 0)
    .flatMap((l) => l.contents.filter((c) => /^(ink|fluid)\//.test(c.article))),
)
function ask() {
  waiting.value.forEach((l) => (counts[l.offer] = String(l.count - l.came)))
  asking.value = true
}
function send() {
  const lines = waiting.value
    .map((l) => ({
      offer: l.offer,
      count: Math.round(numberOf(counts[l.offer])),
      codes: Object.fromEntries(l.contents.map((c) => [c.article, codes[c.article] ?? ''])),
      bestBefore: bestBefore.value || undefined,
    }))
    .filter((l) => l.count > 0)
  emit('came', lines, () => (asking.value = false))
}
</script>

<template>
  <article class="purchase">
    <div class="line">
      <span
        ><b>No. {{ purchase.id }}, {{ purchase.supplier }}</b> · {{ day(purchase.madeAt, zone) }} ·
        {{ STATES[purchase.state] }} · {{ money({ minor: purchase.total, currency }) }}</span
      >
      <span class="acts">
        <a :href="`/api/purchases/${purchase.id}.csv`" download>As a table (CSV)</a>
        <a :href="`/api/purchases/${purchase.id}.pdf`" target="_blank">On paper (PDF)</a>
        <BButton v-if="open && !asking" variant="outline-secondary" @click="ask">It came</BButton>
        <BButton v-if="open && !asking" variant="link" :disabled="busy" @click="emit('off')">It is off</BButton>
      </span>
    </div>
    <p class="small quiet">
      {{
        purchase.lines
          .map((l) => `${l.count} × ${l.name}${l.came && l.came < l.count ? ` (${l.came} came)` : ''}`)
          .join(', ')
      }}
    </p>
    <form v-if="asking" class="thin came" novalidate @submit.prevent="send">
      <div v-for="l in waiting" :key="l.offer">
        <label :for="`n-${purchase.id}-${l.offer}`">{{ l.name }}: how many of {{ l.count - l.came }}</label>
        <TextInput :id="`n-${purchase.id}-${l.offer}`" v-model="counts[l.offer]" inputmode="numeric" />
      </div>
      <div v-for="b in bottles" :key="b.article">
        <label :for="`code-${purchase.id}-${b.article}`">{{ b.label }}: code on the bottle</label>
        <TextInput :id="`code-${purchase.id}-${b.article}`" v-model="codes[b.article]" />
        <FieldProblem :problem="problem" :field="b.article" />
      </div>
      <div v-if="bottles.length">
        <label :for="`best-${purchase.id}`">Best before</label>
        <DateInput :id="`best-${purchase.id}`" v-model="bestBefore" />
      </div>
      <div class="send">
        <BButton type="submit" variant="primary" :disabled="busy">Onto the shelf</BButton>
        <BButton variant="link" @click="asking = false">Not now</BButton>
      </div>
    </form>
  </article>
</template>

<style scoped>
.purchase {
  border-top: 1.5px solid var(--line);
  padding: 8px 0;
}
.line {
  display: flex;
  gap: 4px 16px;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
}
.acts {
  display: flex;
  gap: 14px;
  flex-wrap: wrap;
  align-items: center;
}
.came {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
  gap: 12px;
  padding: 14px;
  align-items: end;
}
.send {
  grid-column: 1 / -1;
  display: flex;
  gap: 12px;
  align-items: center;
  flex-wrap: wrap;
}
</style>
