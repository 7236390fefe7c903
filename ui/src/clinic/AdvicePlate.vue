<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, problemOf, type Schemas } from '../api/client'
import { oneAtATime } from '../shell/oneAtATime'
import HoldWarning from '../round/HoldWarning.vue'
import { minutes, volume, type VolumeUnit } from '../units/format'
import LookNow from './LookNow.vue'
import PageSeen from './PageSeen.vue'
import SimpleThings from './SimpleThings.vue'
import { asMoney, type Case, type Said } from './useCase'

/** The one next thing of a case, with its price, and the hands it needs. */
const props = defineProps<{ found: Case; busy: boolean; unit: VolumeUnit; currency: string; zone: string }>()
const emit = defineEmits<{ say: [said: Said]; end: [ending: Schemas['EndJson']]; reload: [] }>()

const router = useRouter()
const advice = computed(() => props.found.advice!)
const problem = ref<string>()
const words = ref('')
const purge = computed(() => advice.value.kind === 'TREAT' && advice.value.treatment === 'PURGE_SHEET')
const cost = (amount: number) => asMoney(amount, props.currency)

const { run: open, busy: opening } = oneAtATime(async () => {
  const { data, error } = await api.POST('/api/cases/{id}/card', {
    params: { path: { id: props.found.id } },
    body: { treatment: advice.value.treatment!, channels: advice.value.channels },
  })
  problem.value = error ? problemOf(error).detail : undefined
  if (data) void router.push(`/cards/${data.card}`)
})
const end = (ending: Schemas['EndJson']['ending']) => emit('end', { ending, words: words.value })
</script>

