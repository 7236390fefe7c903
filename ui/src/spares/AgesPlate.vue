<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, onMounted, reactive, ref } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import { useBench } from '../benches/useBench'
import Choice from '../shell/Choice.vue'
import DateInput from '../shell/DateInput.vue'
import FieldProblem from '../shell/FieldProblem.vue'
import { useLive } from '../shell/live'
import { oneAtATime } from '../shell/oneAtATime'
import { serverNow, useShop } from '../shell/shop'
import TextInput from '../shell/TextInput.vue'
import { dateOf, day } from '../units/format'

/** How old the parts of every machine are, the oldest first. */
const SHOWN = window.matchMedia('(max-width: 700px)').matches ? 5 : 12
const { settings } = useShop()
const zone = computed(() => settings.value?.zone ?? 'UTC')
const { bench } = useBench()
const machines = computed(() => [
  { value: 0, text: 'Which machine?' },
  ...(bench.value?.machines ?? []).map((m) => ({ value: m.id, text: m.name })),
])
const ages = ref<Schemas['Age'][]>()
const all = ref(false)
const adding = ref(false)
const problem = ref<Problem>()
const form = reactive({ machine: 0, part: '', on: '' })

async function load() {
  const { data } = await api.GET('/api/parts/ages')
  if (data) ages.value = data
}
onMounted(load)
useLive(() => ['shelf', 'machine/'], load)
const shown = computed(() => (ages.value ?? []).slice(0, all.value ? undefined : SHOWN))
const { run: fitted, busy } = oneAtATime(async () => {
  const { data, error } = await api.POST('/api/machines/{machine}/parts', {
    params: { path: { machine: form.machine } },
    body: { part: form.part, on: form.on },
  })
  problem.value = error ? problemOf(error) : undefined
  if (!data) return
  ages.value = data
  adding.value = false
  form.part = ''
})
const late = (age: Schemas['Age']) => !!age.due && new Date(age.due).getTime() < serverNow()
</script>

<template>
  <section>
    <h2>How old parts are</h2>
    <table v-if="shown.length" class="figures told cards">
      <thead>
        <tr>
          <th>Part</th>
          <th>in</th>
          <th>since</th>
          <th>age</th>
          <th>to exchange</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="age in shown" :key="`${age.machine}/${age.part}/${age.channel ?? ''}`">
          <td>{{ age.part }}{{ age.channel ? `, ${age.channel}` : '' }}</td>
          <td data-th="in">
            <RouterLink :to="`/machines/${age.machine}/upkeep`">{{ age.machineName }}</RouterLink>
          </td>
          <td data-th="since">{{ age.atLeast ? 'before ' : '' }}{{ dateOf(age.since) }}</td>
          <td data-th="age">{{ age.atLeast ? 'over ' : '' }}{{ age.days === 1 ? '1 day' : `${age.days} days` }}</td>
          <td data-th="to exchange" :class="{ act: late(age), strong: late(age), none: !age.due }">
            {{ age.due ? (late(age) ? 'now' : day(age.due, zone)) : '–' }}
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else-if="ages" class="quiet">No machine is here yet.</p>
    <div class="does">
      <BButton v-if="(ages?.length ?? 0) > SHOWN" variant="link" @click="all = !all">{{
        all ? 'Only the oldest' : `All ${ages?.length}`
      }}</BButton>
      <BButton variant="outline-secondary" :aria-expanded="adding" @click="adding = !adding">A part was fitted</BButton>
    </div>
    <form v-if="adding" class="adding" @submit.prevent="fitted">
      <label>Machine <Choice v-model="form.machine" :options="machines" /></label>
      <label
        >Part <TextInput v-model="form.part" placeholder="filter, wiper, cap, spit pad" />
        <FieldProblem :problem="problem" field="part"
      /></label>
      <label>On <DateInput v-model="form.on" /> <FieldProblem :problem="problem" field="on" /></label>
      <BButton type="submit" variant="primary" :disabled="busy || !form.machine || !form.on">Keep it</BButton>
      <p v-if="problem && !problem.errors?.length" class="act strong small" role="alert">{{ problem.detail }}</p>
    </form>
  </section>
</template>

<style scoped>
.does,
.adding {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: end;
  margin-top: 10px;
}
</style>
