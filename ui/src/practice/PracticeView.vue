<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, problemOf, type Schemas } from '../api/client'
import { oneAtATime } from '../shell/oneAtATime'
import { person } from '../shell/person'
import { useShop } from '../shell/shop'
import { dayAndTime } from '../units/format'

/** Sick machines to cure and questions to answer, with nothing at stake. */
type Level = 'EASY' | 'MIDDLING' | 'HARD' | 'FREE'
const LEVELS: { level: Level; label: string; say: string }[] = [
  { level: 'EASY', label: 'Easy', say: 'One cause, plainly to be seen.' },
  { level: 'MIDDLING', label: 'Middling', say: 'One cause that looks like another.' },
  { level: 'HARD', label: 'Hard', say: 'Two at once, or one that nothing helps.' },
  { level: 'FREE', label: 'Free play', say: 'Whatever a bench brings in.' },
]
const router = useRouter()
const { settings } = useShop()
const zone = computed(() => settings.value?.zone ?? 'UTC')
const practice = shallowRef<Schemas['PracticeJson']>()
const problem = ref<string>()

async function load() {
  const { data, error } = await api.GET('/api/practice')
  problem.value = error ? problemOf(error).detail : undefined
  if (data) practice.value = data
}
onMounted(load)
watch(person, load)
const label = (level: string) => LEVELS.find((l) => l.level === level)?.label ?? level
const { run: begin, busy } = oneAtATime(async (level: Level) => {
  const { data, error } = await api.POST('/api/practice/runs', { body: { level } })
  problem.value = error ? problemOf(error).detail : undefined
  if (data) void router.push(`/practice/${data.id}`)
})
</script>

<template>
  <div class="page">
    <h1>Practice</h1>
    <p class="quiet">
      You see what a person at the bench would see, and pay in ink and time that are not real. The truth comes at the
      end.
    </p>
    <p v-if="problem" class="notice" role="alert">{{ problem }}</p>
    <section>
      <h2>A sick machine</h2>
      <div class="levels">
        <button
          v-for="l in LEVELS"
          :key="l.level"
          type="button"
          class="plate level"
          :disabled="busy"
          @click="begin(l.level)"
        >
          <span class="name">{{ l.label }}</span>
          <span class="quiet">{{ l.say }}</span>
        </button>
      </div>
    </section>
    <div v-if="practice" class="below">
      <section>
        <h2>Questions</h2>
        <ul class="lines">
          <li v-for="d in practice.drills" :key="d.drill">
            <RouterLink :to="`/practice/questions/${d.drill}`"
              ><b>{{ d.label }}</b></RouterLink
            >
            <span class="quiet small about">{{ d.questions }} questions. {{ d.say }}</span>
            <span class="small best">{{ d.best === undefined ? 'new' : `best ${d.best} %` }}</span>
          </li>
        </ul>
        <h2>In which order?</h2>
        <ul class="lines">
          <li v-for="s in practice.sequences" :key="s.id">
            <RouterLink :to="`/practice/order/${s.id}`"
              ><b>{{ s.title }}</b></RouterLink
            >
            <span class="small best">{{ s.best === undefined ? 'new' : `best ${s.best} %` }}</span>
          </li>
        </ul>
      </section>
      <section>
        <h2>{{ person ? 'Your last machines' : 'The last machines' }}</h2>
        <ul v-if="practice.runs.length" class="lines">
          <li v-for="r in practice.runs" :key="r.id">
            <RouterLink :to="`/practice/${r.id}`">{{ label(r.level) }}, {{ dayAndTime(r.begunAt, zone) }}</RouterLink>
            <b v-if="r.endedAt">{{ r.score }} of 100</b>
            <BButton v-else size="sm" variant="outline-secondary" :to="`/practice/${r.id}`">Go on</BButton>
          </li>
        </ul>
        <p v-else class="quiet">None yet.{{ person ? '' : ' Pick who you are above, and your progress is kept.' }}</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.levels {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  gap: 24px;
  padding: 10px 6px 20px;
}
.level {
  border: 0;
  text-align: left;
  display: grid;
  gap: 4px;
  padding: 18px;
  color: inherit;
  min-height: 96px;
}
.level:hover {
  background: var(--wash);
}
.name {
  font-size: 1.25rem;
}
.below {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(340px, 100%), 1fr));
  gap: 26px 40px;
  margin-top: 14px;
}
.about {
  flex: 1 1 auto;
}
.lines a {
  min-width: 190px;
}
.best {
  white-space: nowrap;
}
h2 {
  margin: 10px 0 6px;
}
</style>
