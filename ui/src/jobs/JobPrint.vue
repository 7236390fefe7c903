<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, type Schemas } from '../api/client'
import FieldProblem from '../shell/FieldProblem.vue'
import NumberInput from '../shell/NumberInput.vue'
import TextInput from '../shell/TextInput.vue'
import Tick from '../shell/Tick.vue'
import { minutes, money } from '../units/format'
import { useUnits } from '../units/useUnits'
import PaperSide from './PaperSide.vue'
import { remaining } from './next'
import { useJob, useJobWords } from './useJob'

/** Will the ink last, what it costs, and the sheets themselves: a test first, then the real ones, to one machine. */
const route = useRoute()
const id = computed(() => Number(route.params.id))
const { job, problem, act, busy } = useJob(() => id.value)
const words = useJobWords()
const { shownVolume } = useUnits()
const mirrored = ref(false)
const reason = ref('')
const count = ref<number>()
/** A sheet that was spoiled is printed once more, with the reason. */
const again = ref(false)
const sheet = ref(1)
const path = computed(() => ({ params: { path: { job: id.value } } }))
const left = computed(() => (job.value ? remaining(job.value) : { first: 0, count: 0 }))
const many = computed(() => Math.min(count.value ?? left.value.count, left.value.count) || left.value.count)
const preset = computed(() => words.value?.presets.find((p) => p.name === job.value?.order.preset))
const short = computed(() => job.value?.takes?.channels.filter((c) => !c.lasts) ?? [])
/** Film goes through the program that separates white, unless the machine does that by itself. */
const sends = computed(() => job.value?.on?.sends)
const good = computed(() => job.value?.on?.check === 'GOOD_TODAY')
const way = (s: Schemas['JobSheetJson']) =>
  s.out ? 'it came out' : s.state ? s.says || s.state.toLowerCase() : 'made, not sent'
function make(test: boolean, send: boolean) {
  const on = job.value?.on
  if (!on) return
  void act(() =>
    api.POST('/api/jobs/{job}/sheets', {
      ...path.value,
      body: {
        machine: on.name,
        first: again.value ? Math.round(sheet.value) - 1 : left.value.first,
        count: test || again.value ? 1 : many.value,
        test,
        mirrored: mirrored.value,
        reason: good.value && !again.value ? '' : reason.value,
        send,
      },
    }),
  )
}
</script>

