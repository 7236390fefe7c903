<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed, ref, shallowRef, watch } from 'vue'
import { api, problemOf, type Schemas } from '../api/client'
import StateMark from '../drawings/StateMark.vue'
import { useLive } from '../shell/live'
import { oneAtATime } from '../shell/oneAtATime'
import { dayAndTime } from '../units/format'

/** Makes a sheet and sends it to the machine's printer; or gives the PDF. Follows it until it is out. */
const props = defineProps<{ machine: number; zone: string; gaps: string[] }>()

const sheets = shallowRef<Schemas['SheetsJson']>()
const jobs = shallowRef<Schemas['PrintJobsJson']>()
const printer = shallowRef<Schemas['PrinterJson']>()
const problem = ref<string>()
const address = ref('')
const where = () => ({ params: { path: { machine: props.machine } } })

async function load() {
  const mine = props.machine
  const [made, going] = await Promise.all([
    api.GET('/api/machines/{machine}/sheets', where()),
    api.GET('/api/machines/{machine}/print-jobs', where()),
  ])
  if (mine !== props.machine) return
  sheets.value = made.data
  jobs.value = going.data
  address.value = going.data?.uri ?? ''
}
watch(
  () => props.machine,
  () => {
    printer.value = undefined
    void load()
  },
  { immediate: true },
)
useLive(() => [`machine/${props.machine}`], load)

type Kind = Schemas['NewSheetJson']['kind']
const offered = computed<{ kind: Kind; label: string; shows: string }[]>(() => {
  const byPage = sheets.value?.channels.filter((c) => c.byPage) ?? []
  const whites = byPage.filter((c) => c.channel.startsWith('W'))
  return (sheets.value?.kinds ?? [])
    .filter((k) => (k.id === 'DARK_FRAME' || k.id === 'WHITE_HEALTH' ? whites.length > 0 : true))
    .filter((k) => (k.id === 'HEALTH' || k.id === 'PURGE' ? byPage.length > 0 : true))
    .map((k) => ({ kind: k.id, label: k.label, shows: k.shows }))
})
/** A purge sheet takes the failing channels, or all that a page reaches. */
function wanted(kind: Kind): Record<string, number> {
  if (kind !== 'PURGE') return {}
  const byPage = sheets.value?.channels.filter((c) => c.byPage) ?? []
  const failing = byPage.filter((c) => props.gaps.includes(c.channel))
  return Object.fromEntries((failing.length ? failing : byPage).map((c) => [c.channel, c.usual]))
}
const { run: make, busy } = oneAtATime(async (kind: Kind) => {
  problem.value = undefined
  const made = await api.POST('/api/machines/{machine}/sheets', {
    ...where(),
    body: { kind, paper: 'A4', wanted: wanted(kind) },
  })
  if (!made.data) {
    problem.value = problemOf(made.error).detail
    return
  }
  sheets.value = made.data
  const sheet = made.data.made[0]
  if (sheet && jobs.value?.uri) {
    const { data, error } = await api.POST('/api/sheets/{sheet}/print', { params: { path: { sheet: sheet.id } } })
    if (data) jobs.value = data
    else problem.value = problemOf(error).detail
  }
})
const { run: act } = oneAtATime(async (job: number, what: 'cancel' | 'came' | 'lost') => {
  const path = { params: { path: { job } } }
  const { data } =
    what === 'cancel'
      ? await api.POST('/api/print-jobs/{job}/cancel', path)
      : what === 'came'
        ? await api.POST('/api/print-jobs/{job}/came', path)
        : await api.POST('/api/print-jobs/{job}/lost', path)
  if (data) jobs.value = data
  void load()
})
const { run: again } = oneAtATime(async (sheet: number) => {
  const { data, error } = await api.POST('/api/sheets/{sheet}/print', { params: { path: { sheet } } })
  problem.value = error ? problemOf(error).detail : undefined
  if (data) jobs.value = data
})
const { run: keepAddress, busy: keeping } = oneAtATime(async () => {
  const { data, error } = await api.PUT('/api/machines/{machine}/printer', { ...where(), body: { uri: address.value } })
  problem.value = error ? problemOf(error).detail : undefined
  if (data) {
    jobs.value = data
    await ask()
  }
})
const { run: ask, busy: asking } = oneAtATime(async () => {
  printer.value = (await api.GET('/api/machines/{machine}/printer', where())).data
})

