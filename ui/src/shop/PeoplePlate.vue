<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { ref, shallowRef } from 'vue'
import { api, problemOf, type Schemas } from '../api/client'
import { oneAtATime } from '../shell/oneAtATime'
import WeekHours from './WeekHours.vue'

/** Who works here when, and what they leave to others: the round is planned by it. */
type Person = Schemas['Person']
type Leaves = Person['own']['leaves'][number]
const SKILLS: { value: Leaves; text: string }[] = [
  { value: 'INSIDE', text: 'work inside a machine' },
  { value: 'HEADS', text: 'work at heads' },
  { value: 'FOOD', text: 'machines for food' },
  { value: 'CASES', text: 'cures' },
]
const people = shallowRef<Person[]>([])
const chosen = ref<number>()
const own = ref<Person['own']>()
const problem = ref<string>()
const saved = ref(false)

void api.GET('/api/people').then(({ data }) => (people.value = data ?? []))
function choose(p: Person) {
  chosen.value = chosen.value === p.id ? undefined : p.id
  own.value = JSON.parse(JSON.stringify(p.own)) as Person['own']
  saved.value = false
  problem.value = undefined
}
function toggleSkill(skill: Leaves) {
  if (!own.value) return
  const now = own.value.leaves
  own.value.leaves = now.includes(skill) ? now.filter((s) => s !== skill) : [...now, skill]
}
const { run: keep, busy } = oneAtATime(async () => {
  if (!own.value || chosen.value === undefined) return
  const { data, error } = await api.PUT('/api/people/{person}', {
    params: { path: { person: chosen.value } },
    body: own.value,
  })
  problem.value = error ? problemOf(error).detail : undefined
  saved.value = !error
  if (data) people.value = data
})
const says = (p: Person) =>
  [
    p.own.week ? `${p.own.week.length} days a week` : 'as the shop is open',
    p.own.leaves.length
      ? `leaves ${SKILLS.filter((s) => p.own.leaves.includes(s.value))
          .map((s) => s.text)
          .join(', ')} to others`
      : '',
  ]
    .filter(Boolean)
    .join('; ')
</script>

<template>
  <section class="thin block" aria-label="People">
    <h2>People</h2>
    <ul class="lines">
      <li v-for="p in people" :key="p.id">
        <span
          ><b>{{ p.name }}</b> <span class="quiet small when">{{ says(p) }}</span></span
        >
        <BButton size="sm" variant="outline-secondary" :aria-expanded="chosen === p.id" @click="choose(p)"
          >Hours and work</BButton
        >
      </li>
    </ul>
    <div v-if="own && chosen !== undefined" class="own">
      <label class="check"
        ><input
          type="checkbox"
          :checked="own.week !== undefined"
          @change="own.week = own.week === undefined ? [] : undefined"
        />
        hours of their own</label
      >
      <WeekHours
        v-if="own.week"
        v-model="own.week"
        :usual="{ open: '09:00:00', close: '13:00:00' }"
        from="from"
        to="to"
      />
      <p class="strong small">Leaves to others</p>
      <label v-for="s in SKILLS" :key="s.value" class="check"
        ><input type="checkbox" :checked="own.leaves.includes(s.value)" @change="toggleSkill(s.value)" />
        {{ s.text }}</label
      >
      <BButton variant="outline-secondary" :disabled="busy" @click="keep"
        >Keep for {{ people.find((p) => p.id === chosen)?.name }}</BButton
      >
      <span v-if="saved" class="strong ms-2" role="status">Kept.</span>
      <p v-if="problem" class="act strong small" role="alert">{{ problem }}</p>
    </div>
  </section>
</template>

<style scoped>
.block {
  padding: 16px 18px;
}
.own {
  border-top: 1.5px solid var(--line);
  padding-top: 8px;
}
.when {
  display: block;
}
h2 {
  margin-bottom: 10px;
}
</style>
