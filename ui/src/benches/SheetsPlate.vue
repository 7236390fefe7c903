<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, reactive, ref, watch } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import { oneAtATime } from '../shell/oneAtATime'
import { dayAndTime, typedVolume, volume, type VolumeUnit } from '../units/format'
import { useSheets } from './useSheets'
import OwnSheets from './OwnSheets.vue'
import PrinterAddress from './PrinterAddress.vue'
import TextInput from '../shell/TextInput.vue'
import Choice from '../shell/Choice.vue'

/**
 * Sheets of our own: made as PDF, or sent to the machine's printer and followed until they are out. Ink is only counted when
 * one really came out.
 */
const props = defineProps<{ machine: number; name: string; gaps: string[]; unit: VolumeUnit; zone: string }>()
const emit = defineEmits<{ printed: [] }>()

const { sheets, jobs, made, going, reload } = useSheets(() => props.machine)
const problem = ref<Problem>()
const purging = ref(false)
const paper = ref<'A4' | 'LETTER'>('A4')
const wanted = reactive<Record<string, string>>({})
const where = () => ({ params: { path: { machine: props.machine } } })

watch(
  () => props.machine,
  () => {
    purging.value = false
    problem.value = undefined
  },
)

type Kind = Schemas['NewSheetJson']['kind']
const reached = computed(() => sheets.value?.channels.filter((c) => c.byPage) ?? [])
const white = computed(() => Boolean(sheets.value?.channels.some((c) => c.channel.startsWith('W'))))
const beyond = computed(() => sheets.value?.channels.filter((c) => !c.byPage) ?? [])

/** The channels with gaps are the ones that want a page. */
function choosePurge() {
  for (const c of reached.value)
    wanted[c.channel] = props.gaps.includes(c.channel) || !props.gaps.length ? String(c.usual) : ''
  purging.value = true
}
const { run: make, busy } = oneAtATime(async (kind: Kind) => {
  const typed = Object.entries(wanted)
    .map(([c, v]) => [c, Number(typedVolume(v, props.unit) ?? 0)] as const)
    .filter(([, v]) => v > 0)
  const { data, error } = await api.POST('/api/machines/{machine}/sheets', {
    ...where(),
    body: { kind, paper: paper.value, wanted: kind === 'PURGE' ? Object.fromEntries(typed) : {} },
  })
  problem.value = error ? problemOf(error) : undefined
  if (!data) return
  made(data)
  purging.value = false
  const sheet = data.made[0]
  if (sheet && jobs.value?.uri) await send(sheet.id)
})
async function send(sheet: number) {
  const { data, error } = await api.POST('/api/sheets/{sheet}/print', { params: { path: { sheet } } })
  problem.value = error ? problemOf(error) : undefined
  if (data) going(data)
}
const { run: again } = oneAtATime(send)
const { run: printed } = oneAtATime(async (sheet: number) => {
  const { data } = await api.POST('/api/sheets/{sheet}/printed', { params: { path: { sheet } } })
  if (data) {
    made(data)
    emit('printed')
  }
})
const { run: settle } = oneAtATime(async (job: number, what: 'cancel' | 'came' | 'lost') => {
  const path = { params: { path: { printing: job } } }
  const answer =
    what === 'cancel'
      ? await api.POST('/api/print-jobs/{printing}/cancel', path)
      : what === 'came'
        ? await api.POST('/api/print-jobs/{printing}/came', path)
        : await api.POST('/api/print-jobs/{printing}/lost', path)
  if (answer.data) going(answer.data)
  await reload()
  if (what === 'came') emit('printed')
})

const WORDS: Record<Schemas['Job']['state'], string> = {
  QUEUED: 'On its way',
  SENDING: 'Being sent',
  UNSURE: 'Nobody knows',
  PRINTING: 'At the printer',
  DONE: 'Came out',
  FAILED: 'Not printed',
  CANCELLED: 'Cancelled',
}
const lines = computed(() =>
  (sheets.value?.made ?? []).slice(0, 4).map((sheet) => {
    const job = jobs.value?.jobs.find((j) => j.sheet === sheet.id)
    return {
      sheet,
      job,
      label: sheets.value?.kinds.find((k) => k.id === sheet.kind)?.label ?? 'sheet',
      open: job !== undefined && !['DONE', 'FAILED', 'CANCELLED'].includes(job.state),
      bad: job?.state === 'FAILED' || job?.state === 'UNSURE',
    }
  }),
)
defineExpose({ choosePurge })
</script>

