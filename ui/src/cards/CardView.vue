<script setup lang="ts">
import { BButton, BModal } from 'bootstrap-vue-next'
import { computed, onScopeDispose, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, type Schemas } from '../api/client'
import { serverNow, useShop } from '../shell/shop'
import { bare, countdown, dayAndTime, minutes, span, type VolumeUnit, volume } from '../units/format'
import HandlingForm from '../benches/HandlingForm.vue'
import TiltedVessel from '../drawings/TiltedVessel.vue'
import StrikeDialog from '../log/StrikeDialog.vue'
import { asPlanned, endsAsPlanned } from './asPlanned'
import HandsFree from './HandsFree.vue'
import MachineSays from './MachineSays.vue'
import StepAsk from './StepAsk.vue'
import StepBeads from './StepBeads.vue'
import { useCard } from './useCard'
import { uncappedWords } from './uncapped'
import { useWakeLock } from './wakeLock'
import TextInput from '../shell/TextInput.vue'

const route = useRoute()
const { settings } = useShop()
const { card, problem, busy, forget, ...acts } = useCard(() => Number(route.params.id))
const awake = useWakeLock()

const unit = computed(() => (settings.value?.volumeUnit ?? 'mL') as VolumeUnit)
const zone = computed(() => settings.value?.zone ?? 'UTC')
const looked = ref<string>()
const step = computed(() => {
  const steps = card.value?.steps ?? []
  return steps.find((s) => s.id === (looked.value ?? card.value?.next)) ?? steps.at(-1)
})
const number = computed(() => (card.value?.steps ?? []).findIndex((s) => s.id === step.value?.id) + 1)
const following = computed(() => card.value?.steps.slice(number.value).find((s) => s.status === 'open'))
const open = computed(() => card.value?.state === 'open')
const locked = computed(() => !open.value || step.value?.status === 'done')

watch(
  () => card.value?.next,
  () => {
    looked.value = undefined
    forget()
  },
)

const now = ref(serverNow())
const ticking = setInterval(() => (now.value = serverNow()), 1000)
onScopeDispose(() => clearInterval(ticking))
const waitLeft = computed(() =>
  step.value?.waitOver ? new Date(step.value.waitOver).getTime() - now.value : undefined,
)
const uncapped = computed(() => uncappedWords(card.value, now.value))

const mainWords = computed(() => {
  const s = step.value
  if (!s) return ''
  if (s.pause && !s.waitStarted) return `Start: ${s.pause.label}, ${span(s.pause.seconds)}`
  if (waitLeft.value !== undefined && waitLeft.value > 0) return `${countdown(waitLeft.value)} to go`
  if (s.id === 'sign-off') return 'Sign off'
  return s.ask.kind === 'Acknowledge' ? 'Agreed' : 'Done'
})
const mainWaits = computed(() => Boolean(step.value?.pause && step.value.waitStarted && (waitLeft.value ?? 0) > 0))
/** Whether the step may be done although it is not whole, with a reason: gaps at once, counts and volumes once refused. */
const acceptable = computed(() => {
  const s = step.value
  if (!s || locked.value) return false
  if (s.ask.kind === 'Comb') return Object.values(s.entries).some((e) => e !== 'none')
  return Boolean(problem.value?.detail.includes('say why it is right'))
})

async function main() {
  const s = step.value
  if (!s) return
  if (s.pause && !s.waitStarted) await acts.beginWait(s.id)
  else await acts.finish(s.id)
}

/** One tap for a step that went as planned. */
const planned = computed(
  () => step.value && !step.value.pause && step.value.missing.length === 0 && endsAsPlanned(step.value),
)
async function allAsPlanned() {
  const s = step.value
  if (s && (await acts.enterAll(s.id, asPlanned(s, card.value?.syringes)))) await acts.finish(s.id)
}

