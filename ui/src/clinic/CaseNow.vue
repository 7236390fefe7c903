<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useChecks } from '../checks/useReading'
import ChannelPicker from '../drawings/ChannelPicker.vue'
import CombStack from '../drawings/CombStack.vue'
import { useShop } from '../shell/shop'
import { dayAndTime, type VolumeUnit } from '../units/format'
import AdvicePlate from './AdvicePlate.vue'
import SawSomething from './SawSomething.vue'
import SuspectPath from './SuspectPath.vue'
import WhatElse from './WhatElse.vue'
import { asMoney, ENDINGS, useCase } from './useCase'

/** What to do next, and what that rests on: the belief, and at a desk the checks beside it. */
const props = defineProps<{ id: number }>()
const { settings } = useShop()
const zone = computed(() => settings.value?.zone ?? 'UTC')
const unit = computed(() => (settings.value?.volumeUnit ?? 'mL') as VolumeUnit)
const currency = computed(() => settings.value?.currency ?? 'GBP')
const { found, busy, load, say, end, printOn } = useCase(() => props.id)
const { checks } = useChecks(() => found.value?.machine ?? 0)

const channel = ref<string>()
const drawn = computed(() => {
  const all = checks.value?.channels ?? []
  const failing = found.value?.channels.filter((c) => c.failing).map((c) => c.channel) ?? []
  return all.find((c) => c.channel === channel.value) ?? all.find((c) => failing.includes(c.channel)) ?? all[0]
})
const LEAST = 0.05 // below it a cause is only counted
/** Whether nothing opens any more: the head is gone. */
const lost = computed(() => !!found.value?.rules.length && found.value.rules.every((r) => r.never))
const stopped = computed(() => found.value?.advice?.kind === 'STOP')
const likely = computed(() => found.value?.findings.filter((f) => f.share >= LEAST) ?? [])
const unlikely = computed(() => found.value?.findings.filter((f) => f.share < LEAST) ?? [])
const whole = (share: number) => `${Math.round(share * 100)} %`
const else_ = ref(false)
const saw = ref(false)
const words = ref('')
const cost = (amount: number) => asMoney(amount, currency.value)
</script>

