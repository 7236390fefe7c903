<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, problemOf, type Schemas } from '../api/client'
import CombEntry from '../benches/CombEntry.vue'
import SheetsPlate from '../benches/SheetsPlate.vue'
import { useBench } from '../benches/useBench'
import { useSheets } from '../benches/useSheets'
import ChannelPicker from '../drawings/ChannelPicker.vue'
import Comb from '../drawings/Comb.vue'
import CombStack from '../drawings/CombStack.vue'
import StateMark from '../drawings/StateMark.vue'
import { verdict } from '../drawings/comb'
import { oneAtATime } from '../shell/oneAtATime'
import SimulatedBench from '../shell/SimulatedBench.vue'
import { useShop } from '../shell/shop'
import { dayAndTime, type VolumeUnit } from '../units/format'
import EyeHelp from './EyeHelp.vue'
import LookedDays from './LookedDays.vue'
import ReadPicture from './ReadPicture.vue'
import SendPicture from './SendPicture.vue'
import SolidAreas from './SolidAreas.vue'
import TapCorners from './TapCorners.vue'
import { useChecks, type Reading } from './useReading'

const route = useRoute()
const router = useRouter()
const { settings } = useShop()
const zone = computed(() => settings.value?.zone ?? 'UTC')
const unit = computed(() => (settings.value?.volumeUnit ?? 'mL') as VolumeUnit)
const { bench } = useBench()

const all = computed(() => bench.value?.machines ?? [])
/** The machine that was asked for, or the one that wants looking at first. */
const id = computed(
  () =>
    Number(route.params.machine) ||
    (all.value.find((m) => m.channels.some((c) => c.missing.length)) ?? all.value[0])?.id,
)
const plate = computed(() => all.value.find((m) => m.id === id.value))
const white = computed(() => plate.value?.channels.some((c) => c.code.startsWith('W')) ?? false)

const chosen = shallowRef<Reading>()
const { checks, problem: trouble, load } = useChecks(() => id.value ?? 0)
useSheets(() => id.value ?? 0) // asked for beside the checks, not after them
watch(id, () => (chosen.value = undefined))

const reading = computed(() => {
  const known = checks.value?.readings ?? []
  return known.find((r) => r.id === chosen.value?.id) ?? chosen.value ?? known[0]
})
const channel = ref<string>()
const drawn = computed(
  () =>
    checks.value?.channels.find((c) => c.channel === channel.value) ??
    checks.value?.channels.find((c) => c.missing.length) ??
    checks.value?.channels[0],
)
const problem = ref<string>()

function read(now: Reading) {
  chosen.value = now
  if (now.machine && now.machine !== id.value) void router.push(`/checks/${now.machine}`)
  void load()
}
const { run: correct } = oneAtATime(async (code: string, missing: number[]) => {
  if (!reading.value) return
  const { data, error } = await api.POST('/api/readings/{reading}/corrections', {
    params: { path: { reading: reading.value.id } },
    body: { channel: code, missing },
  })
  problem.value = error ? problemOf(error).detail : undefined
  if (data) {
    chosen.value = data
    void load()
  }
})
const { run: keepAsClean } = oneAtATime(async () => {
  if (!reading.value) return
  const { data } = await api.POST('/api/readings/{reading}/reference', {
    params: { path: { reading: reading.value.id } },
  })
  if (data) chosen.value = data
})
/** Channels that could not be seen, by reason. */
const unreadable = computed(() => {
  const by = new Map<string, string[]>()
  for (const l of reading.value?.looks ?? [])
    if (l.unreadable) by.set(l.unreadable, [...(by.get(l.unreadable) ?? []), l.channel])
  return [...by]
})
const gaps = computed(() => checks.value?.channels.filter((c) => c.missing.length).map((c) => c.channel) ?? [])
/** Some work would show the gaps: then a purge sheet is the next thing, and not another picture. */
const mustAct = computed(() => gaps.value.length > 0 && (checks.value?.verdict?.notFor.length ?? 0) > 0)
const sheets = ref<InstanceType<typeof SheetsPlate>>()
function purge() {
  sheets.value?.choosePurge()
  document.getElementById('sheets')?.scrollIntoView({ block: 'start' })
}
const before = computed(() => drawn.value?.before)
const mark = (c: Schemas['ComparedJson']) => (c.missing.length ? 'look' : 'ready')
</script>

