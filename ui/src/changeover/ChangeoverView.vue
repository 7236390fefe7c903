<script setup lang="ts">
import MachineDrawing from '../drawings/MachineDrawing.vue'
import HoldWarning from '../round/HoldWarning.vue'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import { useServer } from '../api/useServer'
import { useBench } from '../benches/useBench'
import ChannelPicker from '../drawings/ChannelPicker.vue'
import InkPath from '../drawings/InkPath.vue'
import { oneAtATime } from '../shell/oneAtATime'
import { useShop } from '../shell/shop'
import { FAMILIES, familyName } from '../units/families'
import { dayAndTime, minutes, money, percent, volume, type VolumeUnit } from '../units/format'
import ChannelFigures from './ChannelFigures.vue'
import MoneyPlate from './MoneyPlate.vue'
import HandlingForm from '../benches/HandlingForm.vue'
import PageParts, { type Part } from '../shell/PageParts.vue'
import PapersPlate from './PapersPlate.vue'
import PurityPlate from './PurityPlate.vue'
import SchoolsFollowed from './SchoolsFollowed.vue'
import SlotsDrawn from './SlotsDrawn.vue'
import TimeLine from './TimeLine.vue'
import { PURPOSES, wishOf, withSlot } from './wish'
import Choice from '../shell/Choice.vue'

const route = useRoute()
const router = useRouter()
const { settings } = useShop()
const { bench } = useBench()

const unit = computed(() => (settings.value?.volumeUnit ?? 'mL') as VolumeUnit)
const zone = computed(() => settings.value?.zone ?? 'UTC')
const machineId = computed(() => Number(route.query.machine) || undefined)
const machine = computed(() => bench.value?.machines.find((m) => m.id === machineId.value))
const wish = computed(() => wishOf(route.query))
const purity = ref<number>()
const answer = ref<Schemas['AnswerJson']>()
const problem = ref<Problem>()
const picked = ref<string>()

const plan = computed(() => answer.value?.plan)
const channel = computed(
  () => machine.value?.channels.find((c) => c.code === picked.value) ?? machine.value?.channels[0],
)
const figures = computed(() => plan.value?.channels.find((c) => c.before === channel.value?.code))
const drains = computed(() => plan.value?.channels.some((c) => c.pulls !== 'nothing') ?? false)
const dirty = computed(() => plan.value?.channels.some((c) => c.residue > 0) ?? false)
const chipChoices = computed(() =>
  plan.value?.chipChoices.length
    ? [
        { value: '', text: `Chips: ${plan.value.chips}` },
        ...plan.value.chipChoices.map((c) => ({ value: c.id as string, text: c.label })),
      ]
    : [],
)
/** Whose hands, and how much longer than practised ones they take. */
const handsOptions = computed(() =>
  (plan.value?.times.choices ?? []).map((h) => ({
    value: h.id,
    text: h.factor === 1 ? h.label : `${h.label}: ${percent(h.factor - 1)} longer`,
  })),
)
const title = computed(() => {
  if (!machine.value) return 'Plan a changeover'
  const to =
    wish.value.purpose === 'PARK'
      ? 'rest'
      : wish.value.purpose === 'RENEW'
        ? 'fresh'
        : familyName(wish.value.family ?? '')
  return `${machine.value.name}: ${machine.value.family} → ${to}`
})

const machineOptions = computed(() => [
  { value: 0, text: 'Choose a machine' },
  ...(bench.value?.machines ?? []).map((m) => ({ value: m.id, text: `${m.name} – ${m.family}` })),
])

/** The parts of a plan, each with an address of its own. */
const SEEN = { ink: 'Ink', when: 'When', buy: 'To buy', care: 'Schools and care', papers: 'On paper' } as const
const see = computed(() => (String(route.query.see) in SEEN ? (route.query.see as keyof typeof SEEN) : 'ink'))
const toBuy = computed(() => plan.value?.toBuy.filter((i) => i.buy) ?? [])
const parts = computed<Part[]>(() =>
  Object.entries(SEEN).map(([id, label]) => ({
    label,
    here: see.value === id,
    to: { query: { ...route.query, see: id === 'ink' ? undefined : id } },
    count: id === 'buy' ? toBuy.value.length || undefined : undefined,
  })),
)

