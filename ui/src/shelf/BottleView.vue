<script setup lang="ts">
import { computed } from 'vue'
import { api } from '../api/client'
import { useServer } from '../api/useServer'
import { useShop } from '../shell/shop'
import { dateOf, day, dayAndTime, volume, type VolumeUnit } from '../units/format'
import ShelfParts from './ShelfParts.vue'

/** The way of a bottle: every machine and print that it reached, and what is left of it. */
const props = defineProps<{ id: number }>()
const { settings } = useShop()
const unit = computed(() => (settings.value?.volumeUnit ?? 'mL') as VolumeUnit)
const zone = computed(() => settings.value?.zone ?? 'UTC')
const { data: bottle, problem } = useServer(
  () => ['recall', props.id],
  () => api.GET('/api/shelf/lots/{lot}/recall', { params: { path: { lot: props.id } } }),
  () => ['shelf', 'machine/', 'card/'],
)
const holding = computed(() => bottle.value?.reached.filter((r) => r.holds > 0) ?? [])
</script>

<template>
  <div class="page">
    <h1>Shelf</h1>
    <ShelfParts />
    <p v-if="problem" class="notice" role="alert">{{ problem.detail }}</p>
    <p v-else-if="!bottle" class="quiet loading">Following the bottle …</p>
    <template v-else>
      <h2>{{ bottle.code }} · {{ bottle.family }} {{ bottle.channel ?? 'fluid' }}, {{ bottle.make }}</h2>
      <p v-if="bottle.spoiled" class="notice"><b>Marked bad:</b>&nbsp;{{ bottle.spoiled }}</p>
      <p class="facts">
        <span
          ><b>{{ volume(bottle.left, unit) }}</b> left in it</span
        >
        <span>{{ bottle.openedOn ? `opened ${dateOf(bottle.openedOn)}` : 'closed' }}</span>
        <span v-if="bottle.bestBefore">best before {{ dateOf(bottle.bestBefore) }}</span>
        <span v-for="w in bottle.went" :key="w.cause">{{ volume(w.mL, unit) }} {{ w.cause }}</span>
      </p>
      <p v-if="!bottle.channel" class="quiet">
        Fluid is one for all: its bottles run together in the account, and whose was used where cannot be told.
      </p>
      <p v-else-if="!bottle.reached.length" class="quiet">Nothing has been filled from it yet.</p>
      <template v-else>
        <section>
          <h3>Machines that drank from it</h3>
          <p v-if="holding.length" class="strong">
            Still in {{ holding.map((r) => `${r.name} ${r.channel}`).join(', ') }}.
          </p>
          <p v-else>None of it is in a machine any more.</p>
          <div class="scroll-x" tabindex="0" role="region" aria-label="Machines">
            <table class="figures cards">
              <thead>
                <tr>
                  <th>machine</th>
                  <th>poured</th>
                  <th>in it now</th>
                  <th>from</th>
                  <th>to</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="r in bottle.reached" :key="`${r.machine} ${r.channel}`">
                  <td>
                    <RouterLink :to="`/machines/${r.machine}/ink`">{{ r.name }}</RouterLink> <b>{{ r.channel }}</b>
                  </td>
                  <td data-th="poured">{{ volume(r.poured, unit) }}</td>
                  <td data-th="in it now">
                    <b>{{ volume(r.holds, unit) }}</b>
                  </td>
                  <td data-th="from">{{ day(r.first, zone) }}</td>
                  <td data-th="to">{{ day(r.last, zone) }}</td>
                </tr>
              </tbody>
            </table>
          </div>
        </section>
        <section>
          <h3>Sheets that carried it: {{ bottle.printsInAll }}</h3>
          <p v-if="!bottle.prints.length" class="quiet">No sheet carried it.</p>
          <ol class="prints">
            <li v-for="p in bottle.prints" :key="p.entry">
              <span class="quiet small">{{ dayAndTime(p.at, zone) }}</span> {{ p.words }}
            </li>
          </ol>
          <p v-if="bottle.printsInAll > bottle.prints.length" class="small quiet">
            The newest {{ bottle.prints.length }} of {{ bottle.printsInAll }}.
          </p>
          <RouterLink :to="{ path: '/log', query: { lot: id } }">All that was done with it</RouterLink>
        </section>
      </template>
    </template>
  </div>
</template>

<style scoped>
.facts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
}
h2,
h3 {
  margin-bottom: 8px;
}
section {
  margin-bottom: 22px;
}
.prints {
  list-style: none;
  padding: 0;
  margin: 0 0 8px;
}
.prints li {
  border-top: 1.5px solid var(--line);
  padding: 6px 0;
}
</style>
