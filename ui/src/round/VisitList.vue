<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { clock, minutes } from '../units/format'
import type { Round, Visit } from './useRound'
import { numberOrNone } from '../units/typed'
import TextInput from '../shell/TextInput.vue'

/** The walk as a list to tick: what, where, when, and why here. */
const props = defineProps<{
  round: Round
  visits: Visit[]
  next?: Visit
  zone: string
  busy: boolean
  chosen?: string
}>()
const emit = defineEmits<{
  begin: [visit: Visit]
  tick: [visit: Visit, whole: boolean, minutes?: number]
  letGo: [visit: Visit]
  choose: [key: string | undefined]
  unpin: [visit: Visit]
  stepwise: [visit: Visit]
}>()

const machine = (id: number) => props.round.machines.find((m) => m.id === id)
const who = (id: number | undefined) => props.round.people.find((p) => p.id === id)?.name
const open = (v: Visit) => v.key === props.chosen || v.key === props.next?.key
const gloves: Record<string, string> = {
  FOOD: 'fresh gloves, food',
  DYE: 'gloves for dye',
  SUBLIMATION: 'gloves for sublimation',
  FILM: 'gloves for film',
  WHITE: 'gloves for white',
}
/** What it really took, where somebody says so; else it is counted from when it was begun. */
const took = ref('')
const tick = (v: Visit, whole: boolean) => {
  emit('tick', v, whole, numberOrNone(took.value))
  took.value = ''
}
const isCheck = (v: Visit) => v.routine === 'check'
</script>

<template>
  <ol class="walk">
    <li v-for="v in visits" :key="v.key" :class="{ next: v.key === next?.key, begun: v.begun }">
      <button
        type="button"
        class="top"
        :aria-expanded="open(v)"
        @click="emit('choose', v.key === chosen ? undefined : v.key)"
      >
        <span class="time">{{ clock(v.at, zone) }}</span>
        <span class="what"
          ><b>{{ machine(v.machine)?.name }}</b> {{ v.title }}
          <span class="quiet small"
            >{{ v.hands }} min<template v-if="v.works">, then it works {{ minutes(v.works) }}</template
            ><template v-if="v.rests">, then it rests {{ minutes(v.rests) }}</template
            ><template v-if="who(v.person)"> · {{ who(v.person) }}</template
            ><template v-if="v.pinned"> · pinned</template></span
          ></span
        >
      </button>
      <div v-if="open(v)" class="more">
        <p class="small">{{ v.say }}</p>
        <p v-for="care in v.cautions" :key="care" class="small caution">{{ care }}</p>
        <p class="small quiet">
          <template v-if="gloves[v.gloves]">{{ gloves[v.gloves] }}. </template
          ><template v-if="v.thing">In hand: the {{ v.thing }}. </template>Here because {{ v.why.join('; ') }}.
        </p>
        <details v-if="v.due.length" class="where small">
          <summary>Why it is due</summary>
          <p v-for="line in v.due" :key="line" class="quiet">{{ line }}</p>
          <p class="quiet">If it is left out: {{ v.skipping }}</p>
        </details>
        <div class="ways">
          <RouterLink v-if="v.kind === 'case'" class="btn btn-primary" :to="`/clinic/${v.card}`"
            >To the case</RouterLink
          >
          <RouterLink v-else-if="v.card" class="btn btn-primary" :to="`/cards/${v.card}`">To the card</RouterLink>
          <template v-else-if="v.head">
            <BButton v-if="!v.begun" variant="outline-secondary" :disabled="busy" @click="emit('begin', v)"
              >Begin</BButton
            >
            <BButton v-else variant="outline-secondary" :disabled="busy" @click="emit('letGo', v)">Not now</BButton>
            <label v-if="v.begun" class="small took"
              >it took <TextInput v-model="took" inputmode="numeric" :placeholder="String(v.hands)" /> min</label
            >
            <template v-if="isCheck(v)">
              <RouterLink class="btn btn-outline-secondary" :to="`/machines/${v.machine}/checks#check`"
                >Gaps</RouterLink
              >
              <BButton variant="primary" :disabled="busy" @click="tick(v, true)">All whole</BButton>
            </template>
            <BButton v-else variant="primary" :disabled="busy" @click="tick(v, false)">Done</BButton>
            <BButton
              v-if="v.kind === 'routine' && v.routine !== 'check' && v.routine !== 'purge'"
              variant="link"
              :disabled="busy"
              @click="emit('stepwise', v)"
              >Step by step</BButton
            >
            <BButton v-if="v.pinned" variant="link" :disabled="busy" @click="emit('unpin', v)">Unpin</BButton>
          </template>
          <span v-else class="small quiet">after the step before it</span>
        </div>
      </div>
    </li>
  </ol>
</template>

<style scoped>
.walk {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  border-top: 1.5px solid var(--line);
}
li.next {
  background: var(--plate);
  border-radius: 12px;
  border-top-color: transparent;
  box-shadow: 0 0 0 2px var(--act);
  margin: 4px 0 8px;
}
.top {
  display: flex;
  gap: 12px;
  width: 100%;
  min-height: 56px;
  padding: 8px 12px;
  align-items: center;
  text-align: left;
  background: none;
  border: 0;
  color: inherit;
}
.time {
  font-weight: 650;
  min-width: 48px;
}
.what > .small {
  display: block;
}
li.next .what b {
  font-size: 1.2rem;
}
.more {
  padding: 0 12px 12px 72px;
}
.more p {
  margin: 0 0 6px;
}
.caution {
  border-left: 4px solid var(--act);
  padding-left: 8px;
}
.took {
  display: flex;
  gap: 8px;
  align-items: center;
}
.took input {
  width: 64px;
}
.where summary {
  min-height: 44px;
  padding: 10px 0;
  cursor: pointer;
}
.ways {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
  align-items: center;
  margin-top: 6px;
}
.ways .btn-primary {
  min-width: 110px;
}
@media (max-width: 600px) {
  .more {
    padding-left: 12px;
  }
  .ways .btn {
    min-height: 56px;
    flex: 1;
  }
}
</style>