/** What was chosen for another ink or another machine does not carry over. */
function choose(change: Record<string, string | undefined>, afresh = false) {
  const kept = afresh ? { machine: route.query.machine, for: route.query.for, to: route.query.to } : route.query
  void router.replace({ query: { ...kept, ...change } })
}
function chooseSlot(before: string, choice: string) {
  choose(withSlot(plan.value?.channels ?? [], before, choice))
}
function take(broughtIn: Schemas['BroughtIn']) {
  const w = broughtIn.wish
  if (broughtIn.kind !== 'plan' || !w) return
  const carries = Object.entries(w.carries as Record<string, string>).map(([k, v]) => `${k}:${v}`)
  choose(
    {
      for: w.purpose,
      to: w.family,
      by: w.route,
      chips: w.chips,
      carries: carries.join(',') || undefined,
      rest: w.onFluid.join(',') || undefined,
    },
    true,
  )
  purity.value = w.purity
}

let asked = 0
async function ask() {
  const id = machineId.value
  if (!id) return
  const mine = ++asked
  const { data, error } = await api.GET('/api/machines/{machine}/changeover', {
    params: { path: { machine: id }, query: { ...wish.value, purity: purity.value } },
  })
  if (mine !== asked) return // the slider has moved on
  answer.value = data
  problem.value = error ? problemOf(error) : undefined
}
watch([machineId, () => route.query.to, () => route.query.for], () => {
  purity.value = undefined
  answer.value = undefined
})
watch([machineId, () => JSON.stringify(wish.value), purity], ask, { immediate: true })

/** What each school comes to is worked out when it is looked at: every other one is a plan of its own. */
const { data: schools } = useServer<Schemas['FollowedJson'][]>(
  () => ['schools', machineId.value, JSON.stringify(wish.value), purity.value],
  () =>
    api.GET('/api/machines/{machine}/changeover/schools', {
      params: { path: { machine: machineId.value ?? 0 }, query: { ...wish.value, purity: purity.value } },
    }),
  () => [],
  () => see.value === 'care' && !!plan.value,
)

const { run: begin, busy: beginning } = oneAtATime(async () => {
  const { data, error } = await api.POST('/api/cards', {
    body: { ...wish.value, machine: machineId.value ?? 0, purity: plan.value?.purity },
  })
  if (error) problem.value = problemOf(error)
  else await router.push(`/cards/${data.id}`)
})
</script>

