<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { useRoute } from 'vue-router'
import { api, problemOf, type Schemas } from '../api/client'
import { useLive } from '../shell/live'
import { oneAtATime } from '../shell/oneAtATime'
import { useShop } from '../shell/shop'
import { dayAndTime } from '../units/format'
import ClinicParts from './ClinicParts.vue'
import OpenCase from './OpenCase.vue'
import { ENDINGS } from './useCase'

/** Which machines are ill, which were, and what worked here. */
const route = useRoute()
const { settings } = useShop()
const zone = computed(() => settings.value?.zone ?? 'UTC')
const clinic = shallowRef<Schemas['ClinicJson']>()
const figures = shallowRef<Schemas['FigureJson'][]>()
const problem = ref<string>()
const opening = ref(!!route.query.machine)
const asked = computed(() => Number(route.query.machine) || undefined)

async function load() {
  const { data, error } = await api.GET('/api/clinic')
  problem.value = error ? problemOf(error).detail : undefined
  if (data) clinic.value = data
}
onMounted(load)
useLive(() => ['clinic', 'card/', 'machine/'], load)
const { run: forget, busy } = oneAtATime(async () => {
  const { data } = await api.DELETE('/api/clinic/learned')
  if (data) clinic.value = data
})
async function showTable() {
  const { data } = await api.GET('/api/clinic/table')
  if (data) figures.value = data
}
</script>

<template>
  <div class="page">
    <header class="head">
      <h1>Clinic</h1>
      <BButton variant="primary" @click="opening = true">Something is wrong</BButton>
    </header>
    <ClinicParts />
    <p v-if="problem" class="notice" role="alert">{{ problem }}</p>
    <p v-if="!clinic && !problem" class="quiet">Looking …</p>
    <template v-if="clinic">
      <section v-if="!clinic.open.length" class="plate empty">
        <h2>Nobody is ill</h2>
        <p class="quiet">
          When gaps do not go, a page fades or a machine complains: open a case. It asks the simple things first.
        </p>
      </section>
      <ul v-else class="cases">
        <li v-for="c in clinic.open" :key="c.id" class="plate">
          <RouterLink :to="`/clinic/${c.id}`" class="case">
            <span class="name">{{ c.name }}</span>
            <span class="quiet"
              >{{ c.complaints.join(', ').toLowerCase() }}, since {{ dayAndTime(c.openedAt, zone) }}</span
            >
            <span class="act strong">Next: {{ c.next }}</span>
          </RouterLink>
        </li>
      </ul>

      <div class="below">
        <section>
          <h2>What worked here</h2>
          <table v-if="clinic.learned.length" class="figures">
            <thead>
              <tr>
                <th>treatment</th>
                <th>helped</th>
                <th>reckoned with</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="l in clinic.learned" :key="l.treatment + l.kind + l.family">
                <td>
                  {{ l.treatment }} <span class="quiet small">on {{ l.kind }}, {{ l.family }}</span>
                </td>
                <td>{{ l.worked }} of {{ l.times }}</td>
                <td>
                  {{ Math.round(l.now * 100) }} %
                  <span class="quiet small">(table {{ Math.round(l.prior * 100) }} %)</span>
                </td>
              </tr>
            </tbody>
          </table>
          <p v-else class="quiet">No case has taught anything yet; the table’s own figures count.</p>
          <BButton v-if="clinic.learned.length" variant="outline-secondary" :disabled="busy" @click="forget"
            >Forget what was learned</BButton
          >
          <details class="fold" @toggle="($event.target as HTMLDetailsElement).open && !figures && showTable()">
            <summary>The figures it starts from, each with its reason</summary>
            <div class="scroll-x" tabindex="0" role="region" aria-label="Figures">
              <table class="figures">
                <tbody>
                  <tr v-for="f in figures" :key="f.key">
                    <td>{{ f.key }}</td>
                    <td>{{ f.figures.join('  ') }}</td>
                    <td class="reason quiet small">{{ f.reason }}</td>
                  </tr>
                </tbody>
              </table>
            </div>
          </details>
        </section>
        <section>
          <h2>Closed cases</h2>
          <ul v-if="clinic.ended.length" class="lines">
            <li v-for="c in clinic.ended" :key="c.id">
              <RouterLink :to="`/clinic/${c.id}`"
                ><b>{{ c.name }}</b> {{ c.complaints.join(', ').toLowerCase() }}</RouterLink
              >
              <span class="small"
                >{{ ENDINGS[c.ending ?? ''] }}, {{ c.endedAt ? dayAndTime(c.endedAt, zone) : '' }}</span
              >
            </li>
          </ul>
          <p v-else class="quiet">None yet.</p>
        </section>
      </div>
    </template>
    <OpenCase v-model="opening" :machine="asked" />
  </div>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 14px;
  flex-wrap: wrap;
  margin-bottom: 18px;
}
.empty {
  padding: 22px;
}
.cases {
  list-style: none;
  margin: 0;
  padding: 6px;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: 24px;
}
.case {
  display: grid;
  gap: 6px;
  padding: 16px 18px;
  text-decoration: none;
  color: inherit;
}
.name {
  font-size: 1.3rem;
}
.below {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(340px, 1fr));
  gap: 28px 36px;
  margin-top: 30px;
}
.reason {
  text-align: left;
}
@media (max-width: 420px) {
  .below {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