<template>
  <div class="page">
    <nav v-if="all.length" class="machines" aria-label="Machines">
      <RouterLink
        v-for="m in all"
        :key="m.id"
        :to="`/checks/${m.id}`"
        class="tag machine"
        :class="{ now: m.id === id }"
        :aria-current="m.id === id ? 'page' : undefined"
        >{{ m.name }}<StateMark v-if="m.channels.some((c) => c.missing.length)" kind="look"
      /></RouterLink>
    </nav>
    <p v-if="trouble && !checks" class="notice" role="alert">{{ trouble }}</p>
    <p v-else-if="bench && !all.length" class="quiet">
      No machine stands on a bench yet. <RouterLink to="/machines/new">Add the first one.</RouterLink>
    </p>
    <p v-else-if="!checks" class="quiet">Fetching the checks …</p>
    <div v-else class="two">
      <div>
        <h1>{{ checks.name }}</h1>
        <p v-if="reading" class="quiet small">
          {{ reading.kindLabel ?? 'picture' }}, {{ dayAndTime(reading.at, zone)
          }}<template v-if="reading.machine === id && !reading.whyNot"
            >, {{ reading.kind ? 'filed by its mark' : 'its corners were tapped' }}</template
          ><template v-if="reading.taken"
            >, taken {{ dayAndTime(`${reading.taken}Z`, 'UTC') }} by the camera’s clock</template
          >
        </p>
        <p v-else class="quiet small">No picture yet.</p>
        <SendPicture :machine="id" :calm="mustAct" class="send" @read="read" />
        <SimulatedBench v-if="plate" :machine="plate.name" />
        <div v-if="reading?.whyNot" class="notice" role="status">
          <StateMark kind="look" />
          <div><b>Not read.</b> {{ reading.whyNot }}</div>
        </div>
        <template v-else-if="reading">
          <div v-for="doubt in reading.doubts" :key="doubt" class="notice small" role="status">
            <StateMark kind="look" />
            <div>{{ doubt }}</div>
          </div>
          <ReadPicture :reading="reading" @correct="correct" />
          <details v-if="reading.looks.some((l) => l.strokes)" class="fold">
            <summary>Correct it on the combs</summary>
            <CombEntry
              v-for="l in reading.looks.filter((x) => x.strokes)"
              :key="l.channel"
              :code="l.channel"
              :nozzles="l.strokes"
              :model-value="l.unreadable && !l.corrected ? undefined : l.missing"
              @update:model-value="(teeth) => correct(l.channel, teeth ?? [])"
            />
          </details>
        </template>
        <details v-if="reading?.whyNot && id" class="fold">
          <summary>Tap its corners instead</summary>
          <TapCorners :reading="reading" :machine="id" :white="white" @read="read" />
        </details>
        <p v-if="problem" class="act strong small" role="alert">{{ problem }}</p>
        <p v-if="checks.readings.length > 1">
          <RouterLink :to="`/checks/${id}/pages`">All its pages, two side by side</RouterLink>
        </p>
        <ul v-if="checks.readings.length > 1" class="earlier" aria-label="Earlier pictures">
          <li v-for="r in checks.readings.slice(0, 6)" :key="r.id">
            <button type="button" :aria-pressed="r.id === reading?.id" @click="chosen = r">
              <img v-if="r.straight" :src="`/api/pictures/${r.straight}`" alt="" loading="lazy" />
              <span v-else class="none">not read</span>
              <span class="small">{{ dayAndTime(r.at, zone) }}</span>
            </button>
          </li>
        </ul>
      </div>

      <div>
        <section v-if="checks.verdict" class="plate verdict">
          <StateMark :kind="checks.channels.some((c) => c.missing.length) ? 'look' : 'ready'" />
          <div>
            <b>{{ checks.verdict.headline }}</b>
            <p>{{ checks.verdict.says }}</p>
            <RouterLink
              v-if="checks.channels.some((c) => c.missing.length)"
              :to="plate?.caseId ? `/clinic/${plate.caseId}` : `/clinic?machine=${id}`"
              >{{ plate?.caseId ? 'To its case' : 'What to do about it' }}</RouterLink
            >
            <p v-if="checks.verdict.spoiled.length" class="small">
              What it spoils: {{ checks.verdict.spoiled.join(', ') }}.
            </p>
          </div>
          <BButton v-if="gaps.length" :variant="mustAct ? 'primary' : 'outline-secondary'" class="next" @click="purge"
            >Purge sheet of {{ gaps.join(', ') }}</BButton
          >
        </section>
        <SolidAreas v-if="reading && reading.looks.some((l) => l.solid)" :reading="reading" @clean="keepAsClean" />
        <ul v-if="unreadable.length" class="lines small">
          <li v-for="[why, codes] in unreadable" :key="why">
            <b>{{ codes.join(' ') }}</b><span class="quiet">{{ why }}</span>
          </li>
        </ul>

        <section v-if="checks.channels.length">
          <h2>{{ before ? `Against ${dayAndTime(before, zone)}` : 'The first check' }}</h2>
          <div v-for="c in checks.channels" :key="c.channel" class="compared">
            <b class="code">{{ c.channel }}</b>
            <Comb :code="c.channel" :nozzles="c.strokes" :missing="c.missing" :width="360" :height="28" />
            <span class="word"
              ><StateMark :kind="mark(c)" /><b :class="{ act: c.missing.length }">{{
                verdict(c.strokes, c.missing.length)
              }}</b></span
            >
            <span class="small quiet"
              >{{ c.changeWords ?? ''
              }}<template v-if="c.missing.length > c.best"
                >{{ c.changeWords ? ', ' : '' }}best {{ verdict(c.strokes, c.best) }}</template
              ></span
            >
          </div>
        </section>
        <p v-else class="quiet">
          No nozzle check yet. Print its own pattern, lay the strip into the reading frame, and send a picture.
        </p>

        <section v-if="drawn && drawn.past.length > 1" class="stack">
          <ChannelPicker
            v-model="channel"
            :codes="checks.channels.map((c) => c.channel)"
            :label="'Channel through time'"
          >
            <h2>{{ drawn.channel }}, the last {{ drawn.past.length }} checks</h2>
          </ChannelPicker>
          <CombStack
            :code="drawn.channel"
            :checks="drawn.past.map((p) => ({ at: p.at, nozzles: drawn!.strokes, missing: p.missing, since: p.since }))"
            :zone="zone"
          />
          <p v-if="drawn.standing.length" class="small">
            <b>{{ drawn.standing.length === 1 ? 'One gap stands' : `${drawn.standing.length} gaps stand` }}</b> since
            {{ dayAndTime(drawn.standingSince, zone) }}, in {{ drawn.standingChecks }} checks.
          </p>
        </section>

        <LookedDays :days="checks.looked" :purge-pages="checks.purgePages" :look-again="checks.lookAgain" />
        <SheetsPlate
          v-if="plate && id && plate.attention.kind !== 'PLAN'"
          ref="sheets"
          :machine="id"
          :name="plate.name"
          :unit="unit"
          :zone="zone"
          :gaps="gaps"
        />
        <EyeHelp />
      </div>
    </div>
  </div>