<template>
  <div class="page">
    <header class="head">
      <h1>{{ title }}</h1>
      <div class="choices">
        <Choice
          :model-value="machineId ?? 0"
          :options="machineOptions"
          aria-label="Machine"
          @update:model-value="(v) => choose({ machine: String(v) }, true)"
        />
        <Choice
          :model-value="wish.purpose ?? 'CHANGE'"
          :options="PURPOSES"
          aria-label="What for"
          @update:model-value="(v) => choose({ for: String(v) }, true)"
        />
        <Choice
          v-if="wish.purpose === 'CHANGE'"
          :model-value="wish.family ?? 'SUBLIMATION'"
          :options="FAMILIES"
          aria-label="Ink that comes"
          @update:model-value="(v) => choose({ to: String(v) }, true)"
        />
        <Choice
          v-if="chipChoices.length"
          :model-value="wish.chips ?? ''"
          :options="chipChoices"
          aria-label="What is done about chips"
          @update:model-value="(v) => choose({ chips: String(v) || undefined })"
        />
      </div>
    </header>

    <template v-if="!machineId">
      <p class="quiet">Choose the machine, and the ink that is to come. Nothing is changed by looking.</p>
      <ul class="lines machines">
        <li v-for="m in bench?.machines ?? []" :key="m.id">
          <MachineDrawing
            class="looks"
            :architecture="m.architecture"
            :channels="m.channels.map((c) => c.code)"
            :sheet="m.largestSheet"
            :screen="m.screen"
          />
          <span
            ><b>{{ m.name }}</b> {{ m.family }} <span class="quiet small">{{ m.profile }}, {{ m.bench }}</span></span
          >
          <RouterLink v-if="m.card" class="btn btn-outline-secondary btn-sm" :to="`/cards/${m.card.id}`"
            >To its card</RouterLink
          >
          <RouterLink v-else class="btn btn-outline-secondary btn-sm" :to="`/changeover?machine=${m.id}`"
            >Plan for {{ m.name }}</RouterLink
          >
        </li>
      </ul>
    </template>
    <p v-else-if="problem" class="notice" role="alert">{{ problem.detail }}</p>
    <p v-else-if="!answer" class="quiet loading">Working it out …</p>

    <section v-else-if="answer.kind !== 'planned'" class="plate no" :class="answer.kind">
      <div class="small strong act">{{ answer.kind === 'refused' ? 'This must not be' : 'Not like this' }}</div>
      <h2>{{ answer.reason }}</h2>
      <p v-if="answer.instead" class="quiet">{{ answer.instead }}</p>
      <PurityPlate
        v-if="answer.tradeOffs.some((t) => !t.problem)"
        v-model="purity"
        :points="answer.tradeOffs"
        :current="purity ?? 0.005"
        :unit="unit"
      />
    </section>

    <div v-else-if="plan && machine" class="columns">
      <div>
        <div class="tags">
          <span class="tag may">● May be done</span>
          <span class="tag">{{ plan.route }}, {{ plan.parts.reduce((sum, p) => sum + p.steps, 0) }} steps</span>
          <button
            v-for="other in plan.otherRoutes"
            :key="other.id"
            type="button"
            class="tag other"
            @click="choose({ by: other.id })"
          >
            or: {{ other.label }}
          </button>
          <span v-for="words in plan.acknowledgements" :key="words" class="tag">{{ words }}</span>
        </div>
        <section v-if="plan.first.length" class="notice" role="status" aria-label="First">
          <div>
            <b>First, before a screw is touched.</b>
            <div v-for="line in plan.first" :key="line">{{ line }}</div>
            <RouterLink v-if="toBuy.length && see !== 'buy'" :to="{ query: { ...route.query, see: 'buy' } }"
              >To the list</RouterLink
            >
          </div>
        </section>
        <details v-if="plan.kit.length" class="fold">
          <summary>Bulk feed: {{ plan.kit[0] }}, {{ plan.kit[1] }} …</summary>
          <p class="small">{{ plan.kit.join(' · ') }}</p>
          <b>Not your kit?</b>
          <HandlingForm :machine="machine.id" :matters="['KIT']" @taught="ask" />
        </details>
        <p class="fitness">
          <b aria-hidden="true">{{ '●'.repeat(plan.fitness.stars) + '○'.repeat(5 - plan.fitness.stars) }}</b>
          <span class="visually-hidden">{{ plan.fitness.stars }} of 5.</span>
          {{ plan.fitness.words }} <span class="quiet">{{ plan.fitness.care }}</span>
        </p>
        <p v-if="wish.purpose === 'RENEW'" class="small quiet">
          After growth, or a wrong ink in a tank, aim for 0.05 % old ink left: what spoiled once spoils again.
        </p>
        <p v-if="plan.times.missed.length" class="notice small" role="status">
          <span
            >Promised before that:
            <b v-for="(p, n) in plan.times.missed" :key="p.id"
              >{{ n ? ', ' : '' }}{{ p.words }} ({{ dayAndTime(p.due, zone) }})</b
            >. Print them first, or on another machine.</span
          >
        </p>
        <p v-if="plan.times.days.some((d) => !d.mayStand)" class="notice act strong" role="status">
          As it is planned, the head would stand off its dock over night. See “When”, and begin on a day that is long
          enough.
        </p>
        <PageParts :parts="parts" label="Parts of the plan" />
        <template v-if="see === 'ink'">
          <h2>Slot by slot</h2>
          <SlotsDrawn
            :slots="plan.channels"
            :film="plan.to === 'film'"
            :fixed="wish.purpose === 'PARK'"
            :picked="channel?.code"
            @pick="picked = $event"
            @choose="chooseSlot"
          />
          <section class="thin path">
            <ChannelPicker
              :model-value="channel?.code"
              :codes="machine.channels.map((c) => c.code)"
              label="Channel drawn"
              @update:model-value="picked = $event"
            />
            <div v-if="channel" class="scroll-x" tabindex="0" role="region" aria-label="Ink path">
              <InkPath
                :code="channel.code"
                :path="channel.path"
                :heels-only="drains"
                :cap-open="drains ? true : undefined"
                :pad-share="machine.padShare"
              />
            </div>
            <p v-if="figures && drains && figures.doing === 'FILL'" class="small quiet said">
              {{ figures.before }} after draining:
              {{
                volume(
                  channel!.path.reduce((s, v) => s + v.heel, 0),
                  unit,
                )
              }}
              of old ink cannot be pulled out. Filled like this, {{ percent(figures.drainedOnly) }} would still be old;
              rinsed as planned, {{ percent(figures.residue) }}, and {{ percent(figures.fluidLeft) }} fluid. The outlet
              is clean after {{ volume(figures.throughUntilClean, unit) }} more.
            </p>
          </section>
          <h2>What each channel needs</h2>
          <ChannelFigures
            :channels="plan.channels"
            :unit="unit"
            :drains="drains"
            :picked="channel?.code"
            @pick="picked = $event"
          />
        </template>
        <template v-else-if="see === 'when'">
          <TimeLine :parts="plan.parts" />
          <label class="small hands" for="hands"
            >For hands that have
            <Choice
              id="hands"
              :model-value="plan.times.hands.id"
              :options="handsOptions"
              @update:model-value="(v) => choose({ hands: String(v) })"
          /></label>
          <p class="small">
            hands on {{ minutes(plan.times.handsOn) }} · machine {{ minutes(plan.times.machine) }} · rests
            {{ minutes(plan.times.waiting) }} · ready <b>{{ dayAndTime(plan.times.ready, zone) }}</b> if you begin now,
            more if the check asks for it
          </p>
          <p v-if="plan.times.uncapped.bare + plan.times.uncapped.onCloth > 0" class="small">
            the head off its dock: {{ minutes(plan.times.uncapped.onCloth) }} on a wet cloth, at most
            <b :class="{ act: plan.times.uncapped.bare > plan.times.bareLimit }"
              >{{ minutes(plan.times.uncapped.bare) }} in the air</b
            >
            (the limit by its ink and today’s air: {{ minutes(plan.times.bareLimit) }})<template
              v-if="plan.times.uncapped.bare > plan.times.bareLimit"
              >. Lay out what these steps want before the carriage is freed, and do not pause until the head is docked
              or on its cloth; damper air helps</template
            >
          </p>
          <ol v-if="plan.times.days.length > 1" class="small days" aria-label="Day by day">
            <li v-for="d in plan.times.days" :key="d.from" :class="{ 'act strong': !d.mayStand }">
              <b>{{ dayAndTime(d.from, zone) }}</b> {{ d.first === d.last ? d.first : `${d.first} … ${d.last}` }}
              <span v-if="!d.mayStand">· longer than a day: the head would stand off its dock over night</span>
            </li>
          </ol>
          <HoldWarning
            v-if="machineId"
            :machine="machineId"
            :minutes="plan.times.handsOn + plan.times.machine + plan.times.waiting"
            :zone="zone"
          />
        </template>
        <div v-else-if="see === 'buy'" class="two">
          <section>
            <h2>To buy</h2>
            <ul class="list buy">
              <li v-for="item in toBuy" :key="item.what">
                <span>{{ item.what }}</span>
                <b
                  >{{ item.buy }}<span v-if="item.price?.minor" class="quiet small"> {{ money(item.price) }}</span></b
                >
              </li>
              <li v-if="!toBuy.length"><span>Nothing: all of it is here.</span></li>
            </ul>
            <p v-if="plan.packs" class="small packs">
              The ink as sets: {{ plan.packs.count }} × {{ plan.packs.colours }} bottles of
              {{ volume(plan.packs.each, unit) }}, <b>{{ money(plan.packs.price) }}</b> instead of
              {{ money(plan.packs.singles)
              }}<template v-if="plan.packs.count > 1"
                >. What the charge and power cleanings take wants more than one</template
              >.
            </p>
          </section>
          <section>
            <h2>At hand</h2>
            <ul class="list buy">
              <li v-for="item in plan.toBuy.filter((i) => i.onShelf)" :key="item.what">
                <span>{{ item.what }}</span>
                <span class="have">✓ {{ item.onShelf > 1 ? item.onShelf : 'here' }}</span>
              </li>
              <li>
                <span>room in the waste bottle</span><b>{{ volume(plan.wasteBottle, unit) }}</b>
              </li>
              <li>
                <span>the pad will be at</span><b>{{ percent(plan.padAfter) }}</b>
              </li>
            </ul>
          </section>
        </div>
        <div v-else-if="see === 'care'" class="two">
          <section>
            <h2>Schools followed</h2>
            <SchoolsFollowed :schools="schools ?? []" />
            <p v-if="!schools" class="quiet">Working out what the others would come to …</p>
          </section>
          <section>
            <h2>Care</h2>
            <ul class="list">
              <li v-for="caution in plan.cautions" :key="caution">{{ caution }}</li>
            </ul>
          </section>
        </div>
        <PapersPlate v-else :machine="machine.id" :wish="{ ...wish, purity: purity }" @brought-in="take" />
      </div>
      <aside>
        <div class="plate trade">
          <PurityPlate
            v-if="dirty && wish.purpose !== 'PARK'"
            v-model="purity"
            :points="answer.tradeOffs"
            :current="plan.purity"
            :unit="unit"
          />
          <div class="whole">
            <span class="strong">whole changeover</span><span class="big">{{ money(plan.total) }}</span>
          </div>
          <BButton variant="primary" size="lg" class="w-100" :disabled="beginning" @click="begin"
            >Make it a card</BButton
          >
          <RouterLink
            class="btn btn-outline-secondary w-100 rehearse"
            :to="{ path: `/practice/rehearsal/${machine.id}`, query: route.query }"
            >Rehearse it first</RouterLink
          >
          <MoneyPlate :plan="plan" :unit="unit" />
        </div>
      </aside>
    </div>
  </div>
