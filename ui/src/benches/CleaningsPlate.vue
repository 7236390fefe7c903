<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { api, type Schemas } from '../api/client'
import { dayAndTime } from '../units/format'

/** What a machine did last; its cleanings, with what set each off and what came of it. */
const props = defineProps<{ id: number; zone: string; version: number }>()
const SHOWN = 6
const lately = shallowRef<Schemas['LatelyJson']>()
const all = ref(false)
watch(
  () => [props.id, props.version],
  async () => {
    const { data } = await api.GET('/api/machines/{machine}/lately', { params: { path: { machine: props.id } } })
    if (data) lately.value = data
  },
  { immediate: true },
)
const idle = computed(() => {
  const hours = lately.value?.idleHours
  if (hours === undefined) return 'no ink went through it yet'
  const days = Math.floor(hours / 24)
  return days ? `${days} d ${hours % 24} h` : `${hours} h`
})
const last = computed(() => [
  { what: 'Last print', at: lately.value?.print },
  { what: 'Last check', at: lately.value?.check },
  { what: 'Last cleaning', at: lately.value?.cleaning },
])
const counts = computed(() => [
  { what: 'Cleanings', n: lately.value?.ordinary },
  { what: 'Power cleanings', n: lately.value?.power },
])
</script>

<template>
  <section v-if="lately">
    <h2>Lately</h2>
    <dl class="last">
      <div v-for="l in last" :key="l.what">
        <dt class="small quiet">{{ l.what }}</dt>
        <dd>{{ l.at ? dayAndTime(l.at, zone) : 'never' }}</dd>
      </div>
      <div>
        <dt class="small quiet">Idle</dt>
        <dd>
          <b>{{ idle }}</b>
        </dd>
      </div>
    </dl>
    <div class="scroll-x">
      <table class="figures">
        <thead>
          <tr>
            <th></th>
            <th>today</th>
            <th>in seven days</th>
            <th>in all</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="c in counts" :key="c.what">
            <td>{{ c.what }}</td>
            <td>{{ c.n?.today }}</td>
            <td>{{ c.n?.week }}</td>
            <td>{{ c.n?.life }}</td>
          </tr>
        </tbody>
      </table>
      <table v-if="lately.cleanings.length" class="figures told">
        <thead>
          <tr>
            <th>Cleaning</th>
            <th>what set it off</th>
            <th>what came of it</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(c, i) in lately.cleanings.slice(0, all ? undefined : SHOWN)" :key="i">
            <td>{{ dayAndTime(c.at, zone) }}<b v-if="c.power" class="small"> power</b></td>
            <td>{{ c.trigger }}</td>
            <td>{{ c.result }}</td>
          </tr>
        </tbody>
      </table>
      <button v-if="lately.cleanings.length > SHOWN" type="button" class="btn btn-link" @click="all = !all">
        {{ all ? 'Only the latest' : `The last ${lately.cleanings.length}` }}
      </button>
    </div>
  </section>
</template>

<style scoped>
.last {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 10px;
  margin-bottom: 12px;
}
.last dd {
  margin: 0;
}
</style>
