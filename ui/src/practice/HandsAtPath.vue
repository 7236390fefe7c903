<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '../api/client'
import { ASKS, CALLED, PLACES, placeOf, possible, type HandPlace, type Question, type Treatment } from './places'

/** The way of the ink, its inside veiled: a tap on a place offers what hands can look at and do there. */
const props = defineProps<{
  run: Schemas['RunJson']
  treatments: Schemas['TreatmentJson'][]
  channels: string[]
  busy: boolean
}>()
const emit = defineEmits<{ treat: [treatment: Treatment]; ask: [question: Question]; simple: []; align: [] }>()

const SHAPES: Record<HandPlace, string> = {
  VESSEL: 'M9 4h26v44H9zM16 0h12v4H16z',
  VENT: 'M14 48V20a8 8 0 0 1 16 0v28M22 12V2M17 7l5-5 5 5',
  LINE: 'M0 22h44M0 32h44',
  DAMPER: 'M7 12h30v30H7zM7 27l30 0M0 27h7M37 27h7',
  HEAD: 'M6 10h32v26H6zM12 36v8h20v-8',
  PLATE: 'M3 20h38v8H3zM8 28v6M15 28v6M22 28v6M29 28v6M36 28v6',
  CAP: 'M6 18h32v14a6 6 0 0 1-6 6H12a6 6 0 0 1-6-6zM22 38v10',
  HOB: 'M8 22h24l-3 20H11zM32 26l9-6M14 22a6 6 0 0 1 12 0M20 16v-4',
}
const place = ref<HandPlace>('HEAD')
const here = computed(() => ({
  asks: ASKS.filter((a) => a.at === place.value),
  treatments: props.treatments.filter((t) => placeOf(t.treatment) === place.value && possible(t.treatment, props.run)),
  vent: place.value === 'VENT',
  head: place.value === 'HEAD',
}))
const nothing = computed(() => {
  const h = here.value
  return !h.asks.length && !h.treatments.length && !h.vent && !h.head
})
const why = (perChannel: boolean) => perChannel && !props.channels.length
</script>

<template>
  <div>
    <div class="way" role="group" aria-label="Places of the machine">
      <button
        v-for="p in PLACES"
        :key="p"
        type="button"
        class="place"
        :class="{ on: place === p, hob: p === 'HOB' }"
        :aria-pressed="place === p"
        @click="place = p"
      >
        <svg viewBox="-2 -2 48 52" width="44" height="48" aria-hidden="true">
          <path :d="SHAPES[p]" fill="none" stroke="currentColor" stroke-width="2.6" stroke-linejoin="round" />
        </svg>
        <span class="small">{{ CALLED[p] }}</span>
      </button>
    </div>
    <div class="acts">
      <button v-if="here.vent" type="button" class="btn btn-outline-secondary" :disabled="busy" @click="emit('simple')">
        The simple things
      </button>
      <button
        v-for="a in here.asks"
        :key="a.question"
        type="button"
        class="btn btn-outline-secondary"
        :disabled="busy || (a.one && channels.length !== 1)"
        @click="emit('ask', a.question)"
      >
        {{ a.label }}
      </button>
      <button
        v-for="t in here.treatments"
        :key="t.treatment"
        type="button"
        class="btn btn-outline-secondary"
        :disabled="busy || why(t.perChannel)"
        @click="emit('treat', t.treatment)"
      >
        {{ t.label }}<span v-if="t.perChannel && channels.length" class="small">: {{ channels.join(' ') }}</span>
        <span class="why small">{{ t.why }}</span>
      </button>
      <button v-if="here.head" type="button" class="btn btn-outline-secondary" :disabled="busy" @click="emit('align')">
        Clean the strip, align
      </button>
    </div>
    <p v-if="nothing" class="quiet">Nothing can be done here on this machine.</p>
    <p v-if="!channels.length" class="small quiet">
      For what is done to single channels, tap them on the print first; questions about one want exactly one.
    </p>
  </div>
</template>

<style scoped>
.way {
  display: grid;
  grid-template-columns: repeat(8, minmax(0, 1fr));
  margin-bottom: 14px;
}
.place {
  position: relative;
  min-height: 92px;
  padding: 6px 2px;
  border: 2px solid transparent;
  border-radius: 12px;
  background: none;
  color: var(--rim);
  display: grid;
  gap: 2px;
  justify-items: center;
  align-content: start;
}
.place.on {
  background: var(--rim);
  color: var(--plate);
}
.place:not(.hob, :nth-child(7))::after {
  content: '';
  position: absolute;
  right: -10px;
  top: 32px;
  width: 18px;
  height: 5px;
  background: var(--rim-soft);
}
.acts {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  gap: 8px;
  margin-bottom: 10px;
}
.acts .btn {
  min-height: 56px;
  display: block;
  text-align: left;
}
.why {
  display: block;
  font-weight: normal;
  opacity: 0.85;
}
@media (max-width: 900px) {
  .way {
    grid-template-columns: repeat(4, minmax(0, 1fr));
    gap: 4px 0;
  }
  .place:nth-child(4)::after {
    display: none;
  }
}
</style>