/** What stays although a step is struck out is said before, and asked about. */
const striking = ref<{ step: string; preview: Schemas['StrikePreviewJson'] }>()
async function strike(id: string) {
  const { data } = await api.GET('/api/cards/{card}/strike', {
    params: { path: { card: Number(route.params.id) }, query: { step: id } },
  })
  if (data?.stays.length) striking.value = { step: id, preview: data }
  else await acts.strike(id)
}
async function struck() {
  const asked = striking.value
  striking.value = undefined
  if (asked) await acts.strike(asked.step)
}

/** Time for another machine while this one waits. */
const others = ref<Schemas['Next'][]>([])
async function loadOthers() {
  const { data } = await api.GET('/api/cards/next')
  others.value = (data ?? []).filter((n) => n.card !== Number(route.params.id))
}
watch(() => card.value?.version, loadOthers, { immediate: true })
const meanwhile = computed(() =>
  mainWaits.value ? others.value.filter((n) => !n.waitOver || new Date(n.waitOver).getTime() <= now.value) : [],
)

/** Photographs of the machine as it was opened, backwards: that is the order in which it goes together again. */
const asItWas = computed(() => {
  const steps = card.value?.steps ?? []
  if (!step.value || !['Put back', 'Open it', 'Head'].includes(step.value.part)) return []
  return steps
    .slice(0, number.value - 1)
    .flatMap((s) => s.notes.filter((n) => n.picture).map((n) => ({ title: s.title, picture: n.picture })))
    .reverse()
})

/** Where the day ends, if the work is longer than the day. */
const today = computed(() => {
  const [first, second] = card.value?.days ?? []
  if (!first || (!second && first.mayStand)) return undefined
  const later = new Date(first.from).getTime() - now.value > 60_000
  return { ...first, later, next: second?.from ?? '', with: second?.first ?? '' }
})

/** For somebody who does it the first time: one step, one hold, nothing else. */
const alone = computed(() => route.query.alone === '1')

/** More ways than these would cover the step itself; then they lie behind one button. */
const FEW = 2
const otherwise = ref(false)
function otherwiseIs(branch: Schemas['BranchJson']) {
  otherwise.value = false
  if (branch.stops) askToStop(branch)
  else if (step.value) void acts.fail(step.value.id, branch.id)
}

/** Nobody was at the tablet when it began. */
const AGO = [1, 2, 5, 10, 20, 30, 60, 120, 360, 720]
const earlier = ref(false)
async function beganAgo(ago: number) {
  earlier.value = false
  if (step.value) await acts.beginWait(step.value.id, ago)
}

/** A sentence that is not true of this machine is put right where it was read. */
const teaching = ref(false)
async function taught() {
  teaching.value = false
  await acts.reload()
}

const stopping = ref<Schemas['BranchJson']>()
function askToStop(branch: Schemas['BranchJson']) {
  stopping.value = branch
}
async function stop() {
  const s = step.value
  if (s && stopping.value && (await acts.fail(s.id, stopping.value.id))) stopping.value = undefined
}

type Dialog = 'skip' | 'note' | 'accept' | 'give-up'
const dialog = ref<Dialog>()
const words = ref('')
const titles: Record<Dialog, string> = {
  skip: 'Why is it skipped?',
  note: 'A note on this step',
  accept: 'Why is it good enough?',
  'give-up': 'Why is the card given up?',
}
function ask(which: Dialog) {
  words.value = ''
  forget()
  dialog.value = which
}
async function said() {
  const s = step.value
  if (!s || !dialog.value) return
  const which = dialog.value
  const done =
    which === 'skip'
      ? await acts.skip(s.id, words.value)
      : which === 'note'
        ? await acts.note(s.id, words.value)
        : which === 'accept'
          ? await acts.finish(s.id, words.value)
          : await acts.giveUp(words.value)
  if (done) dialog.value = undefined
}
const photoInput = ref<HTMLInputElement>()
async function photographed(event: Event) {
  const input = event.target as HTMLInputElement
  if (input.files?.[0] && step.value) await acts.photo(step.value.id, input.files[0])
  input.value = ''
}
const powerWords: Record<string, string> = { unplugged: 'unplugged', off: 'switched off', on: 'power on' }
const inLine = (amount: number, of: string) => (of === 'mL' ? volume(amount, unit.value) : `${bare(amount)} ${of}`)
</script>