const WORDS: Record<string, string> = {
  QUEUED: 'on its way',
  SENDING: 'being sent',
  UNSURE: 'nobody knows',
  PRINTING: 'at the printer',
  DONE: 'came out',
  FAILED: 'not printed',
  CANCELLED: 'cancelled',
}
const jobOf = (sheet: number) => jobs.value?.jobs.find((j) => j.sheet === sheet)
const open = (state: string) => !['DONE', 'FAILED', 'CANCELLED'].includes(state)
const label = (kind: string) => sheets.value?.kinds.find((k) => k.id === kind)?.label ?? kind
</script>

<template>
  <section v-if="sheets" id="print">
    <h2>Print a sheet</h2>
    <div class="kinds">
      <BButton
        v-for="k in offered"
        :key="k.kind"
        variant="outline-secondary"
        :disabled="busy"
        :title="k.shows"
        @click="make(k.kind)"
        >{{ k.label }}</BButton
      >
    </div>
    <p v-if="!jobs?.uri" class="small quiet">
      No printer is entered for this machine: a sheet is made as PDF. Its address below lets it print by itself.
    </p>
    <p v-if="problem" class="act strong small" role="alert">{{ problem }}</p>
    <ul class="lines">
      <li v-for="sheet in sheets.made.slice(0, 4)" :key="sheet.id">
        <div>
          <a :href="`/api/sheets/${sheet.id}/sheet.pdf`">{{ label(sheet.kind) }} no. {{ sheet.id }}</a>
          <span class="quiet small"> {{ sheet.what }} {{ dayAndTime(sheet.madeAt, zone) }}</span>
          <div
            v-if="jobOf(sheet.id)"
            class="small"
            :class="{ act: jobOf(sheet.id)!.state === 'FAILED' || jobOf(sheet.id)!.state === 'UNSURE' }"
            role="status"
          >
            <b>{{ WORDS[jobOf(sheet.id)!.state] }}.</b> {{ jobOf(sheet.id)!.words }}
          </div>
        </div>
        <span class="acts">
          <template v-if="jobOf(sheet.id) && open(jobOf(sheet.id)!.state)">
            <BButton
              v-if="jobOf(sheet.id)!.state !== 'UNSURE'"
              size="sm"
              variant="outline-secondary"
              @click="act(jobOf(sheet.id)!.id, 'cancel')"
              >Cancel</BButton
            >
            <template v-else>
              <BButton size="sm" variant="outline-secondary" @click="act(jobOf(sheet.id)!.id, 'came')"
                >It came out</BButton
              >
              <BButton size="sm" variant="outline-secondary" @click="act(jobOf(sheet.id)!.id, 'lost')"
                >It did not</BButton
              >
            </template>
          </template>
          <span v-else-if="sheet.printed" class="small quiet">printed</span>
          <BButton v-else-if="jobs?.uri" size="sm" variant="outline-secondary" @click="again(sheet.id)">Print</BButton>
        </span>
      </li>
    </ul>
    <details class="fold">
      <summary>Its printer in the network</summary>
      <form class="row-form" novalidate @submit.prevent="keepAddress">
        <BFormInput v-model="address" aria-label="Address of its printer" placeholder="ipp://192.168.1.20/ipp/print" />
        <BButton type="submit" variant="outline-secondary" :disabled="keeping">Keep</BButton>
        <BButton variant="outline-secondary" :disabled="asking || !jobs?.uri" @click="ask">{{
          asking ? 'Asking …' : 'Ask it'
        }}</BButton>
      </form>
      <div v-if="printer" class="small" role="status">
        <p><StateMark :kind="printer.answers ? 'ready' : 'look'" /> {{ printer.says }}</p>
        <p v-if="printer.supplies.length">
          It says of its inks:
          <span v-for="s in printer.supplies" :key="s.name" class="supply"
            ><b>{{ s.name }}</b>
            {{ s.percent === null || s.percent === undefined ? 'not said' : `${s.percent} %` }}</span
          >
          <span v-if="printer.supplies.some((s) => !s.trusted)" class="act"
            >Its chips are ignored: do not believe it.
          </span>
          <span class="quiet">It counts drops; nothing is measured. The tanks are read with your eyes.</span>
        </p>
      </div>
    </details>
  </section>
</template>

<style scoped>
.kinds {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
  margin: 8px 0;
}
.acts {
  display: flex;
  gap: 8px;
  flex: none;
}
.supply {
  margin-right: 10px;
}
</style>