</template>

<style scoped>
.machines {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
  margin-bottom: 16px;
}
.machine {
  min-height: 44px;
  display: flex;
  align-items: center;
  gap: 6px;
  padding: 3px 14px;
  text-decoration: none;
}
.machine.now {
  background: var(--rim);
  color: var(--plate);
  font-weight: 650;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 5fr) minmax(0, 7fr);
  gap: 28px;
}
.two > * {
  min-width: 0;
}
.send {
  margin-bottom: 12px;
}
.notice {
  margin-bottom: 10px;
}
.compared {
  display: grid;
  grid-template-columns: 34px minmax(0, 1fr) 148px 132px;
  gap: 12px;
  align-items: center;
  border-top: 1.5px solid var(--line);
  padding: 9px 0;
}
.code {
  font-size: 1.1rem;
}
.word {
  display: flex;
  gap: 7px;
  align-items: center;
}
.stack {
  margin-top: 16px;
}
.verdict {
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 14px 18px;
  margin: 6px 6px 20px;
}
.next {
  margin-left: auto;
  flex: none;
}
.verdict b {
  font-size: 1.1rem;
}
.verdict p {
  margin: 2px 0 0;
}
.verdict > svg {
  width: 34px;
  height: 34px;
  flex: none;
}
.earlier {
  list-style: none;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(110px, 1fr));
  gap: 10px;
  padding: 0;
  margin: 12px 0 0;
}
.earlier button {
  width: 100%;
  border: 1.5px solid var(--line);
  border-radius: 10px;
  background: var(--plate);
  color: var(--text);
  padding: 6px;
  display: grid;
  gap: 4px;
}
.earlier button[aria-pressed='true'] {
  border-color: var(--rim);
}
.earlier img,
.earlier .none {
  width: 100%;
  height: 54px;
  object-fit: cover;
  border-radius: 5px;
}
.earlier .none {
  display: grid;
  place-items: center;
  background: var(--wash);
  font-size: 0.85rem;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media (max-width: 600px) {
  .compared {
    grid-template-columns: 30px minmax(0, 1fr);
    gap: 4px 10px;
  }
  .compared > .word,
  .compared > .small {
    grid-column: 2;
  }
  .verdict {
    flex-wrap: wrap;
  }
  .next {
    margin: 0;
    width: 100%;
    min-height: 56px;
  }
  .machines {
    flex-wrap: nowrap;
    overflow-x: auto;
  }
}
</style>