</template>

<style scoped>
.rehearse {
  margin-top: 10px;
}

.head {
  display: flex;
  gap: 18px;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  margin-bottom: 12px;
}
.choices {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
}
.choices > * {
  width: auto;
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 360px;
  gap: 28px;
}
.tags {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
  margin-bottom: 12px;
}
.tag.may {
  background: color-mix(in srgb, var(--good) 18%, var(--plate));
  font-weight: 650;
}
.path {
  padding: 8px 14px 6px;
}
.said {
  margin: 4px 2px 6px;
}
.other {
  border: 0;
  color: var(--text);
  text-decoration: underline;
  min-height: 34px;
}
.buy b .small {
  margin-left: 10px;
}
.packs {
  margin: 10px 0 0;
}
.hands {
  display: flex;
  gap: 8px;
  align-items: center;
  margin: 4px 0 8px;
}
.hands > * {
  width: auto;
}
.fitness {
  margin: 0 0 6px;
}
.fitness b {
  letter-spacing: 2px;
  margin-right: 6px;
}
h2 {
  margin: 20px 0 8px;
}
.parts + h2,
.two h2 {
  margin-top: 0;
}
.machines {
  max-width: 760px;
}
.machines .looks {
  flex: 0 0 84px;
  width: 84px;
}
.no {
  max-width: 720px;
  padding: 24px 26px;
}
.no h2 {
  margin: 6px 0 10px;
  line-height: 1.35;
}
.trade {
  padding: 18px 20px;
  margin-bottom: 10px;
}
.whole {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  margin-bottom: 10px;
}
.big {
  font:
    650 1.4rem 'Besley Variable',
    serif;
}
.list {
  list-style: none;
  margin: 0;
  padding: 0;
  font-size: 0.95rem;
}
.list li {
  border-top: 1.5px solid var(--line);
  padding: 6px 0;
}
.list li > span,
.list li > b {
  display: block;
}
.buy li {
  display: flex;
  justify-content: space-between;
  gap: 10px;
}
.have {
  color: var(--good);
  font-weight: 650;
  white-space: nowrap;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 24px;
}
@media (max-width: 1000px) {
  .columns,
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
