<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, reactive, ref } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import { useServer } from '../api/useServer'
import StrikeDialog from '../log/StrikeDialog.vue'
import { useStrike } from '../log/useStrike'
import FieldProblem from '../shell/FieldProblem.vue'
import { oneAtATime } from '../shell/oneAtATime'
import { figure, day, money, percent, typedVolume, volume, type VolumeUnit } from '../units/format'
import { numberOf } from '../units/typed'
import TextInput from '../shell/TextInput.vue'
import Choice from '../shell/Choice.vue'

/** Ink poured between changeovers: how much room there is, which bottle fits, and when it is wanted again. */
const props = defineProps<{ machine: Schemas['MachineJson']; unit: VolumeUnit; zone: string }>()
const emit = defineEmits<{ poured: [] }>()

const {
  data: whole,
  put,
  reload,
} = useServer<Schemas['Refillable']>(
  () => ['refills', props.machine.plate.id],
  () => api.GET('/api/machines/{machine}/refills', { params: path() }),
  () => [`machine/${props.machine.plate.id}`],
)
const problem = ref<Problem>()
const { asking, problem: refused, busy: striking, undo, confirm, leave } = useStrike()
/** A refill that is struck out; what would stay is said before. */
async function strike(work: Promise<void>) {
  await work
  await reload()
  emit('poured')
}
/** The answer belongs to the machine that it was asked of. */
function poured(machine: number, data: Schemas['Refillable']) {
  put(['refills', machine], data)
  emit('poured')
}
const pouring = ref(false)
const form = reactive({
  channel: '',
  lot: 0,
  poured: '',
  ranDry: false,
  chipReset: false,
  says: '',
  intoReserve: false,
})
const path = () => ({ path: { machine: props.machine.plate.id } })

const line = computed(() => whole.value?.lines.find((l) => l.channel === form.channel))
const atLastMark = computed(() => whole.value?.lines.filter((l) => l.atLastMark).map((l) => l.channel) ?? [])
const chips = computed(() => props.machine.chips.includes('reset'))

function begin(channel: string) {
  const chosen = whole.value?.lines.find((l) => l.channel === channel)
  problem.value = undefined
  Object.assign(form, {
    channel,
    lot: chosen?.bottles[0]?.id ?? 0,
    poured: '',
    ranDry: false,
    chipReset: false,
    says: '',
    intoReserve: false,
  })
  pouring.value = true
}
const { run: pour, busy } = oneAtATime(async () => {
  const id = props.machine.plate.id
  const { data, error } = await api.POST('/api/machines/{machine}/refills', {
    params: path(),
    body: {
      channel: form.channel,
      lot: Number(form.lot),
      poured: Number(typedVolume(form.poured, props.unit) ?? Number.NaN),
      ranDry: form.ranDry,
      chipReset: form.chipReset,
      says: form.says === '' ? undefined : numberOf(form.says) / 100,
      intoReserve: form.intoReserve || undefined,
    },
  })
  problem.value = error ? problemOf(error) : undefined
  if (data) {
    pouring.value = false
    poured(id, data)
  }
})
const { run: setTrigger } = oneAtATime(async (text: string) => {
  const id = props.machine.plate.id
  const share = text.trim() === '' ? undefined : numberOf(text) / 100
  const { data, error } = await api.PUT('/api/machines/{machine}/refills/trigger', {
    params: path(),
    body: { share },
  })
  problem.value = error ? problemOf(error) : undefined
  if (data) poured(id, data)
})
</script>

