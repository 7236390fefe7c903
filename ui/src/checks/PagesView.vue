<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, problemOf, type Schemas } from '../api/client'
import { useBench } from '../benches/useBench'
import { verdict } from '../drawings/comb'
import { useShop } from '../shell/shop'
import { dayAndTime } from '../units/format'
import { differences } from './pages'

/** Every page that was read of a machine, with what was done between; two of them stand side by side. */
const route = useRoute()
const { settings } = useShop()
const { bench } = useBench()
const zone = computed(() => settings.value?.zone ?? 'UTC')
const id = computed(() => Number(route.params.machine))
const name = computed(() => bench.value?.machines.find((m) => m.id === id.value)?.name ?? '')
const pages = ref<Schemas['PageJson'][]>()
const older = ref<number>()
const problem = ref('')
/** The two that are held against each other, the later last. */
const picked = ref<number[]>([])

async function load(before?: number) {
  const { data, error } = await api.GET('/api/machines/{machine}/pages', {
    params: { path: { machine: id.value }, query: before ? { before } : {} },
  })
  problem.value = error ? problemOf(error).detail : ''
  if (!data) return
  pages.value = before ? [...(pages.value ?? []), ...data.pages] : data.pages
  older.value = data.older
  if (!before) picked.value = pages.value.slice(0, 2).map((p) => p.reading.id)
}
watch(id, () => load(), { immediate: true })

function pick(page: number) {
  picked.value = picked.value.includes(page)
    ? picked.value.filter((p) => p !== page)
    : [...picked.value.slice(-1), page]
}
const pair = computed(() =>
  (pages.value ?? [])
    .filter((p) => picked.value.includes(p.reading.id))
    .map((p) => p.reading)
    .reverse(),
)
const differs = computed(() =>
  pair.value.length === 2 && pair.value[0] && pair.value[1] ? differences(pair.value[0], pair.value[1]) : [],
)
function gaps(reading: Schemas['ReadingJson']): string {
  if (reading.whyNot) return 'not read'
  const failing = reading.looks.filter((l) => l.missing.length)
  return failing.length ? failing.map((l) => `${l.channel} ${l.missing.length}`).join(', ') : 'whole'
}
</script>

<template>
  <div class="page">
    <header class="head">
      <RouterLink :to="`/checks/${id}`" class="small">Checks</RouterLink>
      <h1>{{ name }}: all its pages</h1>
    </header>
    <p v-if="problem" class="notice" role="alert">{{ problem }}</p>
    <p v-else-if="!pages" class="quiet">Fetching the pages …</p>
    <p v-else-if="!pages.length" class="quiet">
      No page of it was read yet. <RouterLink :to="`/checks/${id}`">Send the first picture.</RouterLink>
    </p>
    <template v-else>
      <section v-if="pair.length" class="pair" aria-label="Side by side">
        <figure v-for="r in pair" :key="r.id">
          <figcaption>
            <b>{{ dayAndTime(r.at, zone) }}</b> <span class="quiet small">{{ r.kindLabel ?? 'picture' }}</span>
          </figcaption>
          <img :src="`/api/pictures/${r.straight ?? r.picture}`" :alt="`Page of ${dayAndTime(r.at, zone)}`" />
          <p class="small">{{ gaps(r) }}</p>
        </figure>
        <p v-if="pair.length === 1" class="quiet">Choose a second page below.</p>
      </section>
      <table v-if="differs.length" class="figures told">
        <thead>
          <tr>
            <th>Channel</th>
            <th>before</th>
            <th>after</th>
            <th>so it is</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="d in differs" :key="d.channel">
            <td class="code">{{ d.channel }}</td>
            <td>{{ verdict(d.strokes, d.before) }}</td>
            <td>{{ verdict(d.strokes, d.after) }}</td>
            <td :class="{ act: d.new.length }">{{ d.words }}</td>
          </tr>
        </tbody>
      </table>
      <h2>In order, the newest first</h2>
      <ol class="pages">
        <li v-for="p in pages" :key="p.reading.id">
          <button
            type="button"
            :aria-pressed="picked.includes(p.reading.id)"
            :aria-label="`${dayAndTime(p.reading.at, zone)}, ${gaps(p.reading)}: hold it against another`"
            @click="pick(p.reading.id)"
          >
            <img v-if="p.reading.straight" :src="`/api/pictures/${p.reading.straight}`" alt="" loading="lazy" />
            <span v-else class="none">not read</span>
            <span
              ><b>{{ dayAndTime(p.reading.at, zone) }}</b
              ><br /><span class="small quiet">{{ p.reading.kindLabel ?? 'picture' }}</span></span
            >
            <span class="what">{{ gaps(p.reading) }}</span>
          </button>
          <ul v-if="p.since.length" class="since small quiet" aria-label="Done since the page before">
            <li v-for="(words, i) in p.since" :key="i">{{ words }}</li>
          </ul>
        </li>
      </ol>
      <BButton v-if="older" variant="outline-secondary" @click="load(older)">Older</BButton>
    </template>
  </div>
</template>

<style scoped>
h2 {
  margin-top: 22px;
}
.pair {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 16px;
  margin: 12px 0;
}
.pair figure {
  margin: 0;
}
.pair img {
  width: 100%;
  max-height: 380px;
  object-fit: contain;
  background: var(--wash);
  border-radius: 8px;
  margin: 6px 0;
}
.pages {
  list-style: none;
  margin: 0 0 14px;
  padding: 0;
}
.pages button {
  width: 100%;
  min-height: 64px;
  display: grid;
  grid-template-columns: 120px minmax(0, 1fr) minmax(0, 1fr);
  gap: 14px;
  align-items: center;
  text-align: left;
  border: 1.5px solid var(--line);
  border-radius: 10px;
  background: var(--plate);
  color: var(--text);
  padding: 6px 12px;
}
.pages button[aria-pressed='true'] {
  border-color: var(--rim);
  box-shadow: inset 0 0 0 2px var(--rim);
}
.pages img,
.none {
  width: 120px;
  height: 48px;
  object-fit: cover;
  border-radius: 5px;
}
.none {
  display: grid;
  place-items: center;
  background: var(--wash);
}
.since {
  margin: 4px 0 8px;
  padding: 0 0 0 34px;
}
@media (max-width: 600px) {
  .pages button {
    grid-template-columns: 80px minmax(0, 1fr);
  }
  .pages img,
  .none {
    width: 80px;
  }
  .what {
    grid-column: 2;
  }
}
</style>
