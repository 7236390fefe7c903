<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, problemOf, type Schemas } from '../api/client'
import { useClinicWords } from '../clinic/useCase'
import Comb from '../drawings/Comb.vue'
import { verdict } from '../drawings/comb'
import { oneAtATime } from '../shell/oneAtATime'
import { useShop } from '../shell/shop'
import { minutes, volume, type VolumeUnit } from '../units/format'
import RunDebrief from './RunDebrief.vue'

/** One sick machine: what can be seen of it, what was spent, everything that could be tried. */
type Run = Schemas['RunJson']
type Act = Schemas['ActJson']
const ASKS: { question: NonNullable<Act['question']>; label: string; one: boolean }[] = [
  { question: 'WASTE_ROSE', label: 'Did the waste rise?', one: false },
  { question: 'BUBBLES', label: 'Bubbles in the tube?', one: true },
  { question: 'THREAD', label: 'Threads in the ink?', one: true },
  { question: 'CRUST', label: 'Crust on the inlet?', one: true },
]
const route = useRoute()
const { settings } = useShop()
const unit = computed(() => (settings.value?.volumeUnit ?? 'mL') as VolumeUnit)
const words = useClinicWords()
const run = shallowRef<Run>()
const problem = ref<string>()
const channels = ref<string[]>([])
const id = computed(() => Number(route.params.id))

function take({ data, error }: { data?: Run; error?: unknown }) {
  problem.value = error ? problemOf(error).detail : undefined
  if (data) run.value = data
}
const load = async () => take(await api.GET('/api/practice/runs/{id}', { params: { path: { id: id.value } } }))
onMounted(load)
watch(id, load)
const { run: act, busy } = oneAtATime(async (kind: string, more: Partial<Act> = {}) =>
  take(
    await api.POST('/api/practice/runs/{id}/acts', {
      params: { path: { id: id.value } },
      body: { kind, channels: channels.value, ...more },
    }),
  ),
)
const toggle = (code: string) =>
  (channels.value = channels.value.includes(code)
    ? channels.value.filter((c) => c !== code)
    : [...channels.value, code])
const treatments = computed(() =>
  (words.value?.treatments ?? []).filter((t) => {
    if (t.treatment === 'DRAW_AT_CARTRIDGE' || t.treatment === 'PUSH_AT_VENT') return run.value?.refillable
    if (t.treatment === 'FLUSH_LINE') return !run.value?.refillable
    if (t.treatment === 'DRAW_AT_WASTE_LINE') return run.value?.wasteLine
    if (t.treatment === 'HEAD_OUT') return run.value?.headOut
    if (t.treatment === 'AGITATE') return run.value?.channels.some((c) => c.channel.startsWith('W'))
    return true
  }),
)
const told = computed(() => {
  const r = run.value
  if (!r) return ''
  const parts = [
    `${r.complaints.join(', ').toLowerCase()}`,
    `stood ${Math.max(1, Math.round(r.idleDays))} days, they say`,
  ]
  if (r.dryRoom) parts.push('a dry room')
  if (r.changedLately) parts.push('just after a changeover')
  return parts.join('; ')
})
</script>

