<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, problemOf, type Schemas } from '../api/client'
import { useClinicWords } from '../clinic/useCase'
import { oneAtATime } from '../shell/oneAtATime'
import { useShop } from '../shell/shop'
import { minutes, volume, type VolumeUnit } from '../units/format'
import HandsAtPath from './HandsAtPath.vue'
import PrintInTray from './PrintInTray.vue'
import RunDebrief from './RunDebrief.vue'
import { placeOf } from './places'

/** One sick machine: what can be seen of it, what was spent, everything that could be tried. */
type Run = Schemas['RunJson']
type Act = Schemas['ActJson']
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
const byHand = computed(() => (words.value?.treatments ?? []).filter((t) => placeOf(t.treatment) !== 'TRAY'))
/** What was seen last is good enough, and nothing was done since. */
const good = computed(
  () => !run.value?.lookDue && run.value?.channels.every((c) => c.missing && c.missing.length <= c.tolerated),
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
          <h2>The print in the tray</h2>
          <PrintInTray v-model="channels" :channels="run.channels" />
          <div class="grid">
            <BButton :variant="run.lookDue ? 'primary' : 'outline-secondary'" :disabled="busy" @click="act('LOOK')"
              >Nozzle check</BButton
            >
            <BButton variant="outline-secondary" :disabled="busy" @click="act('PAGE')">Full page</BButton>
            <BButton
              variant="outline-secondary"
              :disabled="busy || !channels.length"
              @click="act('TREAT', { treatment: 'PURGE_SHEET' })"
              >Purge sheet{{ channels.length ? `: ${channels.join(' ')}` : '' }}</BButton
            >
          </div>
          <p class="small quiet">
            Tap channels to treat just those. Good means at most {{ run.channels[0]?.tolerated }} gaps a channel.
          </p>
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
          <h2>The machine</h2>
          <HandsAtPath
            :run="run"
            :treatments="byHand"
            :channels="channels"
            :busy="busy"
            @treat="act('TREAT', { treatment: $event })"
            @ask="act('ASK', { question: $event })"
            @simple="act('SIMPLE')"
            @align="act('TRY', { remedy: 'ALIGN' })"
          />
          <div class="ends">
            <BButton variant="outline-secondary" :disabled="busy" @click="act('HINT')">A hint (5 points)</BButton>
            <BButton variant="outline-secondary" :disabled="busy" @click="act('STOP')">Give it up</BButton>
            <BButton :variant="good ? 'primary' : 'outline-secondary'" :disabled="busy" @click="act('DONE')"
              >It is cured</BButton
            >
          </div>
        </section>
        <section class="past">
          <h2>So far</h2>
          <ol class="lines">
            <li v-for="(s, i) in run.steps" :key="i">
              <span>{{ s.what }}</span> <b class="small">{{ s.saw }}</b>
            </li>
          </ol>
          <p v-if="!run.steps.length" class="quiet">Nothing.</p>
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
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.25fr);
  grid-template-areas: 'seen do' 'past do';
  grid-template-rows: auto 1fr;
  gap: 16px 36px;
}
.seen {
  grid-area: seen;
}
.do {
  grid-area: do;
}
.past {
  grid-area: past;
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
  grid-template-columns: repeat(auto-fill, minmax(130px, 1fr));
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
  margin: 4px 0 8px;
}
@media (max-width: 760px) {
  .desk {
    grid-template-columns: minmax(0, 1fr);
    grid-template-areas: 'seen' 'do' 'past';
    grid-template-rows: none;
  }
}
</style>
