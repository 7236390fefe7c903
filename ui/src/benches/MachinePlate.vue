<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'
import Comb from '../drawings/Comb.vue'
import SightGlass from '../drawings/SightGlass.vue'
import StateMark from '../drawings/StateMark.vue'
import { dayAndTime } from '../units/format'
import { actionFor, idle, stateOf } from './attention'

const props = defineProps<{ machine: Schemas['PlateJson']; first?: boolean; due?: Schemas['DueJson']; zone?: string }>()

const state = computed(() => stateOf(props.machine))
const action = computed(() => actionFor(props.machine))
const white = computed(() => {
  const worst = (props.due?.whites ?? [])
    .flatMap((w) => w.layers.map((l) => ({ ...l, channel: w.channel, fill: l.share / l.limit })))
    .sort((a, b) => b.fill - a.fill)[0]
  if (!worst || worst.fill < 0.5) return undefined
  return {
    words: `${worst.channel}: ${Math.round(100 * worst.share)} % settled in the ${worst.vessel.toLowerCase()}`,
    over: worst.fill >= 1,
  }
})
const glassWidth = computed(() =>
  props.machine.channels.length > 6 ? 28 : props.machine.channels.length > 4 ? 32 : 40,
)
</script>

<template>
  <article class="plate machine" :aria-label="machine.name">
    <header>
      <RouterLink :to="`/machines/${machine.id}`" class="name">{{ machine.name }}</RouterLink>
      <span class="state"><StateMark :kind="state.mark" />{{ state.word }}</span>
    </header>
    <div class="family quiet small">
      {{ machine.family }} · {{ machine.profile }}{{ idle(machine)
      }}<RouterLink v-if="machine.owedNow" :to="`/machines/${machine.id}/upkeep#owed`" class="act strong">
        · {{ machine.owedNow }} owed</RouterLink
      >
    </div>
    <ul class="channels">
      <li v-for="channel in machine.channels" :key="channel.code">
        <SightGlass
          class="glass"
          :code="channel.code"
          :layers="channel.path[0]?.layers ?? []"
          :capacity="channel.path[0]?.capacity ?? 1"
          :width="glassWidth"
          :height="78"
        />
        <b>{{ channel.code }}</b>
        <Comb
          v-if="channel.checkedAt"
          :code="channel.code"
          :nozzles="channel.nozzles"
          :missing="channel.missing"
          :width="44"
          :height="18"
        />
        <span v-else class="no-check quiet" :title="`${channel.code} was never checked`">–</span>
      </li>
    </ul>
    <p v-if="white" class="small white" :class="white.over ? 'act strong' : 'quiet'">{{ white.words }}</p>
    <RouterLink v-if="due?.now && !machine.card" to="/round" class="small upkeep"
      >{{ due.now }} {{ due.now === 1 ? 'routine' : 'routines' }} due</RouterLink
    >
    <span v-else-if="due?.soonest?.ask && zone && !machine.card" class="small quiet upkeep"
      >next: {{ due.soonest.title.toLowerCase() }}, {{ dayAndTime(due.soonest.ask, zone) }}</span
    >
    <RouterLink class="next" :to="action.to">
      <span>{{ machine.attention.words }}</span>
      <b>{{ action.label }} ›</b>
    </RouterLink>
  </article>
</template>

<style scoped>
.machine {
  display: flex;
  flex-direction: column;
  padding: 12px 14px 4px;
  min-width: 0;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  flex-wrap: wrap;
  gap: 0 8px;
}
.name {
  font-size: 1.25rem;
  color: var(--text);
  text-decoration-color: var(--line);
  text-underline-offset: 3px;
}
.state {
  display: flex;
  gap: 6px;
  align-items: center;
  font-size: 0.85rem;
  font-weight: 650;
  white-space: nowrap;
}
.family {
  margin: 1px 0 9px;
}
.channels {
  list-style: none;
  margin: 0 0 8px;
  padding: 0;
  display: flex;
  gap: 6px;
}
.channels li {
  flex: 1 1 0;
  min-width: 0;
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 3px;
  font-size: 0.8rem;
}
.no-check {
  height: 18px;
  line-height: 14px;
}
.white {
  margin: 0 0 4px;
}
.upkeep {
  margin: auto 0 6px;
}
.next {
  border-top: 1.5px solid var(--line);
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
  min-height: 46px;
  color: var(--text);
  text-decoration: none;
  font-size: 0.9rem;
  line-height: 1.2;
}
.next b {
  white-space: nowrap;
  color: var(--rim);
}
.next:hover span {
  text-decoration: underline;
}
@media (max-width: 600px) {
  .glass {
    display: none; /* why: nine machines in a hand; how full each vessel is stands on its own page */
  }
}
</style>
