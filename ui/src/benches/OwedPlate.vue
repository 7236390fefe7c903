<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { reactive, ref, watch } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import FieldProblem from '../shell/FieldProblem.vue'
import { oneAtATime } from '../shell/oneAtATime'
import DateInput from '../shell/DateInput.vue'
import TimeInput from '../shell/TimeInput.vue'
import { day } from '../units/format'
import { instantIn, isDate } from '../units/typed'
import TextInput from '../shell/TextInput.vue'
import Choice from '../shell/Choice.vue'

/** What is owed to a machine, and what it is promised for: both have a day. */
const props = defineProps<{ machine: Schemas['MachineJson']; zone: string }>()

const WHEN = [
  { value: 0, text: 'today' },
  { value: 1, text: 'tomorrow' },
  { value: 7, text: 'in a week' },
  { value: 30, text: 'in a month' },
]
const owed = ref<Schemas['Task'][]>([])
const promises = ref<Schemas['Promise'][]>([])
const adding = ref<'task' | 'promise'>()
const problem = ref<Problem>()
const task = reactive({ words: '', inDays: 7, monthly: false })
const promise = reactive({ words: '', date: '', time: '12:00:00' })
const path = () => ({ machine: props.machine.plate.id })

watch(
  () => props.machine,
  async (machine) => {
    owed.value = machine.owed
    const { data } = await api.GET('/api/machines/{machine}/promises', { params: { path: path() } })
    promises.value = data ?? []
  },
  { immediate: true },
)

const { run: owe } = oneAtATime(async () => {
  const { data, error } = await api.POST('/api/machines/{machine}/owed', {
    params: { path: path() },
    body: { words: task.words, why: '', inDays: task.inDays, every: task.monthly ? 30 : undefined },
  })
  problem.value = error ? problemOf(error) : undefined
  if (data) {
    owed.value = data
    adding.value = undefined
    task.words = ''
  }
})
const { run: done } = oneAtATime(async (id: number) => {
  const { data } = await api.POST('/api/machines/{machine}/owed/{task}/done', {
    params: { path: { ...path(), task: id } },
  })
  if (data) owed.value = data
})
const { run: promised } = oneAtATime(async () => {
  const { data, error } = await api.POST('/api/machines/{machine}/promises', {
    params: { path: path() },
    body: {
      words: promise.words,
      due: isDate(promise.date) && promise.time ? instantIn(props.zone, promise.date, promise.time) : '',
    },
  })
  problem.value = error ? problemOf(error) : undefined
  if (data) {
    promises.value = data
    adding.value = undefined
    promise.words = ''
    promise.date = ''
  }
})
const { run: kept } = oneAtATime(async (id: number) => {
  const { data } = await api.POST('/api/machines/{machine}/promises/{promise}/kept', {
    params: { path: { ...path(), promise: id } },
  })
  if (data) promises.value = data
})
</script>

<template>
  <section id="owed">
    <div class="title">
      <h2>Owed and promised</h2>
      <span class="ways">
        <BButton size="sm" variant="outline-secondary" @click="adding = 'task'">Owe it something</BButton>
        <BButton size="sm" variant="outline-secondary" @click="adding = 'promise'">Promise work</BButton>
      </span>
    </div>
    <form v-if="adding === 'task'" class="thin block" novalidate @submit.prevent="owe">
      <label for="owed-words">What is to be done?</label>
      <TextInput id="owed-words" v-model="task.words" />
      <FieldProblem :problem="problem" field="words" />
      <div class="pair">
        <div>
          <label for="owed-when">By when?</label>
          <Choice id="owed-when" v-model="task.inDays" :options="WHEN" />
        </div>
        <label class="check"><input v-model="task.monthly" type="checkbox" /> comes round every 30 days</label>
      </div>
      <BButton type="submit" variant="outline-secondary">Write it down</BButton>
      <BButton variant="link" @click="adding = undefined">Not now</BButton>
    </form>
    <form v-if="adding === 'promise'" class="thin block" novalidate @submit.prevent="promised">
      <label for="promise-words">What, and for whom?</label>
      <TextInput id="promise-words" v-model="promise.words" placeholder="40 rosettes for the fair" />
      <FieldProblem :problem="problem" field="words" />
      <div class="pair">
        <div>
          <label for="promise-due">For which day?</label>
          <DateInput id="promise-due" v-model="promise.date" />
        </div>
        <div>
          <label for="promise-time">At what time?</label>
          <TimeInput id="promise-time" v-model="promise.time" />
        </div>
      </div>
      <FieldProblem :problem="problem" field="due" />
      <div class="mt-2">
        <BButton type="submit" variant="outline-secondary">Promise it</BButton>
        <BButton variant="link" @click="adding = undefined">Not now</BButton>
      </div>
    </form>
    <ul class="lines">
      <li v-for="item in owed" :key="item.id">
        <span>
          <RouterLink v-if="item.card" :to="`/cards/${item.card}`">{{ item.words }}</RouterLink>
          <template v-else>{{ item.words }}</template>
          <span class="quiet small when">
            <b v-if="item.late" class="act">due</b><template v-else>by</template> {{ day(`${item.due}T12:00:00Z`, zone)
            }}{{ item.every ? `, every ${item.every} days` : '' }}{{ item.why ? ` · ${item.why}` : '' }}</span
          >
        </span>
        <BButton size="sm" variant="outline-secondary" @click="done(item.id)">Done</BButton>
      </li>
      <li v-for="item in promises" :key="`p${item.id}`">
        <span
          >{{ item.words }} <span class="quiet small">promised for {{ day(item.due, zone) }}</span></span
        >
        <BButton size="sm" variant="outline-secondary" @click="kept(item.id)">Kept</BButton>
      </li>
    </ul>
    <p v-if="!owed.length && !promises.length" class="quiet small">Nothing is owed to it, and nothing is promised.</p>
  </section>
</template>

<style scoped>
section {
  margin-bottom: 22px;
}
.title {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
  flex-wrap: wrap;
}
.ways {
  display: flex;
  gap: 8px;
}
.block {
  padding: 12px 16px;
  margin: 10px 0;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  align-items: end;
  margin: 8px 0;
}
.when {
  display: block;
}
</style>
