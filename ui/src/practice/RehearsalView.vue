<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { useRoute } from 'vue-router'
import { wishOf } from '../changeover/wish'
import { api, problemOf, type Schemas } from '../api/client'
import { minutes } from '../units/format'

/** A plan or a card walked through on a simulated machine: one step, nothing else on the screen. */
const route = useRoute()
const rehearsal = shallowRef<Schemas['RehearsalJson']>()
const problem = ref<string>()
const at = ref(0)
const chosen = ref(false)
const wrong = ref<Schemas['RehearsedChoiceJson']>()
const harmed = ref<{ step: string; title: string; harm: string }[]>([])

onMounted(async () => {
  const card = route.query.card
  const { data, error } = card
    ? await api.GET('/api/cards/{card}/rehearsal', { params: { path: { card: Number(card) } } })
    : await api.GET('/api/machines/{machine}/rehearsal', {
        params: { path: { machine: Number(route.params.machine) }, query: wishOf(route.query) },
      })
  problem.value = error ? problemOf(error).detail : undefined
  rehearsal.value = data
})

const step = computed(() => rehearsal.value?.steps[at.value])
const before = computed(() => rehearsal.value?.steps[at.value - 1]?.after)
const asking = computed(() => Boolean(step.value && step.value.choices.length > 1 && !chosen.value))
const back = computed(() =>
  route.query.card
    ? `/cards/${String(route.query.card)}`
    : { path: '/changeover', query: { ...route.query, machine: String(route.params.machine) } },
)

function choose(choice: Schemas['RehearsedChoiceJson']) {
  if (choice.harm.length === 0) {
    chosen.value = true
    wrong.value = undefined
    return
  }
  wrong.value = choice
  harmed.value.push({
    step: step.value?.title ?? '',
    title: choice.title,
    harm: choice.harm.map((h) => h.what).join(', '),
  })
}
function done() {
  at.value++
  chosen.value = false
  wrong.value = undefined
}
function again() {
  at.value = 0
  harmed.value = []
}
</script>

<template>
  <div class="page rehearsal">
    <p v-if="problem" class="notice" role="alert">{{ problem }} <RouterLink :to="back">Back</RouterLink></p>
    <p v-else-if="!rehearsal" class="quiet loading">Setting up the bench …</p>
    <section v-else-if="!step" class="plate one">
      <div class="small strong act">Rehearsed to its end</div>
      <h1>{{ rehearsal.name }}: {{ rehearsal.title }}</h1>
      <p class="do">
        {{
          harmed.length
            ? `${harmed.length} wrong ${harmed.length === 1 ? 'act' : 'acts'}, and no machine harmed.`
            : 'Every act in its order. The machine may come.'
        }}
      </p>
      <ul v-if="harmed.length" class="list">
        <li v-for="(h, n) in harmed" :key="n">
          <b>{{ h.title }}</b> instead of “{{ h.step }}”: {{ h.harm.toLowerCase() }}
        </li>
      </ul>
      <div class="buttons">
        <RouterLink class="btn btn-primary btn-lg" :to="back">To the plan</RouterLink>
        <BButton variant="outline-secondary" size="lg" @click="again">Once more</BButton>
      </div>
    </section>
    <section v-else class="plate one" :data-rehearsed="step.id">
      <div class="small quiet top">
        <span>Rehearsal · step {{ at + 1 }} of {{ rehearsal.steps.length }} · {{ step.part }}</span>
        <RouterLink :to="back">Leave</RouterLink>
      </div>
      <template v-if="asking">
        <h1>What do your hands do now?</h1>
        <div class="choices">
          <BButton
            v-for="choice in step.choices"
            :key="choice.title"
            variant="outline-secondary"
            size="lg"
            :disabled="wrong === choice"
            @click="choose(choice)"
            >{{ choice.title }}</BButton
          >
        </div>
        <div v-if="wrong" class="notice" role="alert">
          <svg width="26" height="26" viewBox="0 0 14 14" aria-hidden="true">
            <path d="M7 1L13 12H1Z" fill="var(--act)" />
          </svg>
          <div>
            <b>“{{ wrong.title }}” now?</b>
            <div v-for="h in wrong.harm" :key="h.words">{{ h.what }}: {{ h.words }}.</div>
          </div>
        </div>
      </template>
      <template v-else>
        <h1>{{ step.title }}</h1>
        <p class="do">{{ step.say }}</p>
        <p v-if="step.hold" class="notice"><b>Hold here.</b>&nbsp;{{ step.hold }}</p>
        <ul v-if="step.looks.length" class="list looks">
          <li v-for="look in step.looks" :key="look">{{ look }}</li>
        </ul>
        <dl v-if="step.words.length" class="small terms">
          <template v-for="w in step.words" :key="w.term">
            <dt>{{ w.term }}</dt>
            <dd>{{ w.words }}</dd>
          </template>
        </dl>
        <BButton variant="primary" size="lg" class="main" @click="done"
          >Done<span class="small">&nbsp;&nbsp;({{ minutes(step.minutes) }} in earnest)</span></BButton
        >
      </template>
      <footer v-if="before" class="bench small" aria-label="The simulated machine">
        <span><b>power</b> {{ before.power }}</span>
        <span :class="{ 'act strong': before.head.startsWith('in the air') }"><b>head</b> {{ before.head }}</span>
        <span><b>gloves</b> {{ before.gloves ? 'on' : 'off' }}</span>
        <span v-for="thing in before.open" :key="thing">{{ thing }}</span>
        <span
          class="tanks"
          role="img"
          :aria-label="before.tanks.map((t) => `${t.channel} ${Math.round(t.share * 100)} %`).join(', ')"
        >
          <i v-for="t in before.tanks" :key="t.channel" class="tank"
            ><u :style="{ height: `${Math.min(100, t.share * 100)}%` }"></u><em>{{ t.channel }}</em></i
          >
        </span>
      </footer>
    </section>
  </div>
</template>

<style scoped>
.rehearsal {
  display: grid;
  max-width: 900px;
}
.one {
  display: flex;
  flex-direction: column;
  gap: 16px;
  min-height: calc(100vh - 60px);
  padding: 22px 26px;
}
.top {
  display: flex;
  justify-content: space-between;
}
h1 {
  font-size: 34px;
}
.do {
  font-size: 20px;
}
.choices {
  display: grid;
  gap: 12px;
}
.choices .btn {
  min-height: 76px;
  text-align: left;
}
.terms {
  border-top: 1px solid var(--line);
  margin: 0;
  padding-top: 10px;
}
dt {
  float: left;
  margin-right: 8px;
}
dt::after {
  content: ':';
}
.main {
  align-self: flex-start;
  min-height: 64px;
  min-width: 240px;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}
.bench {
  align-items: end;
  border-top: 1px solid var(--line);
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  margin-top: auto;
  padding-top: 12px;
}
.tanks {
  display: flex;
  gap: 6px;
  margin-left: auto;
}
.tank {
  border: 1px solid var(--text);
  border-top: 0;
  display: block;
  font-style: normal;
  height: 46px;
  position: relative;
  width: 26px;
}
.tank u {
  background: var(--ink-old);
  bottom: 0;
  left: 0;
  position: absolute;
  right: 0;
}
.tank em {
  bottom: 2px;
  font-style: normal;
  font-weight: 600;
  left: 0;
  position: absolute;
  right: 0;
  text-align: center;
}
</style>