<template>
  <div id="refill">
    <template v-if="whole">
      <p v-if="whole.why" class="quiet small">{{ whole.why }}</p>
      <p v-if="atLastMark.length" class="notice small" role="status">
        <span
          >{{ atLastMark.join(' ') }} at the last mark: print nothing more. If air got in, say “it ran dry” when you
          refill.</span
        >
      </p>
      <table class="figures">
        <thead>
          <tr>
            <th>tank</th>
            <th>in it</th>
            <th>wanted again</th>
            <th></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="l in whole.lines" :key="l.channel">
            <td>
              <b>{{ l.channel }}</b>
            </td>
            <td class="level">
              {{ figure(l.level, unit) }} of {{ volume(l.level + l.room, unit) }}
              <span v-if="l.due && l.forecast" class="act strong">low</span>
            </td>
            <td>
              <template v-if="l.forecast"
                >{{ day(l.forecast.expected, zone) }}
                <span class="quiet small"
                  >{{ day(l.forecast.earliest, zone) }} to {{ day(l.forecast.latest, zone) }},
                  {{ l.forecast.pages }} pages</span
                ></template
              >
              <span v-else-if="l.due" class="act strong">now</span>
              <span v-else class="quiet small">known after three refills</span>
            </td>
            <td>
              <BButton
                v-if="!whole.why && l.room > 0"
                size="sm"
                variant="outline-secondary"
                :aria-label="`Refill ${l.channel}`"
                @click="begin(l.channel)"
                >Refill</BButton
              >
            </td>
          </tr>
        </tbody>
      </table>
      <form v-if="pouring && line" class="thin block" novalidate @submit.prevent="pour">
        <p>
          <b>{{ line.channel }}</b> takes <b>{{ volume(line.room, unit) }}</b> to the line, never past it.
          <span v-if="line.last && line.fromLast && line.entry" class="quiet small"
            >Last: {{ volume(line.fromLast, unit) }} on {{ day(line.last, zone) }}.
            <BButton size="sm" variant="link" @click="strike(undo(line.entry))">Strike it out</BButton></span
          >
        </p>
        <template v-if="line.bottles.length">
          <label for="refill-lot">The bottle in your hand, cap shut: which code?</label>
          <Choice
            id="refill-lot"
            v-model="form.lot"
            :options="
              line.bottles.map((b) => ({
                value: b.id,
                text: `${b.label} · ${volume(b.left, unit)}${b.opened ? ' · open' : ''}`,
              }))
            "
          />
          <FieldProblem :problem="problem" field="lot" />
          <div class="pair">
            <div>
              <label for="refill-poured">Poured, {{ unit }}</label>
              <TextInput id="refill-poured" v-model="form.poured" inputmode="decimal" />
              <FieldProblem :problem="problem" field="poured" />
            </div>
            <div>
              <label for="refill-says">The machine says, %</label>
              <TextInput id="refill-says" v-model="form.says" inputmode="numeric" placeholder="if it says" />
              <FieldProblem :problem="problem" field="says" />
            </div>
          </div>
          <label class="check"><input v-model="form.ranDry" type="checkbox" /> it ran dry before</label>
          <label v-if="chips" class="check"
            ><input v-model="form.chipReset" type="checkbox" /> its chip has just reset: I filled it to the top</label
          >
          <template v-if="form.intoReserve || problem?.errors?.some((e) => e.field === 'intoReserve')">
            <FieldProblem :problem="problem" field="intoReserve" />
            <label class="check"><input v-model="form.intoReserve" type="checkbox" /> it is meant to</label>
          </template>
          <p v-if="problem && !problem.errors?.length" class="act strong small" role="alert">{{ problem.detail }}</p>
          <BButton type="submit" variant="primary" :disabled="busy">It is in</BButton>
        </template>
        <p v-else class="act strong">
          No bottle on the shelf fits. <RouterLink to="/shelf">Enter one</RouterLink>, or plan a changeover.
        </p>
        <BButton variant="link" @click="pouring = false">Not now</BButton>
      </form>
      <p v-for="l in whole.lines.filter((x) => x.count)" :key="`c${l.channel}`" class="small quiet">
        {{ l.channel }}: its chip counted {{ volume(l.count?.counted ?? 0, unit) }} over {{ l.count?.resets }} resets,
        {{ volume(l.count?.poured ?? 0, unit) }} were poured:
        {{ l.countOff < 0 ? `${percent(-l.countOff)} was still in it` : `${percent(l.countOff)} more than it counts` }}.
      </p>
      <p v-for="l in whole.lines.filter((x) => x.apart)" :key="`a${l.channel}`" class="small act strong">
        {{ l.channel }}: the machine said {{ percent(l.says ?? 0) }}, which was far from what was in it. Trust the
        level.
      </p>
      <p class="small quiet trigger">
        <label for="refill-at">Ink is wanted below, % of a full tank</label>
        <TextInput
          id="refill-at"
          size="sm"
          :model-value="String(Math.round(whole.trigger * 100))"
          inputmode="numeric"
          @change="(e: Event) => setTrigger((e.target as HTMLInputElement).value)"
        />
        <span>{{ whole.usualTrigger ? 'the usual for its kind' : 'as you set it; empty it for the usual' }}</span>
      </p>
      <FieldProblem :problem="problem" field="share" />
      <p v-if="whole.lines[0] && whole.lines[0].cartridges > 1.5" class="small quiet">
        A full tank stands for {{ Math.round(whole.lines[0].cartridges) }} of the maker’s small cartridges,
        {{ money(whole.lines[0].saved) }}.
      </p>
    </template>
    <StrikeDialog
      :preview="asking && (asking.why || asking.stays.length) ? asking : undefined"
      :problem="refused"
      :busy="striking()"
      @strike="strike(confirm())"
      @leave="leave"
    />
  </div>
</template>

<style scoped>
.level {
  white-space: nowrap;
}
.block {
  padding: 12px 16px;
  margin: 10px 0;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  margin: 8px 0;
}
.trigger {
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
  margin-top: 10px;
}
.trigger input {
  width: 70px;
}
</style>
