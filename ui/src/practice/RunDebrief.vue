<script setup lang="ts">
import type { Schemas } from '../api/client'
import { minutes, volume, type VolumeUnit } from '../units/format'
import SuspectPath from '../clinic/SuspectPath.vue'
import { computed } from 'vue'

/** The veil is off: what was wrong when, what was wasted, what the advice would have been. */
const props = defineProps<{ run: Schemas['RunJson']; debrief: Schemas['DebriefJson']; unit: VolumeUnit }>()

type Place = Schemas['FindingJson']['place']
const PLACES: Record<string, Place> = {
  'dried ink': 'HEAD',
  'dead nozzles': 'HEAD',
  'parted plate': 'HEAD',
  'dirt from the wiper': 'PLATE',
  'another ink on the plate': 'PLATE',
  'dirty wiper': 'PLATE',
  air: 'LINE',
  'settled white': 'LINE',
  'loaded filter': 'DAMPER',
  'crusted inlet': 'DAMPER',
  'vent, valve or level': 'VENT',
  growth: 'VESSEL',
  'mixed ink': 'VESSEL',
  'cap or pump not sealing': 'CAP',
  'position fault': 'CARRIAGE',
}
const unveiled = computed(() =>
  [...new Set(props.debrief.wasWrong.flatMap((w) => w.faults))].map((fault) => ({
    cause: 'DRIED' as const,
    label: fault,
    place: PLACES[fault] ?? 'HEAD',
    signature: '',
    channels: [],
    share: 1,
    band: '',
  })),
)
const list = (all: Schemas['FaultJson'][]) => all.map((f) => `${f.channel}: ${f.faults.join(', ')}`).join(' · ')
</script>

<template>
  <section class="plate score" aria-label="Debrief">
    <p class="act strong">{{ debrief.verdict }}</p>
    <h2 class="points">{{ debrief.score }} of 100</h2>
    <dl class="against">
      <div>
        <dt></dt>
        <dd class="quiet">you</dd>
        <dd class="quiet">a careful hand</dd>
      </div>
      <div>
        <dt>ink</dt>
        <dd>{{ volume(run.mL, unit) }}</dd>
        <dd>{{ volume(debrief.carefulMl, unit) }}</dd>
      </div>
      <div>
        <dt>hands</dt>
        <dd>{{ minutes(Math.round(run.hands)) }}</dd>
        <dd>{{ minutes(Math.round(debrief.carefulHands)) }}</dd>
      </div>
      <div>
        <dt>time gone by</dt>
        <dd>{{ minutes(Math.round(run.hours * 60)) }}</dd>
        <dd>{{ minutes(Math.round(debrief.carefulHours * 60)) }}</dd>
      </div>
    </dl>
    <p class="small">
      Ink that changed nothing: {{ volume(debrief.wastedMl, unit) }}. Ground rules broken: {{ debrief.rulesBroken
      }}<template v-if="run.hints">. Hints: {{ run.hints }}</template
      >.
    </p>
    <RouterLink class="btn btn-primary btn-lg" to="/practice">Another machine</RouterLink>
  </section>
  <div class="below">
    <section>
      <h2>What was wrong</h2>
      <div class="scroll-x" tabindex="0" role="region" aria-label="What was wrong">
        <SuspectPath :findings="unveiled" />
      </div>
      <ul class="lines">
        <li v-for="w in debrief.wasWrong" :key="w.channel">
          <b>{{ w.channel }}</b> <span>{{ w.faults.join(', ') }}</span>
        </li>
      </ul>
      <h2>What a careful hand would have done</h2>
      <ol class="careful">
        <li v-for="(s, i) in debrief.careful" :key="i">{{ s }}</li>
      </ol>
    </section>
    <section>
      <h2>Step by step</h2>
      <div class="scroll-x" tabindex="0" role="region" aria-label="Step by step">
        <table class="figures">
          <thead>
            <tr>
              <th>you did</th>
              <th>silent nozzles</th>
              <th>the advice was</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(s, i) in debrief.steps" :key="i" :title="list(s.really)">
              <td>
                {{ s.what }} <span class="quiet small">{{ s.saw }}</span>
              </td>
              <td :class="{ 'act strong': s.silentAfter > s.silentBefore }">
                {{ s.silentBefore }} → {{ s.silentAfter }}
              </td>
              <td>{{ s.advised }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </section>
  </div>
</template>

<style scoped>
.score {
  padding: 18px 22px;
  max-width: 620px;
}
.points {
  font-size: 1.9rem;
  margin-bottom: 8px;
}
.against {
  margin: 0 0 10px;
}
.against div {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  border-top: 1.5px solid var(--line);
  padding: 4px 0;
}
.against dt {
  font-weight: 400;
  color: var(--quiet);
}
.against dd {
  margin: 0;
  text-align: right;
  font-weight: 650;
}
.below {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(380px, 100%), 1fr));
  gap: 26px 36px;
  margin-top: 26px;
}
.careful {
  padding-left: 22px;
}
td:last-child {
  text-align: left;
}
</style>
