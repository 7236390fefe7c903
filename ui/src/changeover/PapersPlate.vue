<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { api, problemOf, type Schemas } from '../api/client'
import { asQuery, type Wish } from './wish'

/** The plan on paper and in files, out and in. */
const props = defineProps<{ machine: number; wish: Wish }>()
const emit = defineEmits<{ broughtIn: [answer: Schemas['BroughtIn']] }>()

const query = computed(() => asQuery(props.wish))
const path = computed(() => `/api/machines/${props.machine}/changeover`)
const file = ref<HTMLInputElement>()
const said = ref<string[]>([])

async function bringIn(event: Event) {
  const input = event.target as HTMLInputElement
  const chosen = input.files?.[0]
  input.value = ''
  if (!chosen) return
  const { data, error } = await api.POST('/api/machines/{machine}/bring-in', {
    params: { path: { machine: props.machine }, query: props.wish },
    body: chosen as unknown as string,
    bodySerializer: (body: unknown) => body as Blob,
    headers: { 'Content-Type': 'application/octet-stream' },
  })
  if (error) said.value = [problemOf(error).detail]
  else {
    said.value = data.differences.length
      ? data.differences
      : [data.kind === 'card' ? 'The card is kept with the machine.' : 'It agrees with the plan.']
    emit('broughtIn', data)
  }
}
</script>

<template>
  <section>
    <h2>On paper, in files</h2>
    <div class="links">
      <a class="btn btn-outline-secondary" :href="`${path}/card.pdf?${query}`">Card, PDF</a>
      <a class="btn btn-outline-secondary" :href="`${path}/shopping.pdf?${query}`">Shopping list, PDF</a>
      <a class="btn btn-outline-secondary" :href="`${path}/plan.json?${query}`">Plan, JSON</a>
      <a class="btn btn-outline-secondary" :href="`${path}/quantities.csv?${query}`">Quantities, CSV</a>
      <BButton variant="outline-secondary" @click="file?.click()">Bring one in</BButton>
    </div>
    <input
      ref="file"
      type="file"
      accept=".json,.csv"
      class="visually-hidden"
      tabindex="-1"
      aria-label="Plan, card or quantities"
      @change="bringIn"
    />
    <ul v-if="said.length" class="said" role="status">
      <li v-for="words in said" :key="words">{{ words }}</li>
    </ul>
  </section>
</template>

<style scoped>
section {
  margin-top: 26px;
}
h2 {
  margin-bottom: 8px;
}
.links {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
.said {
  margin: 10px 0 0;
  padding-left: 20px;
}
</style>