<template>
  <section v-if="sheets" id="sheets">
    <h2>{{ jobs?.uri ? 'Print a sheet' : 'Make a sheet' }}</h2>
    <div class="kinds">
      <button
        v-for="k in sheets.kinds"
        :key="k.id"
        type="button"
        class="btn btn-outline-secondary"
        :disabled="busy"
        :title="k.shows"
        @click="k.id === 'PURGE' ? choosePurge() : make(k.id)"
      >
        {{ k.label }}
      </button>
      <Choice
        v-model="paper"
        class="paper"
        aria-label="Paper"
        :options="[
          { value: 'A4', text: 'A4' },
          { value: 'LETTER', text: 'Letter' },
        ]"
      />
    </div>
    <form v-if="purging" class="thin block" novalidate @submit.prevent="make('PURGE')">
      <p class="small quiet">{{ sheets.kinds.find((k) => k.id === 'PURGE')?.shows }}</p>
      <div class="volumes">
        <div v-for="c in reached" :key="c.channel">
          <label :for="`sheet-${c.channel}`"
            ><b>{{ c.channel }}</b
            >, {{ unit }}</label
          >
          <TextInput
            :id="`sheet-${c.channel}`"
            v-model="wanted[c.channel]"
            inputmode="decimal"
            :placeholder="String(c.usual)"
          />
        </div>
      </div>
      <p v-if="reached[0]" class="small quiet">
        {{ volume(reached[0].usual, unit) }} of one channel fill one page. {{ reached[0].say }}
      </p>
      <BButton type="submit" variant="primary" :disabled="busy">{{
        jobs?.uri ? `Print it on ${name}` : 'Make it'
      }}</BButton>
      <BButton variant="link" @click="purging = false">Not now</BButton>
    </form>
    <p v-for="c in beyond" :key="c.channel" class="small quiet">
      <b>{{ c.channel }}</b>: {{ c.say }}
    </p>
    <p v-if="problem" class="act strong small" role="alert">{{ problem.detail }}</p>
    <ul class="lines">
      <li v-for="line in lines" :key="line.sheet.id">
        <div>
          <a :href="`/api/sheets/${line.sheet.id}/sheet.pdf`">{{ line.label }} no. {{ line.sheet.id }}</a>
          <span class="quiet small"
            >&nbsp;{{ line.sheet.what }} {{ line.sheet.pages === 1 ? '1 page' : `${line.sheet.pages} pages` }},
            {{ dayAndTime(line.sheet.madeAt, zone) }}</span
          >
          <div v-if="line.job && !line.sheet.printed" class="small" :class="{ act: line.bad }" role="status">
            <b>{{ WORDS[line.job.state] }}.</b> {{ line.job.words }}
          </div>
        </div>
        <span class="acts">
          <template v-if="line.job && line.open">
            <template v-if="line.job.state === 'UNSURE'">
              <BButton size="sm" variant="outline-secondary" @click="settle(line.job.id, 'came')">It came out</BButton>
              <BButton size="sm" variant="outline-secondary" @click="settle(line.job.id, 'lost')">It did not</BButton>
            </template>
            <BButton v-else size="sm" variant="outline-secondary" @click="settle(line.job.id, 'cancel')"
              >Cancel</BButton
            >
          </template>
          <span v-else-if="line.sheet.printed" class="small quiet">printed</span>
          <template v-else>
            <BButton v-if="jobs?.uri" size="sm" variant="outline-secondary" @click="again(line.sheet.id)"
              >Print</BButton
            >
            <BButton size="sm" variant="outline-secondary" @click="printed(line.sheet.id)">It came out</BButton>
          </template>
        </span>
      </li>
    </ul>
    <p v-if="!sheets.made.length && !purging" class="quiet small">
      A purge sheet puts ink on paper that can be read; a cleaning puts it into the pad.
    </p>
    <PrinterAddress
      :machine="machine"
      :uri="jobs?.uri"
      :white="white"
      :separates="jobs?.separates"
      @kept="going($event)"
    />
    <OwnSheets :machine="machine" />
  </section>
</template>

<style scoped>
section {
  margin-bottom: 22px;
}
.kinds {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
  align-items: center;
  margin: 8px 0;
}
.paper {
  width: auto;
}
.block {
  padding: 12px 16px;
  margin: 10px 0;
}
.volumes {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(76px, 1fr));
  gap: 10px;
  margin-bottom: 8px;
}
.acts {
  display: flex;
  gap: 8px;
  flex: none;
  flex-wrap: wrap;
}
</style>
