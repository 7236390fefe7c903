<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { api, problemOf, type Schemas } from '../api/client'
import { useLive } from '../shell/live'
import Choice from '../shell/Choice.vue'
import NumberInput from '../shell/NumberInput.vue'

/** Tools, parts and what is used up: plans strike off what is counted here. */
defineProps<{ currency: string }>()

type Line = Schemas['Line']
const KINDS = [
  { kind: 'PART', title: 'Parts' },
  { kind: 'CONSUMED', title: 'Used up' },
  { kind: 'TOOL', title: 'Tools' },
] as const

const lines = ref<Line[]>([])
const problem = ref('')
/** Why what is here is not what the book says: it stands in the log beside the difference. */
const WHYS = ['counted', 'used up', 'spoiled or lost', 'found again', 'bought']
const why = ref('counted')
async function load() {
  const { data } = await api.GET('/api/shelf/supplies')
  if (data) lines.value = data
}
onMounted(load)
useLive(() => ['shelf'], load)
const groups = computed(() => KINDS.map((k) => ({ ...k, lines: lines.value.filter((l) => l.kind === k.kind) })))

async function count(line: Line, change: { count?: number; price?: number }) {
  if (Number.isNaN(change.count) || Number.isNaN(change.price)) return // the field says why
  const { data, error } = await api.PUT('/api/shelf/supplies/{what}', {
    params: { path: { what: line.what } },
    body: {
      count: Math.round(change.count ?? line.count),
      price: change.price ?? line.price,
      why: change.count === undefined ? undefined : why.value,
    },
  })
  problem.value = error ? problemOf(error).detail : ''
  if (data) lines.value = data
}
</script>

<template>
  <section>
    <h2>Parts, tools and small things</h2>
    <p class="row-form why">
      <label for="supplies-why">What differs was</label>
      <Choice id="supplies-why" v-model="why" :options="WHYS" />
    </p>
    <p v-if="problem" class="act strong" role="alert">{{ problem }}</p>
    <div class="groups">
      <table v-for="group in groups" :key="group.kind" class="figures">
        <thead>
          <tr>
            <th>{{ group.title }}</th>
            <th>here</th>
            <th>each, {{ currency }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="line in group.lines" :key="line.what">
            <td>{{ line.label }}</td>
            <td>
              <NumberInput
                :model-value="line.count"
                lazy
                :aria-label="`${line.label}: how many`"
                @update:model-value="(n: number) => count(line, { count: n })"
              />
            </td>
            <td>
              <NumberInput
                :model-value="line.price"
                :currency="currency"
                lazy
                :aria-label="`${line.label}: price of one`"
                @update:model-value="(n: number) => count(line, { price: n })"
              />
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
section {
  margin-top: 28px;
}
.why {
  max-width: 280px;
}
.groups {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(330px, 1fr));
  gap: 26px;
  align-items: start;
}
td input {
  width: 78px;
}
</style>