<template>
  <div v-if="job" class="halves">
    <p v-if="!job.on" class="quiet">
      Choose the machine first, under <RouterLink :to="`/jobs/${id}`">The order</RouterLink>.
    </p>
    <template v-else>
      <section v-if="job.takes">
        <h2>Will the ink last?</h2>
        <table class="figures">
          <thead>
            <tr>
              <th>channel</th>
              <th>takes</th>
              <th>in the tank</th>
              <th>left after</th>
              <th>lasts</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="c in job.takes.channels" :key="c.channel">
              <td>{{ c.channel }}</td>
              <td>
                {{ shownVolume(c.takes) }} <span class="small quiet">± {{ shownVolume(c.give) }}</span>
              </td>
              <td>{{ shownVolume(c.holds) }}</td>
              <td>{{ shownVolume(Math.max(0, c.after)) }}</td>
              <td>
                <b v-if="c.lasts">yes</b><b v-else class="act">top up {{ shownVolume(c.topUp) }}</b>
              </td>
            </tr>
          </tbody>
        </table>
        <p class="small quiet">
          {{
            job.takes.learned
              ? 'What its tanks really lost taught these figures.'
              : 'Usual figures: read the tanks before and after, and they become this machine’s own.'
          }}
          A reserve of {{ shownVolume(job.takes.channels[0]?.reserve ?? 0) }} stays in each.
        </p>
        <p v-if="job.takes.passesWords" class="notice">{{ job.takes.passesWords }}</p>
        <h2>What it costs: {{ money(job.takes.quote.total) }}</h2>
        <p class="small">
          {{ money(job.takes.quote.each) }} a piece; {{ job.on.name }} prints {{ minutes(job.takes.minutes) }}.
        </p>
        <details class="fold">
          <summary>Line by line</summary>
          <ul class="lines">
            <li v-for="l in job.takes.quote.lines" :key="l.label">
              <span
                >{{ l.label }} <span class="small quiet">{{ l.of }}</span></span
              ><span>{{ money(l.money) }}</span>
            </li>
          </ul>
        </details>
      </section>
      <section>
        <h2>On {{ job.on.name }}</h2>
        <p :class="{ act: !good }">
          {{ job.on.checkSays }}.
          <RouterLink v-if="!good" :to="`/checks/${job.on.id}`">Look at it now</RouterLink>
        </p>
        <p v-if="job.on.check === 'NOT_GOOD' && job.takes" class="small">
          Printed badly it would waste {{ shownVolume(job.takes.channels.reduce((sum, c) => sum + c.takes, 0)) }} of ink
          and
          {{
            job.laidOut?.film
              ? `${Math.round(job.laidOut.film.cut / 100)} cm of film`
              : `${job.laidOut?.sheets} sheets`
          }}: see that it is cured first.
        </p>
        <p v-for="r in job.on.reminders" :key="r" class="small">{{ r }}</p>
        <p v-if="preset" class="small">
          <b>{{ preset.name }}:</b> {{ preset.paper }}{{ preset.settings ? `, ${preset.settings}` : '' }}
        </p>
        <PaperSide
          :ways="job.on.waysIn"
          :coated="job.on.roll || job.order.ink === 'FILM'"
          :transfer="job.pressedWork"
        />
        <template v-if="left.count && job.state === 'TAKEN'">
          <p v-if="short.length" class="notice">
            <span
              >Top up {{ short.map((c) => c.channel).join(', ') }} first:
              <RouterLink :to="`/machines/${job.on.id}/ink`">its ink</RouterLink></span
            >
          </p>
          <div class="row-form">
            <BButton
              :variant="job.sheets.length ? 'link' : 'outline-secondary'"
              :disabled="busy"
              @click="make(true, job.on.printer)"
              >A test on plain paper first</BButton
            >
          </div>
          <Tick v-if="job.mirrored" v-model="mirrored"
            >the driver’s own mirror is off: the sheet is drawn the wrong way round already</Tick
          >
          <FieldProblem :problem="problem" field="mirrored" />
          <label v-if="!good" class="why"
            >Why it is printed without a good check of today
            <TextInput v-model="reason" maxlength="200" />
            <FieldProblem :problem="problem" field="reason" />
          </label>
          <div class="row-form">
            <label v-if="left.count > 1" class="many"
              >Sheets
              <NumberInput :model-value="many" lazy @update:model-value="(n: number) => (count = Math.round(n))"
            /></label>
            <BButton v-if="sends" variant="primary" :disabled="busy" @click="make(false, true)"
              >Print {{ many === 1 ? 'a sheet' : `${many} sheets` }} on {{ job.on.name }}</BButton
            >
            <BButton :variant="sends ? 'outline-secondary' : 'primary'" :disabled="busy" @click="make(false, false)"
              >As a PDF</BButton
            >
          </div>
          <p v-if="job.on.spot" class="small quiet">
            White is the spot colour {{ job.on.spot }} in it{{
              sends ? ', and ' + job.on.name + ' prints it by itself' : ': open it in the program that separates white'
            }}.
          </p>
          <p v-else-if="!job.on.printer" class="small quiet">
            No printer’s address is entered for {{ job.on.name }}: a page that comes by hand proves its ink, not its
            line.
          </p>
        </template>
        <template v-if="job.state === 'PRINTED'">
          <BButton v-if="!again" variant="link" @click="again = true">Print a sheet again</BButton>
          <form v-else class="row-form" @submit.prevent="make(false, Boolean(sends))">
            <label class="many">Sheet <NumberInput v-model="sheet" /></label>
            <label class="why"
              >Why again <TextInput v-model="reason" maxlength="200" />
              <FieldProblem :problem="problem" field="reason" />
            </label>
            <Tick v-if="job.mirrored" v-model="mirrored">the driver’s own mirror is off</Tick>
            <FieldProblem :problem="problem" field="mirrored" />
            <FieldProblem :problem="problem" field="count" />
            <BButton type="submit" variant="primary" :disabled="busy">Once more</BButton>
          </form>
        </template>
        <p v-if="problem && !problem.errors?.length" class="notice" role="alert">{{ problem.detail }}</p>
        <ul v-if="job.sheets.length" class="lines">
          <li v-for="s in job.sheets" :key="s.id">
            <span
              ><b>{{
                s.test
                  ? 'Test'
                  : s.sheets === 1
                    ? `Sheet ${s.first + 1}`
                    : `Sheets ${s.first + 1} to ${s.first + s.sheets}`
              }}</b>
              <span class="small"> {{ way(s) }}</span></span
            >
            <span class="acts">
              <a :href="`/api/jobs/${id}/sheets/${s.id}.pdf`" target="_blank">PDF</a>
              <BButton
                v-if="!s.out"
                size="sm"
                :variant="s.state ? 'link' : 'primary'"
                :disabled="busy"
                @click="
                  act(() =>
                    api.POST('/api/jobs/{job}/sheets/{sheet}/out', { params: { path: { job: id, sheet: s.id } } }),
                  )
                "
                >It came out</BButton
              >
            </span>
          </li>
        </ul>
      </section>
    </template>
  </div>
</template>

<style scoped>
.why,
.many {
  display: grid;
  gap: 3px;
}
.many {
  max-width: 100px;
}
.figures .small {
  white-space: nowrap;
}
.lines .small {
  margin-left: 8px;
}
.acts {
  display: flex;
  gap: 12px;
  align-items: center;
}
.row-form {
  align-items: end;
}
</style>