<template>
  <div class="page card-page">
    <p v-if="!card && problem" class="notice" role="alert">{{ problem.detail }}</p>
    <p v-else-if="!card || !step" class="quiet loading">Fetching the card …</p>
    <div v-else class="columns" :class="{ alone }">
      <nav v-if="!alone" aria-label="Steps" class="steps">
        <RouterLink :to="`/machines/${card.machine}`" class="name machine">{{ card.machineName }}</RouterLink>
        <div class="quiet small">{{ card.title }}</div>
        <StepBeads :steps="card.steps" :current="step.id" @look="looked = $event" />
      </nav>

      <section class="middle">
        <div v-if="!open" class="plate step finished" :data-step="card.state">
          <div class="small strong act">
            {{ card.state !== 'done' ? 'Given up' : card.caseId ? 'Done' : 'Signed off' }}
          </div>
          <h1>{{ card.machineName }}: {{ card.title }}</h1>
          <p class="quiet">
            {{
              card.caseId
                ? 'Its case asks for a check now: nobody knows yet what this did.'
                : card.state === 'done'
                  ? 'It may take promised work. What was planned and what happened:'
                  : 'The log keeps why.'
            }}
          </p>
          <RouterLink v-if="card.caseId" class="btn btn-primary btn-lg" :to="`/clinic/${card.caseId}`"
            >Back to its case</RouterLink
          >
        </div>
        <div v-else class="plate step" :data-step="step.id">
          <div class="quiet small">
            <RouterLink :to="`/machines/${card.machine}`" class="small-only" data-where>{{
              card.machineName
            }}</RouterLink>
            Step {{ number }} of {{ card.steps.length }} · {{ step.part }} · about {{ minutes(step.minutes) }}
            <span v-if="step.status === 'done'" class="strong"
              >· done by {{ step.by }} {{ dayAndTime(step.finishedAt ?? '', zone) }}</span
            >
            <span v-if="step.status === 'skipped'" class="strong">· skipped: {{ step.reason }}</span>
          </div>
          <h1>{{ step.title }}</h1>
          <p class="do">{{ step.say }}</p>
          <TiltedVessel v-if="step.tilted" />
          <BButton v-if="!locked && step.restsOn.length" variant="link" size="sm" class="teach" @click="teaching = true"
            >Not so on this machine?</BButton
          >
          <div v-if="step.irreversible" class="notice small-notice">
            <b>No way back.</b><span>{{ step.irreversible }}</span>
          </div>
          <div v-if="step.missing.length" class="notice" role="status">
            <svg width="26" height="26" viewBox="0 0 14 14" aria-hidden="true">
              <path d="M7 1L13 12H1Z" fill="var(--act)" />
            </svg>
            <div>
              <b>Not yet.</b>
              <div v-for="reason in step.missing" :key="reason.message">
                {{ reason.message }}
                <BButton v-if="reason.remedy" size="sm" variant="link" @click="looked = reason.remedy"
                  >Go there</BButton
                >
              </div>
            </div>
          </div>
          <div v-if="step.hold" class="notice">
            <svg width="26" height="26" viewBox="0 0 14 14" aria-hidden="true">
              <path d="M7 1L13 12H1Z" fill="var(--act)" />
            </svg>
            <div><b>Hold here.</b> {{ step.hold }}</div>
          </div>
          <dl v-if="alone && step.words.length" class="small terms">
            <template v-for="w in step.words" :key="w.term">
              <dt>{{ w.term }}</dt>
              <dd>{{ w.words }}</dd>
            </template>
          </dl>
          <p v-if="step.leastSeconds && !locked" class="small">
            Drawn slowly, this takes {{ span(step.leastSeconds) }} at least.
          </p>
          <StepAsk
            :step="step"
            :lots="card.lots"
            :bottles="card.bottles"
            :syringes="card.syringes"
            :came-in="card.cameIn[step.id]"
            :machine="card.machine"
            :unit="unit"
            :locked="locked"
            :last-picks="card.lastPicks"
            :problem="problem"
            @enter="(cell, value) => acts.enter(step!.id, cell, value)"
            @enter-all="(cells) => acts.enterAll(step!.id, cells)"
            @photo="(file) => acts.photo(step!.id, file)"
          />
          <ul v-if="step.notes.some((n) => n.words)" class="notes">
            <li v-for="note in step.notes.filter((n) => n.words)" :key="note.at">
              <span class="small quiet">{{ note.person }}, {{ dayAndTime(note.at, zone) }}</span> {{ note.words }}
            </li>
          </ul>
        </div>

        <div v-if="open" class="go">
          <p v-if="problem && !dialog" class="refused" role="alert">{{ problem.detail }}</p>
          <div class="buttons">
            <BButton v-if="!locked" variant="primary" class="main" :disabled="busy || mainWaits" @click="main">{{
              mainWords
            }}</BButton>
            <BButton
              v-if="!locked && planned"
              variant="outline-secondary"
              class="planned"
              :disabled="busy"
              @click="allAsPlanned"
              >All as planned, done</BButton
            >
            <BButton v-if="locked" variant="outline-secondary" class="main" :disabled="busy" @click="strike(step!.id)"
              >Strike it out</BButton
            >
            <BButton
              v-if="!locked && step.pause && !step.waitStarted"
              variant="outline-secondary"
              :disabled="busy"
              @click="earlier = true"
              >It began earlier</BButton
            >
            <BButton
              v-if="!locked && mainWaits && step.pause?.machine"
              variant="outline-secondary"
              :disabled="busy"
              @click="acts.finish(step!.id, 'the machine was done')"
              >The machine is done</BButton
            >
            <template v-if="!locked && step.branches.length <= FEW">
              <BButton
                v-for="branch in step.branches"
                :key="branch.id"
                variant="outline-secondary"
                :disabled="busy"
                @click="otherwiseIs(branch)"
                >{{ branch.label
                }}<span v-if="branch.taken" class="small"
                  >&nbsp;({{ branch.taken }} of {{ branch.limit }})</span
                ></BButton
              >
            </template>
            <BButton v-else-if="!locked" variant="outline-secondary" :disabled="busy" @click="otherwise = true"
              >It went otherwise …</BButton
            >
            <BButton v-if="acceptable" variant="outline-secondary" @click="ask('accept')">Good enough</BButton>
            <BButton variant="outline-secondary" @click="photoInput?.click()">Photo</BButton>
            <BButton variant="outline-secondary" @click="ask('note')">Note</BButton>
            <BButton v-if="step.skippable && step.status === 'open'" variant="outline-secondary" @click="ask('skip')"
              >Skip</BButton
            >
            <BButton v-if="looked && looked !== card.next" variant="link" @click="looked = undefined"
              >Back to the next step</BButton
            >
          </div>
          <input
            ref="photoInput"
            type="file"
            accept="image/jpeg,image/png"
            capture="environment"
            class="visually-hidden"
            tabindex="-1"
            aria-label="Photo on this step"
            @change="photographed"
          />
        </div>
        <div v-if="open" class="below">
          <ul v-if="meanwhile.length" class="meanwhile" aria-label="Meanwhile">
            <li v-for="other in meanwhile" :key="other.card">
              <RouterLink :to="`/cards/${other.card}`"
                >Meanwhile, <b>{{ other.machineName }}</b>: {{ other.title }} ({{ minutes(other.minutes) }})</RouterLink
              >
            </li>
          </ul>
          <p class="quiet small next-line">
            <span v-if="following"
              >Next: {{ following.title }} ({{ minutes(following.minutes)
              }}{{ following.power === step.power ? '' : `, ${following.power}` }})</span
            >
            <span v-if="uncapped" :class="{ 'act strong': uncapped.late }">{{ uncapped.words }}</span>
          </p>
          <p v-if="today" class="small" :class="{ 'act strong': !today.mayStand }">
            <template v-if="today.later && card.uncappedSince">
              By the opening hours nobody is here, and the head stands off its dock: finish, or dock it before you go.
            </template>
            <template v-else-if="today.later">
              Goes on {{ dayAndTime(today.from, zone) }} with “{{ today.first }}”: what takes the head off its dock is
              not begun before.
            </template>
            <template v-else-if="today.mayStand">
              Today until “{{ today.last }}”; continue {{ dayAndTime(today.next, zone) }} with “{{ today.with }}”.
            </template>
            <template v-else> The day is too short for this: dock the head before you go. </template>
          </p>
          <details v-if="card.state === 'open'" class="fold" :open="alone">
            <summary>What if I stop here?</summary>
            <p v-for="line in card.stopHere" :key="line">{{ line }}</p>
          </details>
          <HandsFree :step="step" :ready="!locked && !busy && !mainWaits" :refused="problem?.detail" @done="main" />
          <p class="small ways">
            <RouterLink :to="{ query: alone ? {} : { alone: '1' } }" replace>{{
              alone ? 'The whole card' : 'One step alone, in a beginner’s words'
            }}</RouterLink>
            <RouterLink
              v-if="!card.steps.some((s) => s.status === 'done')"
              :to="{ path: '/practice/rehearsal', query: { card: card.id } }"
              >Rehearse it first</RouterLink
            >
          </p>
        </div>
      </section>

      <aside v-if="!alone" aria-label="Beside the step">
        <section v-if="open && step.tools.length">
          <h2>In your hands</h2>
          <ul class="list">
            <li v-for="tool in step.tools" :key="tool">{{ tool }}</li>
          </ul>
        </section>
        <section v-if="open && step.cautions.length">
          <h2>Care</h2>
          <ul class="list">
            <li v-for="caution in step.cautions" :key="caution">{{ caution }}</li>
          </ul>
          <p v-if="step.notToCopy.length" class="small">
            <b>Seen in demonstrations, not to be copied:</b> {{ step.notToCopy.join('; ') }}.
          </p>
        </section>
        <section v-if="open && step.id === 'proof' && card.presets.length">
          <h2>How it is printed here</h2>
          <ul class="list">
            <li v-for="preset in card.presets" :key="preset">{{ preset }}</li>
          </ul>
        </section>
        <section v-if="open && card.stages.length">
          <h2>Slot by slot</h2>
          <ul class="stages">
            <li v-for="stage in card.stages" :key="stage.channel">
              <b>{{ stage.channel }}</b>
              <span class="dots" aria-hidden="true"
                ><span v-for="n in 5" :key="n" class="dot" :class="{ on: n <= stage.at }"></span
              ></span>
              <span class="small">{{ stage.stage }}</span>
            </li>
          </ul>
        </section>
        <section v-if="open">
          <h2>The machine is</h2>
          <p class="power strong">{{ powerWords[card.power] ?? card.power }}</p>
          <p v-if="step.status === 'open' && (step.clashes || step.power !== (powerWords[card.power] ?? card.power))">
            This step: <b :class="{ act: step.clashes }">{{ step.power }}</b>
          </p>
          <ul v-if="card.standing.length" class="list">
            <li v-for="thing in card.standing" :key="thing">{{ thing }}</li>
          </ul>
        </section>
        <section v-if="open">
          <h2>The machine says …</h2>
          <MachineSays class="says" :machine="card.machine" />
        </section>
        <section>
          <h2>Planned and real</h2>
          <table class="figures">
            <thead>
              <tr>
                <th>so far</th>
                <th>planned</th>
                <th>real</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="line in card.comparison.lines" :key="line.what">
                <td>{{ line.what }}</td>
                <td>{{ inLine(line.planned, line.unit) }}</td>
                <td>
                  <b>{{ inLine(line.real, line.unit) }}</b>
                </td>
              </tr>
            </tbody>
          </table>
          <p v-for="lesson in card.comparison.lessons" :key="lesson.channel" class="small lesson">
            <b>{{ lesson.channel }}</b> gave {{ volume(lesson.gave, unit) }}, the profile said
            {{ volume(lesson.said, unit) }}.
            <RouterLink
              :to="`/machines/${card.machine}/papers?measured=${lesson.channel},${lesson.vessel},${lesson.capacity},${lesson.heel}#measures`"
              >Teach it</RouterLink
            >
          </p>
        </section>
        <section v-if="open && asItWas.length">
          <h2>As it was, last taken off first</h2>
          <ul class="as-it-was">
            <li v-for="photo in asItWas" :key="photo.picture">
              <a :href="`/api/pictures/${photo.picture}`" target="_blank" rel="noopener"
                ><img :src="`/api/pictures/${photo.picture}`" :alt="`At “${photo.title}”`"
              /></a>
              <span class="small quiet">{{ photo.title }}</span>
            </li>
          </ul>
        </section>
        <section v-if="open" class="foot">
          <BButton
            v-if="awake.possible"
            size="sm"
            variant="outline-secondary"
            :aria-pressed="awake.on.value"
            @click="awake.toggle"
            >{{ awake.on.value ? 'Screen stays on' : 'Keep the screen on' }}</BButton
          >
          <p v-else class="small quiet">
            This address is not secure, so the browser will not keep the screen on: set it on the tablet itself.
          </p>
          <BButton size="sm" variant="link" @click="ask('give-up')">Give up this card</BButton>
        </section>
        <section class="files">
          <a class="small" :href="`/api/cards/${card.id}/card.pdf`">{{
            open ? 'Hand it over on paper' : 'This card on paper'
          }}</a>
          <a class="small" :href="`/api/cards/${card.id}/card.json`">and as a file</a>
        </section>
      </aside>
    </div>

    <BModal v-model="otherwise" title="How did it go?" no-footer centered>
      <div class="ago ways-out">
        <BButton
          v-for="branch in step?.branches ?? []"
          :key="branch.id"
          variant="outline-secondary"
          size="lg"
          @click="otherwiseIs(branch)"
          >{{ branch.label
          }}<span v-if="branch.taken" class="small">&nbsp;({{ branch.taken }} of {{ branch.limit }})</span></BButton
        >
      </div>
    </BModal>
    <BModal v-model="earlier" title="How long ago did it begin?" no-footer centered>
      <div class="ago">
        <BButton v-for="m in AGO" :key="m" variant="outline-secondary" size="lg" @click="beganAgo(m)">{{
          minutes(m)
        }}</BButton>
      </div>
    </BModal>
    <BModal v-model="teaching" title="How is it on this machine?" no-footer centered>
      <HandlingForm v-if="card && step && teaching" :machine="card.machine" :matters="step.restsOn" @taught="taught" />
    </BModal>
    <BModal
      :model-value="stopping !== undefined"
      title="Stop the work here?"
      no-footer
      centered
      @hidden="stopping = undefined"
    >
      <p>{{ stopping?.stops }}</p>
      <BButton variant="primary" size="lg" @click="stop">Stop here</BButton>
      <BButton variant="link" @click="stopping = undefined">Not yet</BButton>
    </BModal>
    <BModal
      :model-value="dialog !== undefined"
      :title="dialog ? titles[dialog] : ''"
      no-footer
      centered
      @hidden="dialog = undefined"
    >
      <form novalidate @submit.prevent="said">
        <TextInput v-model="words" :aria-label="dialog ? titles[dialog] : ''" autofocus size="lg" />
        <p v-if="problem" class="act strong mt-2" role="alert">{{ problem.detail }}</p>
        <BButton type="submit" variant="primary" size="lg" class="mt-3">Enter</BButton>
      </form>
    </BModal>
    <StrikeDialog :preview="striking?.preview" problem="" :busy="busy" @strike="struck" @leave="striking = undefined" />
  </div>
