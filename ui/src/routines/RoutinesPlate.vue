<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, reactive, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, problemOf, type Schemas } from '../api/client'
import { oneAtATime } from '../shell/oneAtATime'
import { serverNow, useShop } from '../shell/shop'
import { dayAndTime, minutes, money, percent, typedVolume, volume, type VolumeUnit } from '../units/format'
import LineLooks from './LineLooks.vue'
import SettledWhite from './SettledWhite.vue'
import TextInput from '../shell/TextInput.vue'
import Choice from '../shell/Choice.vue'

/** What keeps this machine alive: when each routine is due, what drives it, where that comes from. */
const props = defineProps<{ machine: Schemas['MachineJson']; zone: string; unit: VolumeUnit }>()

type Routine = Schemas['RoutineJson']
const router = useRouter()
const { settings } = useShop()
const SHOWN = 6
const FACTORS = [
  { value: 0.5, text: 'twice as often' },
  { value: 0.75, text: 'a little more often' },
  { value: 1, text: 'as usual' },
  { value: 1.5, text: 'half as seldom again' },
  { value: 2, text: 'half as often' },
]
const whole = shallowRef<Schemas['MachineRoutinesJson']>()
const problem = ref<string>()
const all = ref(false)
const asked = ref<string>()
const off = ref('')
const white = reactive({ channel: '', volume: '5', to: 'BACK' as 'BACK' | 'WASTE', shaken: false })
const path = computed(() => ({ machine: props.machine.plate.id }))
const now = serverNow()

type Answer = { data?: Schemas['MachineRoutinesJson']; error?: unknown }
function take({ data, error }: Answer) {
  problem.value = error ? problemOf(error).detail : undefined
  if (data) {
    whole.value = data
    white.channel ||= data.whites[0]?.channel ?? ''
  }
}
watch(
  () => props.machine,
  async () => take(await api.GET('/api/machines/{machine}/routines', { params: { path: path.value } })),
  { immediate: true },
)
const key = (r: Routine) => `${r.routine}/${r.channel ?? ''}`
const shown = computed(() => (all.value ? whole.value?.routines : whole.value?.routines.slice(0, SHOWN)) ?? [])
const wentBack = computed(() => whole.value?.returned.filter((r) => r.times) ?? [])
const isDue = (r: Routine) => !!r.ask && new Date(r.ask).getTime() <= now
/** How long leaving it out hurts already. */
function late(r: Routine): string | undefined {
  const over = r.latest ? (now - Date.parse(r.latest)) / 60_000 : 0
  return over >= 1 ? `late by ${minutes(over < 60 ? over : 60 * Math.floor(over / 60))}` : undefined
}
const factor = (r: Routine) =>
  FACTORS.reduce((near, f) => (Math.abs(f.value - r.factor) < Math.abs(near - r.factor) ? f.value : near), 1)

const { run: done, busy } = oneAtATime(async (r: Routine) =>
  take(
    await api.POST('/api/machines/{machine}/routines/{routine}/done', {
      params: { path: { ...path.value, routine: r.routine } },
      body: { channel: r.channel },
    }),
  ),
)
const { run: stepwise } = oneAtATime(async (r: Routine) => {
  const { data, error } = await api.POST('/api/machines/{machine}/routines/{routine}/card', {
    params: { path: { ...path.value, routine: r.routine } },
    body: { channels: r.channel ? [r.channel] : [] },
  })
  problem.value = error ? problemOf(error).detail : undefined
  if (data) void router.push(`/cards/${data.card}`)
})
const cost = (minor: number) => money({ minor, currency: settings.value?.currency ?? 'GBP' })
const { run: tune } = oneAtATime(async (routine: string, times: number, why: string) => {
  take(
    await api.PUT('/api/machines/{machine}/routines/{routine}', {
      params: { path: { ...path.value, routine } },
      body: { factor: times, off: why },
    }),
  )
  off.value = ''
})
const { run: drawn } = oneAtATime(async () => {
  const mL = Number(typedVolume(white.volume, props.unit))
  take(
    await api.POST('/api/machines/{machine}/white', {
      params: { path: path.value },
      body: { channel: white.channel, volume: mL, to: white.to, shaken: white.shaken },
    }),
  )
  white.shaken = false
})
</script>