<template>
  <section class="plate advice" aria-label="Advice">
    <p class="act strong kicker">{{ advice.kind === 'STOP' ? 'Stop' : 'Next' }}</p>
    <h2 class="title">{{ advice.title }}</h2>
    <p>{{ advice.say }}</p>

    <template v-if="found.card">
      <p class="strong">A card is open on {{ found.name }}.</p>
      <RouterLink class="btn btn-primary btn-lg wide" :to="`/cards/${found.card}`">Go on with the card</RouterLink>
    </template>

    <template v-else-if="advice.kind === 'TREAT'">
      <dl class="price">
        <div>
          <dt>hands</dt>
          <dd>{{ minutes(Math.max(1, Math.round(advice.minutes))) }}</dd>
        </div>
        <div v-if="advice.lastsMinutes > advice.minutes + 3">
          <dt>until it can be judged</dt>
          <dd>{{ minutes(advice.lastsMinutes) }}</dd>
        </div>
        <div>
          <dt>ink<template v-if="advice.padML"> into the pad</template></dt>
          <dd>{{ advice.mL >= 0.05 ? volume(advice.mL, unit) : 'none' }}</dd>
        </div>
        <div v-if="advice.fluidML">
          <dt>fluid</dt>
          <dd>{{ volume(advice.fluidML, unit) }}</dd>
        </div>
        <div v-if="advice.parts">
          <dt>parts</dt>
          <dd>{{ cost(advice.parts) }}</dd>
        </div>
        <div>
          <dt>expected until fit, all counted</dt>
          <dd>{{ cost(advice.cost) }}</dd>
        </div>
        <div v-if="advice.fit !== undefined">
          <dt>good at once</dt>
          <dd>{{ Math.round(advice.fit * 100) }} %</dd>
        </div>
      </dl>
      <HoldWarning
        v-if="advice.lastsMinutes >= 60"
        :machine="found.machine"
        :minutes="advice.lastsMinutes"
        :zone="zone"
      />
      <p v-if="advice.here" class="small strong">{{ advice.here }}</p>
      <p v-if="advice.expect" class="small"><b>The next check should show:</b> {{ advice.expect }}</p>
      <p v-if="advice.otherwise" class="small quiet">{{ advice.otherwise }}</p>
      <PageSeen
        v-if="purge"
        :channels="advice.channels"
        :busy="busy"
        @seen="emit('say', { kind: 'PAGE', page: $event })"
      />
      <RouterLink
        v-else-if="advice.treatment === 'RENEW'"
        class="btn btn-primary btn-lg wide"
        :to="`/changeover?machine=${found.machine}&for=RENEW`"
        >Plan it: the same ink, fresh</RouterLink
      >
      <BButton v-else variant="primary" size="lg" class="wide" :disabled="opening" @click="open">Open the card</BButton>
    </template>

    <SimpleThings
      v-else-if="advice.kind === 'SIMPLE'"
      :channels="found.channels"
      :simple="found.simple"
      :pad="`the pad has ${volume(found.padRoom, unit)} of room`"
      :busy="busy"
      @found="emit('say', { kind: 'SIMPLE', channels: $event })"
    />
    <details v-else-if="advice.kind === 'WAIT'" class="fold">
      <summary>It was looked at again</summary>
      <LookNow :machine="found.machine" :channels="found.channels" @looked="emit('reload')" />
    </details>
    <LookNow
      v-else-if="advice.kind === 'LOOK'"
      :machine="found.machine"
      :channels="found.channels"
      @looked="emit('reload')"
    />
    <PageSeen
      v-else-if="advice.kind === 'PAGE'"
      :channels="found.channels.map((c) => c.channel)"
      :busy="busy"
      @seen="emit('say', { kind: 'PAGE', page: $event })"
    />
    <div v-else-if="advice.kind === 'ASK'" class="two">
      <BButton
        variant="outline-secondary"
        size="lg"
        :disabled="busy"
        @click="emit('say', { kind: advice.question!, channels: advice.channels, yes: true })"
        >Yes</BButton
      >
      <BButton
        variant="outline-secondary"
        size="lg"
        :disabled="busy"
        @click="emit('say', { kind: advice.question!, channels: advice.channels, yes: false })"
        >No</BButton
      >
    </div>
    <div v-else-if="advice.kind === 'TRY'" class="two">
      <BButton
        variant="primary"
        size="lg"
        :disabled="busy"
        @click="emit('say', { kind: 'TRIED', remedy: advice.remedy, yes: true })"
        >That was it</BButton
      >
      <BButton
        variant="outline-secondary"
        size="lg"
        :disabled="busy"
        @click="emit('say', { kind: 'TRIED', remedy: advice.remedy, yes: false })"
        >No change</BButton
      >
    </div>
    <div v-else class="ending">
      <label class="small" :for="`words-${found.id}`">In a word, for the log</label>
      <input :id="`words-${found.id}`" v-model="words" class="form-control" maxlength="500" />
      <template v-if="advice.kind === 'CLOSE'">
        <BButton variant="primary" size="lg" class="wide" :disabled="busy" @click="end('CURED')"
          >The first print is good: cured</BButton
        >
        <BButton variant="outline-secondary" class="wide" :disabled="busy" @click="end('GOOD_ENOUGH')"
          >Good enough, gaps left</BButton
        >
      </template>
      <template v-else>
        <BButton variant="primary" size="lg" class="wide" :disabled="busy" @click="end('STOPPED')"
          >Stop here, live with it</BButton
        >
        <BButton variant="outline-secondary" class="wide" :disabled="busy" @click="end('HANDED_OVER')"
          >Handed over to somebody</BButton
        >
      </template>
    </div>
    <p v-if="problem" class="act strong small" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
.advice {
  padding: 18px 20px 20px;
}
.kicker {
  margin: 0 0 4px;
}
.title {
  font-size: 1.5rem;
  margin-bottom: 10px;
}
.price {
  margin: 0 0 12px;
}
.price div {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  border-top: 1.5px solid var(--line);
  padding: 5px 0;
}
.price dt {
  font-weight: 400;
  color: var(--quiet);
}
.price dd {
  margin: 0;
  font-weight: 650;
  white-space: nowrap;
}
.wide {
  width: 100%;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
.two .btn {
  min-height: 64px;
}
.ending {
  display: grid;
  gap: 10px;
}
</style>