</template>

<style scoped>
.columns.alone {
  grid-template-columns: minmax(0, 900px);
  justify-content: center;
}

.ways-out {
  grid-template-columns: 1fr;
}

.ways {
  display: flex;
  gap: 20px;
  margin: 4px 0 0;
}

.terms dt {
  float: left;
  margin-right: 8px;
}

.terms dt::after {
  content: ':';
}

.ago {
  display: grid;
  gap: 10px;
  grid-template-columns: repeat(auto-fill, minmax(110px, 1fr));
}

.stages {
  list-style: none;
  margin: 0;
  padding: 0;
}
.stages li {
  display: grid;
  grid-template-columns: 34px 84px 1fr;
  align-items: center;
  min-height: 26px;
}
.dots {
  display: flex;
  gap: 4px;
}
.dot {
  width: 12px;
  height: 12px;
  border: 2px solid var(--rim-soft);
  border-radius: 50%;
}
.dot.on {
  background: var(--rim);
  border-color: var(--rim);
}
.columns {
  display: grid;
  grid-template-columns: 230px minmax(0, 1fr) 270px;
  gap: 26px;
}
.machine {
  font-size: 1.35rem;
  color: var(--text);
  text-decoration: none;
}
.steps .small {
  margin-bottom: 10px;
}
.step {
  padding: 20px 26px 14px;
}
.step h1 {
  font-size: 1.9rem;
  margin: 4px 0 8px;
}
.do {
  font-size: 1.15rem;
  max-width: 40em;
  margin-bottom: 14px;
}
.says {
  margin-top: 8px;
}
.teach {
  display: block;
  padding: 0;
  margin: -8px 0 10px;
  min-height: 36px;
}
.notice {
  margin-bottom: 12px;
  font-size: 1.02rem;
}
.small-notice {
  font-size: 0.95rem;
  padding: 8px 14px;
}
.notes {
  list-style: none;
  padding: 0;
  margin: 0 0 8px;
}
.go {
  position: sticky;
  bottom: calc(var(--places) + var(--hob));
  z-index: 5;
  background: var(--ground);
  /* why beyond the plate: its rim must not run on beside the bar that lies over it */
  margin: 6px -7px 0;
  padding: 14px 7px 8px;
}
.buttons {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
}
.buttons .btn {
  min-height: 64px;
  padding-inline: 14px; /* five of them stand in one row beside the steps */
  font-size: 1.05rem;
  white-space: nowrap;
}
.main {
  flex: 1 1 150px;
  font-size: 1.2rem !important;
}
.refused {
  background: var(--warm);
  border-radius: 10px;
  padding: 8px 14px;
  margin: 0 0 10px;
  font-weight: 600;
}
.meanwhile {
  list-style: none;
  margin: 10px 0 0;
  padding: 0;
}
.meanwhile a {
  display: block;
  padding: 9px 14px;
  border-radius: 10px;
  background: var(--wash);
  color: var(--text);
  text-decoration: none;
  margin-bottom: 6px;
}
.as-it-was {
  list-style: none;
  margin: 0;
  padding: 0;
}
.as-it-was img {
  width: 100%;
  border-radius: 10px;
}
.files {
  display: flex;
  gap: 10px;
}
.next-line {
  display: flex;
  gap: 18px;
  justify-content: space-between;
  margin: 8px 2px 0;
}
aside section {
  margin-bottom: 18px;
}
.list {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
  font-size: 0.92rem;
}
.list li {
  border-top: 1.5px solid var(--line);
  padding: 5px 0;
}
.power {
  margin: 2px 0;
}
.finished {
  padding-bottom: 20px;
}
.small-only {
  display: none;
}
@media (max-width: 1100px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
    gap: 14px;
  }
  .middle {
    order: -1;
  }
  .small-only {
    display: inline;
    font-weight: 700;
  }
}
@media (max-width: 600px) {
  .step {
    padding: 14px 14px 8px;
  }
  .step h1 {
    font-size: 1.45rem;
  }
  .do {
    font-size: 1.02rem;
  }
  .buttons {
    gap: 7px;
  }
  .buttons .btn {
    flex: 1 1 auto;
    min-height: 46px;
    padding: 2px 8px;
    font-size: 0.95rem;
  }
  .go {
    padding: 8px 7px 6px;
  }
  .buttons .main,
  .buttons .planned {
    flex: 1 1 40%;
    min-width: 0;
    min-height: 64px;
    white-space: normal;
  }
}
</style>
