<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, type Schemas } from '../api/client'
import NumberInput from '../shell/NumberInput.vue'
import TextInput from '../shell/TextInput.vue'
import { span } from '../units/format'
import { useJob } from './useJob'

/** From the tray to the customer: the film while it runs, then one timed line that is not over without cure. */
type Film = Schemas['FilmActJson']['what']
const route = useRoute()
const id = computed(() => Number(route.params.id))
const { job, problem, act, busy } = useJob(() => id.value)
const path = computed(() => ({ params: { path: { job: id.value } } }))
const cm = ref(0)
const pausing = ref('')
const ticks = ref({ fed: false, taped: false, caught: false })
/** What the step asks for, ticked. */
const ready = ref<string[]>([])
const unready = (of: Schemas['PressedStepJson']) => of.asks.some((a) => !ready.value.includes(a))
const step = (of: Schemas['PressedStepJson']) =>
  act(
    () => api.POST('/api/jobs/{job}/step', { ...path.value, body: { step: of.id, ready: !unready(of) } }),
    () => (ready.value = []),
  )
const heat = (of: Schemas['PressedStepJson']) =>
  act(() => api.POST('/api/jobs/{job}/heat', { ...path.value, body: { step: of.id } }))
const film = (what: Film) =>
  act(
    () =>
      api.POST('/api/jobs/{job}/film', {
        ...path.value,
        body: { what, cm: cm.value > 0 ? Math.round(cm.value) : undefined, words: pausing.value, ...ticks.value },
      }),
    () => {
      pausing.value = ''
      ticks.value = { fed: false, taped: false, caught: false }
    },
  )
const looked = (sheets: number, blanks: boolean) =>
  act(() => api.POST('/api/jobs/{job}/looked', { ...path.value, body: { sheets, blanks } }))
const open = computed(() => job.value?.state === 'TAKEN' || job.value?.state === 'PRINTED')
const current = computed(() => job.value?.steps.find((s) => !s.done))
</script>