<template>
  <div v-if="found" class="case">
    <div class="next">
      <AdvicePlate
        v-if="found.advice"
        :found="found"
        :busy="busy"
        :unit="unit"
        :currency="currency"
        :zone="zone"
        @say="say"
        @end="end"
        @reload="load"
      />
      <section v-else class="plate over">
        <h2>{{ ENDINGS[found.ending ?? ''] }}</h2>
        <p>{{ found.endingWords || 'Nothing was added.' }}</p>
        <p class="quiet small">{{ found.endedAt ? dayAndTime(found.endedAt, zone) : '' }}</p>
      </section>
      <div v-if="found.others.length" class="others">
        <p v-for="(o, i) in found.others" :key="o.title" class="small">
          <b>{{ i === 0 ? 'Runner-up:' : 'Not now:' }}</b> {{ o.title
          }}<template v-if="o.whyNot">, {{ o.whyNot }}</template
          ><template v-if="o.over > 0.5">; about {{ cost(o.over) }} dearer in the end, waits and waste counted</template
          >.
        </p>
      </div>
      <div v-if="found.rounds" class="thin rounds">
        <p class="strong">{{ stopped ? 'What it costs to have it back' : found.rounds.words }}</p>
        <dl class="prices small">
          <template v-if="!lost">
            <dt>One more round, about</dt>
            <dd>{{ cost(found.rounds.again) }}</dd>
            <dt>Drained and filled anew</dt>
            <dd>{{ cost(found.rounds.renew) }}</dd>
          </template>
          <dt>A new head{{ found.rounds.lost ? '' : ', on the shelf' }}</dt>
          <dd>{{ cost(found.rounds.head) }}</dd>
          <template v-if="found.rounds.labour">
            <dt>An hour’s hands to fit it</dt>
            <dd>{{ cost(found.rounds.labour) }}</dd>
          </template>
          <template v-if="found.rounds.lost">
            <dt>Two days until it is there</dt>
            <dd>{{ cost(found.rounds.lost) }}</dd>
          </template>
        </dl>
      </div>
      <div v-if="found.printOn && !found.card" class="thin rounds">
        <p>{{ found.printOn }}</p>
        <BButton variant="outline-secondary" :disabled="busy" @click="printOn">Print on like this</BButton>
      </div>
      <div v-if="found.advice && !found.card && !lost" class="ways">
        <BButton variant="outline-secondary" @click="else_ = true">Something else</BButton>
        <BButton variant="outline-secondary" @click="saw = true">Seen or felt</BButton>
      </div>
      <details v-if="found.advice && !found.card && !['STOP', 'CLOSE'].includes(found.advice.kind)" class="fold">
        <summary>End it all the same</summary>
        <label class="small" for="ending-words">In a word, for the log</label>
        <input id="ending-words" v-model="words" class="form-control" maxlength="500" />
        <div class="ways">
          <BButton
            v-if="!found.channels.some((c) => c.failing)"
            variant="outline-secondary"
            :disabled="busy"
            @click="end({ ending: 'CURED', words })"
            >Cured</BButton
          >
          <BButton variant="outline-secondary" :disabled="busy" @click="end({ ending: 'GOOD_ENOUGH', words })"
            >Good enough</BButton
          >
          <BButton variant="outline-secondary" :disabled="busy" @click="end({ ending: 'STOPPED', words })"
            >Stop here</BButton
          >
          <BButton variant="outline-secondary" :disabled="busy" @click="end({ ending: 'HANDED_OVER', words })"
            >Handed over</BButton
          >
        </div>
      </details>
    </div>

    <div class="belief">
      <h2>What it believes</h2>
      <p v-if="found.because.length" class="small quiet">{{ found.because.join('; ') }}.</p>
      <ul class="findings">
        <li v-for="f in likely" :key="f.cause" :title="f.signature">
          <span class="what"
            >{{ f.label }}<span v-if="f.channels.length" class="code">{{ f.channels.join(' ') }}</span></span
          >
          <span class="bar" aria-hidden="true"
            ><span :style="{ width: `${Math.round(f.share * 100)}%` }" :class="{ most: f === likely[0] }"></span
          ></span>
          <span class="share"
            ><b>{{ whole(f.share) }}</b> <span class="small quiet">{{ f.band }}</span></span
          >
          <span v-if="f.oldest" class="age small"
            >oldest: {{ f.oldest.part }}{{ f.oldest.channel ? ` of ${f.oldest.channel}` : '' }},
            {{ f.oldest.atLeast ? 'at least ' : '' }}{{ f.oldest.days }}
            {{ f.oldest.days === 1 ? 'day' : 'days' }}</span
          >
          <span v-else-if="f.cause === 'STARVED' && !found.endedAt" class="age small"
            >how old its filters are <RouterLink to="/shelf/tools">is not written down</RouterLink></span
          >
        </li>
      </ul>
      <p v-if="!found.findings.length" class="quiet">Nothing is suspected any more.</p>
      <p v-if="unlikely.length" class="small quiet">Unlikely: {{ unlikely.map((f) => f.label).join(', ') }}.</p>
      <div class="scroll-x" tabindex="0" role="region" aria-label="Where it is suspected">
        <SuspectPath :findings="likely" />
      </div>
      <p class="small quiet">What it cannot know. {{ found.cannotKnow.join(' ') }}</p>
    </div>

    <div class="evidence">
      <h2>Checks</h2>
      <template v-if="drawn && checks">
        <ChannelPicker
          :model-value="drawn.channel"
          :codes="checks.channels.map((c) => c.channel)"
          label="Channel"
          @update:model-value="channel = $event"
        />
        <CombStack
          :code="drawn.channel"
          :checks="
            drawn.past
              .slice(0, 7)
              .map((p) => ({ at: p.at, nozzles: drawn!.strokes, missing: p.missing, since: p.since }))
          "
          :zone="zone"
        />
        <p class="small quiet">Standing gaps make columns, air scatters, healing fills.</p>
      </template>
      <p v-else-if="!checks" class="quiet loading">Fetching the checks …</p>
      <p v-else class="quiet">No check yet.</p>
    </div>
    <WhatElse v-model="else_" :found="found" @say="say" />
    <SawSomething v-model="saw" :found="found" :busy="busy" @say="say" />
  </div>
</template>

<style scoped>
.case {
  display: grid;
  grid-template-columns: minmax(0, 1.15fr) minmax(0, 1.1fr) minmax(320px, 0.95fr);
  grid-template-areas: 'evidence belief next';
  gap: 22px 30px;
  align-items: start;
}
.next {
  grid-area: next;
}
.belief {
  grid-area: belief;
}
.evidence {
  grid-area: evidence;
}
.over {
  padding: 18px 20px;
}
.others {
  margin-top: 16px;
}
.others p {
  margin-bottom: 6px;
}
.ways {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
  margin-top: 10px;
}
.findings {
  list-style: none;
  margin: 8px 0 14px;
  padding: 0;
}
.findings li {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(50px, 0.8fr) 138px;
  gap: 10px;
  align-items: center;
  border-top: 1.5px solid var(--line);
  padding: 6px 0;
}
.code {
  font-weight: 650;
  margin-left: 8px;
}
h2 {
  margin-bottom: 6px;
}
.age {
  grid-column: 1 / -1;
  margin-top: -6px;
}
.bar {
  height: 14px;
  border-radius: 7px;
  background: var(--wash);
  overflow: hidden;
}
.bar span {
  display: block;
  height: 100%;
  background: var(--rim-soft);
}
.bar .most {
  background: var(--act);
}
.share {
  white-space: nowrap;
}
.rounds {
  padding: 10px 14px;
  margin: 12px 0;
}
.prices {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 16px;
  margin: 0;
}
.prices dt {
  font-weight: normal;
}
.prices dd {
  margin: 0;
  text-align: right;
  font-variant-numeric: tabular-nums;
}
.rounds p {
  margin: 0 0 6px;
}
@media (max-width: 1180px) {
  .case {
    grid-template-columns: minmax(0, 1fr) minmax(320px, 0.9fr);
    grid-template-areas: 'belief next';
  }
  .evidence {
    display: none; /* a part of its own stands beside it */
  }
}
@media (max-width: 760px) {
  .case {
    grid-template-columns: minmax(0, 1fr);
    grid-template-areas: 'next' 'belief';
  }
}
</style>