<template>
  <div class="page">
    <p v-if="problem" class="notice" role="alert">{{ problem }}</p>
    <p v-if="!run && !problem" class="quiet">It is being wheeled in …</p>
    <template v-if="run">
      <header class="head">
        <RouterLink to="/practice" class="small">Practice</RouterLink>
        <h1>A machine with {{ run.family }} ink</h1>
        <span class="tag">{{ told }}</span>
      </header>
      <RunDebrief v-if="run.debrief" :run="run" :debrief="run.debrief" :unit="unit" />
      <div v-else class="desk">
        <section class="seen">
          <h2>Last check</h2>
          <p v-if="run.channels[0]?.missing === undefined" class="quiet">Nobody has looked yet.</p>
          <button
            v-for="c in run.channels"
            :key="c.channel"
            type="button"
            class="channel"
            :class="{ on: channels.includes(c.channel) }"
            :aria-pressed="channels.includes(c.channel)"
            @click="toggle(c.channel)"
          >
            <b>{{ c.channel }}</b>
            <Comb
              v-if="c.missing"
              :code="c.channel"
              :nozzles="c.strokes"
              :missing="c.missing"
              :width="320"
              :height="26"
            />
            <span v-else class="quiet small">veiled</span>
            <span class="small" :class="(c.missing?.length ?? 0) > c.tolerated ? 'act strong' : 'quiet'">{{
              c.missing ? verdict(c.strokes, c.missing.length) : ''
            }}</span>
          </button>
          <p class="small quiet">
            Tap channels to treat just those. Good means at most {{ run.channels[0]?.tolerated }} gaps a channel.
          </p>
          <h2>So far</h2>
          <ol class="lines">
            <li v-for="(s, i) in run.steps" :key="i">
              <span>{{ s.what }}</span> <b class="small">{{ s.saw }}</b>
            </li>
          </ol>
          <p v-if="!run.steps.length" class="quiet">Nothing.</p>
        </section>
        <section class="do">
          <div class="spent thin">
            <span
              ><b>{{ volume(run.mL, unit) }}</b> ink</span
            >
            <span
              ><b>{{ volume(run.padMl, unit) }}</b> of {{ volume(run.padRoom, unit) }} pad</span
            >
            <span
              ><b>{{ minutes(Math.round(run.hands)) }}</b> hands</span
            >
            <span
              ><b>{{ minutes(Math.round(run.hours * 60)) }}</b> gone by</span
            >
          </div>
          <p v-if="run.hint" class="notice">{{ run.hint }}</p>
          <h2>Look</h2>
          <div class="grid">
            <BButton :variant="run.lookDue ? 'primary' : 'outline-secondary'" :disabled="busy" @click="act('LOOK')"
              >Nozzle check</BButton
            >
            <BButton variant="outline-secondary" :disabled="busy" @click="act('PAGE')">Full page</BButton>
            <BButton variant="outline-secondary" :disabled="busy" @click="act('SIMPLE')">The simple things</BButton>
            <BButton
              v-for="a in ASKS"
              :key="a.question"
              variant="outline-secondary"
              :disabled="busy || (a.one && channels.length !== 1)"
              @click="act('ASK', { question: a.question })"
              >{{ a.label }}</BButton
            >
          </div>
          <h2>Try{{ channels.length ? ` on ${channels.join(' ')}` : '' }}</h2>
          <p v-if="!channels.length" class="small quiet">Tap a channel first for what is done to single ones.</p>
          <div class="grid">
            <button
              v-for="t in treatments"
              :key="t.treatment"
              type="button"
              class="btn btn-outline-secondary"
              :title="t.why"
              :disabled="busy || (t.perChannel && !channels.length)"
              @click="act('TREAT', { treatment: t.treatment })"
            >
              {{ t.label }}
            </button>
            <BButton variant="outline-secondary" :disabled="busy" @click="act('TRY', { remedy: 'ALIGN' })"
              >Clean the strip, align</BButton
            >
          </div>
          <div class="ends">
            <BButton variant="outline-secondary" :disabled="busy" @click="act('HINT')">A hint (5 points)</BButton>
            <BButton variant="outline-secondary" :disabled="busy" @click="act('STOP')">Give it up</BButton>
            <BButton :variant="run.lookDue ? 'outline-secondary' : 'primary'" :disabled="busy" @click="act('DONE')"
              >It is cured</BButton
            >
          </div>
        </section>
      </div>
    </template>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  margin-bottom: 14px;
}
.desk {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr);
  gap: 26px 36px;
}
.channel {
  width: 100%;
  display: grid;
  grid-template-columns: 40px minmax(0, 1fr) 118px;
  gap: 12px;
  align-items: center;
  min-height: 48px;
  border: 1.5px solid transparent;
  border-radius: 10px;
  background: none;
  color: inherit;
  text-align: left;
}
.channel.on {
  border-color: var(--rim);
  background: var(--wash);
}
.spent {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
  padding: 10px 14px;
  margin-bottom: 12px;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  gap: 8px;
  margin: 6px 0 16px;
}
.grid .btn,
.ends .btn {
  min-height: 48px;
}
.ends {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  border-top: 1.5px solid var(--line);
  padding-top: 14px;
}
.ends .btn {
  flex: 1 1 150px;
}
h2 {
  margin-top: 4px;
}
@media (max-width: 760px) {
  .desk {
    grid-template-columns: minmax(0, 1fr);
  }
  .channel {
    grid-template-columns: 34px minmax(0, 1fr) 92px;
  }
}
</style>