<template>
  <section v-if="whole && (whole.routines.length || whole.leftOut.length)" id="routines">
    <h2>Routines</h2>
    <div v-if="whole.whites.length" class="thin block">
      <h3>Settled white</h3>
      <div class="scroll-x" tabindex="0" role="region" aria-label="Settled white">
        <SettledWhite v-for="g in whole.whites" :key="g.channel" :gauge="g" :zone="zone" :now="now" />
      </div>
      <LineLooks
        :machine="machine.plate.id"
        :channels="whole.whites.map((w) => w.channel)"
        :looks="whole.looks"
        :zone="zone"
        @looked="whole = $event"
      />
      <p v-for="back in wentBack" :key="back.channel" class="small quiet">
        {{ back.channel }} went back into its tank {{ back.times }} of {{ back.most }} times since it was filled,
        {{ volume(back.volume, unit) }}.
      </p>
      <details class="fold">
        <summary>White was drawn at the waste line</summary>
        <form class="drawn" novalidate @submit.prevent="drawn">
          <Choice v-model="white.channel" :options="machine.plate.channels.map((c) => c.code)" aria-label="Channel" />
          <TextInput v-model="white.volume" inputmode="decimal" :aria-label="`Volume, ${unit}`" />
          <Choice
            v-model="white.to"
            aria-label="Where it went"
            :options="[
              { value: 'BACK', text: 'back into its tank' },
              { value: 'WASTE', text: 'into the waste bottle' },
            ]"
          />
          <label v-if="white.to === 'BACK'" class="shaken"
            ><input v-model="white.shaken" type="checkbox" class="form-check-input" /> shaken, with the white’s own
            syringe</label
          >
          <BButton type="submit" variant="outline-secondary">{{ unit }} drawn</BButton>
        </form>
      </details>
    </div>
    <p v-if="problem" class="act strong small" role="alert">{{ problem }}</p>
    <ul class="lines">
      <li v-for="r in shown" :key="key(r)">
        <div class="line">
          <button
            type="button"
            class="what"
            :aria-expanded="asked === key(r)"
            @click="asked = asked === key(r) ? undefined : key(r)"
          >
            <span
              >{{ r.title }}<template v-if="r.channel">, {{ r.channel }}</template></span
            >
            <span class="small" :class="isDue(r) ? 'act strong' : 'quiet'">{{
              !r.ask ? 'nothing foretells it' : isDue(r) ? (late(r) ?? 'due') : `by ${dayAndTime(r.ask, zone)}`
            }}</span>
          </button>
          <RouterLink
            v-if="r.routine === 'check'"
            class="btn btn-outline-secondary btn-sm"
            :to="`/checks/${machine.plate.id}`"
            >Check</RouterLink
          >
          <BButton v-else size="sm" variant="outline-secondary" :disabled="busy" @click="done(r)">Done</BButton>
        </div>
        <div v-if="asked === key(r)" class="small where">
          <p>{{ r.say }}</p>
          <p v-for="care in r.cautions" :key="care" class="caution">{{ care }}</p>
          <p class="quiet">If it is left out: {{ r.skipping }}</p>
          <p v-for="from in r.whereFrom" :key="from" class="quiet">{{ from }}</p>
          <p v-if="r.lastly" class="quiet">Set back by: {{ r.lastly }}</p>
          <p v-if="r.part">
            <b>{{ r.part.words }}</b>
            <span class="quiet">
              A month with a new one: {{ cost(r.part.change)
              }}<template v-if="r.part.clean !== undefined"
                >; a month won by cleaning: {{ cost(r.part.clean) }}</template
              >.</span
            >
          </p>
          <BButton
            v-if="r.routine !== 'check' && r.routine !== 'purge'"
            size="sm"
            variant="outline-secondary"
            :disabled="busy || !!machine.plate.card"
            @click="stepwise(r)"
            >Step by step</BButton
          >
          <div class="tune">
            <Choice
              :model-value="factor(r)"
              :options="FACTORS"
              :aria-label="`How often: ${r.title}`"
              @update:model-value="tune(r.routine, Number($event), '')"
            />
            <TextInput v-model="off" placeholder="not at this machine, because …" :aria-label="`Why not: ${r.title}`" />
            <BButton size="sm" variant="outline-secondary" :disabled="!off.trim()" @click="tune(r.routine, 1, off)"
              >Leave it out</BButton
            >
          </div>
        </div>
      </li>
    </ul>
    <BButton v-if="whole.routines.length > SHOWN" variant="link" @click="all = !all">{{
      all ? 'Fewer' : `All ${whole.routines.length}`
    }}</BButton>
    <p v-for="l in whole.leftOut" :key="l.routine" class="small quiet">
      {{ l.title }}: left out, {{ l.off }}
      <BButton size="sm" variant="link" @click="tune(l.routine, 1, '')">Take it up again</BButton>
    </p>
    <p class="small quiet">
      The waste pad takes {{ whole.pad.cleanings }} more {{ whole.pad.cleanings === 1 ? 'cleaning' : 'cleanings' }}, or
      {{ whole.pad.powerCleanings }} {{ whole.pad.powerCleanings === 1 ? 'power cleaning' : 'power cleanings' }}; it is
      {{ percent(whole.pad.share) }} full<template v-if="whole.pad.full"
        >, and full by {{ dayAndTime(whole.pad.full, zone) }} if it goes on like this</template
      >.
    </p>
  </section>
</template>

<style scoped>
section {
  margin-bottom: 22px;
}
.block {
  padding: 10px 14px;
  margin: 8px 0;
}
.line {
  display: flex;
  gap: 10px;
  align-items: center;
  width: 100%;
}
.what {
  flex: 1;
  display: flex;
  justify-content: space-between;
  gap: 10px;
  align-items: baseline;
  flex-wrap: wrap;
  min-height: 44px;
  text-align: left;
  background: none;
  border: 0;
  color: inherit;
}
.lines li {
  flex-direction: column;
  align-items: stretch;
}
.where p {
  margin: 0 0 4px;
}
.caution {
  border-left: 4px solid var(--act);
  padding-left: 8px;
}
.tune,
.drawn {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
  align-items: center;
  margin: 8px 0;
}
.tune > *,
.drawn > * {
  flex: 1 1 130px;
}
.shaken {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 44px;
}
</style>
