<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'
import { hatch } from '../drawings/channels'
import Choice from '../shell/Choice.vue'

/** Every slot from what it holds to what it will hold; the one that is picked can be chosen otherwise. */
const props = defineProps<{ slots: Schemas['ChannelPlanJson'][]; film: boolean; fixed: boolean; picked?: string }>()
const emit = defineEmits<{ pick: [before: string]; choose: [before: string, choice: string] }>()

const LIGHT = ['GY', 'PK', 'LC', 'LM']
const chosen = computed(() => props.slots.find((s) => s.before === props.picked))
const choices = computed(() => {
  const slot = chosen.value
  if (!slot) return []
  const white = props.film && LIGHT.includes(slot.before)
  return [
    { value: slot.before, text: white ? `${slot.before}, as before` : `${slot.before}, with new ink` },
    ...(white ? ['W1', 'W2', 'W3', 'W4'].map((w) => ({ value: w, text: `${w}, white` })) : []),
    { value: 'fluid', text: 'empty, left on fluid' },
  ]
})
const now = computed(() => (chosen.value?.doing === 'ON_FLUID' ? 'fluid' : (chosen.value?.code ?? '')))

function below(slot: Schemas['ChannelPlanJson']): string {
  return slot.doing === 'ON_FLUID' ? 'url(#hatch-fluid)' : hatch(slot.code)
}
function words(slot: Schemas['ChannelPlanJson']): string {
  return slot.doing === 'ON_FLUID' ? 'on fluid' : slot.doing === 'KEEP' ? 'stays' : slot.code
}
</script>

<template>
  <div>
    <ul class="slots">
      <li v-for="slot in slots" :key="slot.before">
        <button
          type="button"
          :class="{ on: slot.before === picked }"
          :aria-pressed="slot.before === picked"
          :aria-label="`Slot ${slot.before}: ${slot.from}, then ${words(slot)}`"
          @click="emit('pick', slot.before)"
        >
          <svg viewBox="0 0 74 96" aria-hidden="true">
            <rect
              x="9"
              y="3"
              width="56"
              height="34"
              rx="6"
              :fill="slot.from === 'never inked' ? 'none' : 'url(#hatch-old)'"
              stroke="var(--rim)"
              stroke-width="2"
            />
            <path
              d="M37 40v12m0 0l-6-6m6 6l6-6"
              fill="none"
              stroke="var(--text)"
              stroke-width="2.4"
              stroke-linecap="round"
            />
            <rect x="9" y="57" width="56" height="34" rx="6" :fill="below(slot)" stroke="var(--rim)" stroke-width="2" />
            <g class="codes">
              <rect x="20" y="10" width="34" height="20" rx="4" />
              <text x="37" y="25">{{ slot.before }}</text>
              <template v-if="slot.doing !== 'ON_FLUID'">
                <rect x="20" y="64" width="34" height="20" rx="4" />
                <text x="37" y="79">{{ slot.code }}</text>
              </template>
            </g>
          </svg>
          <span class="small">{{ slot.doing === 'FILL' ? slot.colour : words(slot) }}</span>
        </button>
      </li>
    </ul>
    <div v-if="chosen && !fixed" class="choose">
      <label for="slot-choice" class="small">Slot {{ chosen.before }} is to carry</label>
      <Choice
        id="slot-choice"
        :model-value="now"
        :options="choices"
        @update:model-value="(v) => emit('choose', chosen!.before, String(v))"
      />
    </div>
  </div>
</template>

<style scoped>
.slots {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin: 0;
  padding: 0;
}
button {
  border: 0;
  background: none;
  border-radius: 12px;
  padding: 6px 4px 4px;
  width: 92px;
  color: var(--text);
}
button.on {
  box-shadow: inset 0 0 0 2.5px var(--rim);
  background: var(--wash);
}
svg {
  width: 74px;
  display: block;
  margin: 0 auto 2px;
}
.codes rect {
  fill: var(--plate);
  stroke: none;
}
.codes text {
  font:
    700 14px 'Atkinson Hyperlegible Next Variable',
    sans-serif;
  text-anchor: middle;
  fill: var(--text);
}
.choose {
  display: flex;
  gap: 12px;
  align-items: center;
  margin: 8px 0 12px 6px;
}
.choose label {
  white-space: nowrap;
}
.choose select {
  max-width: 260px;
}
</style>