<template>
  <div v-if="job" class="halves">
    <section>
      <p v-if="problem" class="notice" role="alert">{{ problem.detail }}</p>
      <p v-if="!job.printed" class="quiet">Nothing of it is printed yet.</p>
      <ol class="line">
        <li v-for="s in job.steps" :key="s.id" :class="{ done: s.done, now: open && s.id === current?.id }">
          <div>
            <b>{{ s.title }}</b>
            <span v-if="s.heat" class="heat">{{ s.heat.celsius }} °C, {{ span(s.heat.seconds) }}</span>
            <p v-if="!s.done" class="small">{{ s.say }}</p>
            <template v-if="open && job.printed && !s.done && !s.hindrance">
              <label v-for="a in s.asks" :key="a" class="check"
                ><input v-model="ready" type="checkbox" :value="a" />{{ a }}</label
              >
            </template>
            <p v-for="c in s.done ? [] : s.cautions" :key="c" class="small strong">{{ c }}</p>
          </div>
          <span v-if="s.done" class="strong">done</span>
          <span v-else-if="open && job.printed && s.hindrance" class="small quiet">{{ s.hindrance }}</span>
          <span v-else-if="open && job.printed" class="acts">
            <BButton v-if="s.heat" variant="outline-secondary" :disabled="busy" @click="heat(s)"
              >Start the clock</BButton
            >
            <BButton
              :variant="s.id === current?.id ? 'primary' : 'outline-secondary'"
              :disabled="busy || unready(s)"
              @click="step(s)"
              >Done</BButton
            >
          </span>
        </li>
      </ol>
      <template v-if="open && job.pressedWork && job.order.blank > 0 && !job.blanksTested">
        <p class="small">Press a blemished blank first: it shows what the raw print hides.</p>
        <BButton variant="outline-secondary" :disabled="busy" @click="looked(job.looked, true)"
          >A blemished one was tried</BButton
        >
      </template>
      <template v-if="job.firstSheets">
        <h2>A clog of {{ job.on?.name }} was cured lately</h2>
        <p class="small">Look at its first {{ job.firstSheets }} sheets for smear and for gaps that come back.</p>
        <BButton
          v-if="job.looked < job.firstSheets"
          variant="primary"
          :disabled="busy"
          @click="looked(job.looked + 1, job.blanksTested)"
          >Sheet {{ job.looked + 1 }} looks well</BButton
        >
        <p v-else>All {{ job.firstSheets }} looked well.</p>
      </template>
    </section>
    <section v-if="job.film && open">
      <h2>The film</h2>
      <p class="says" :class="{ act: job.film.hold }" role="status">{{ job.film.says }}</p>
      <div class="row-form">
        <label class="cm">It has come, cm <NumberInput v-model="cm" /></label>
        <BButton variant="outline-secondary" :disabled="busy || job.film.paused !== undefined" @click="film('BEGIN')"
          >So far</BButton
        >
      </div>
      <div v-if="!job.film.paused" class="chips">
        <button type="button" class="chip" :class="{ on: job.film.clamped }" :disabled="busy" @click="film('CLAMPED')">
          {{ job.film.clamped ? 'clamps are on' : 'clamps are off' }}
        </button>
        <button
          type="button"
          class="chip"
          :class="{ on: job.film.roller }"
          :disabled="busy || job.film.roller"
          @click="film('HELD')"
        >
          the roller pulls
        </button>
        <button
          type="button"
          class="chip"
          :class="{ on: job.film.sensor }"
          :disabled="busy || job.film.sensor"
          @click="film('CAUGHT')"
        >
          the sensor sees it
        </button>
        <button v-if="job.film.clamped" type="button" class="chip" :disabled="busy" @click="film('CLEAR')">
          clamps are clear of the edge
        </button>
      </div>
      <div v-if="!job.film.paused" class="row-form">
        <TextInput v-model="pausing" placeholder="why it is paused" aria-label="Why it is paused" maxlength="200" />
        <BButton variant="outline-secondary" :disabled="busy" @click="film('PAUSE')">Pause</BButton>
      </div>
      <form v-else class="again" @submit.prevent="film('RESUME')">
        <label class="check"><input v-model="ticks.fed" type="checkbox" />fed by hand to the roller</label>
        <label class="check"
          ><input v-model="ticks.taped" type="checkbox" />taped flat; its edge down, and clear of the head at both
          ends</label
        >
        <label class="check"><input v-model="ticks.caught" type="checkbox" />the sensor has caught it</label>
        <BButton type="submit" variant="primary" :disabled="busy || !ticks.fed || !ticks.taped || !ticks.caught"
          >Go on</BButton
        >
      </form>
    </section>
  </div>
</template>

<style scoped>
.line {
  list-style: none;
  padding: 0;
  margin: 0 0 12px;
  counter-reset: step;
}
.line li {
  counter-increment: step;
  display: grid;
  grid-template-columns: 34px minmax(0, 1fr) auto;
  gap: 4px 10px;
  align-items: center;
  border-top: 1.5px solid var(--line);
  padding: 8px 0;
}
.line li::before {
  content: counter(step);
  width: 30px;
  height: 30px;
  display: grid;
  place-items: center;
  border: 2px solid var(--rim);
  border-radius: 50%;
  font-weight: 650;
}
.line .done::before {
  background: var(--rim);
  color: var(--plate);
}
.line .done {
  color: var(--quiet);
}
.heat {
  margin-left: 8px;
  font-weight: 650;
}
p {
  margin: 2px 0;
}
.acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
.says {
  font-weight: 650;
  min-height: 3em;
}
.cm {
  display: grid;
  gap: 3px;
  max-width: 150px;
}
.row-form {
  align-items: end;
}
@media (max-width: 600px) {
  .line li {
    grid-template-columns: 34px minmax(0, 1fr);
  }
  .line li > :nth-child(2) {
    grid-column: 2;
  }
}
</style>
