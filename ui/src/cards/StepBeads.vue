<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'

/** The steps as beads on a string, in their parts; what is done can be looked at again. */
const props = defineProps<{ steps: Schemas['StepJson'][]; current: string }>()
const emit = defineEmits<{ look: [step: string] }>()

const parts = computed(() => {
  const names: { name: string; steps: Schemas['StepJson'][] }[] = []
  for (const step of props.steps) {
    if (names.at(-1)?.name !== step.part) names.push({ name: step.part, steps: [] })
    names.at(-1)?.steps.push(step)
  }
  return names
})
const here = computed(() => props.steps.find((s) => s.id === props.current)?.part)

function mark(step: Schemas['StepJson']): string {
  return step.status === 'done' ? 'done' : step.status === 'skipped' ? 'skipped' : 'open'
}
</script>

<template>
  <ol class="parts">
    <li v-for="(part, i) in parts" :key="i">
      <details :open="part.name === here">
        <summary :class="{ here: part.name === here }">
          {{ part.name }}
          <span class="small quiet"
            >{{ part.steps.filter((s) => s.status !== 'open').length }}/{{ part.steps.length }}</span
          >
        </summary>
        <ol class="beads">
          <li v-for="step in part.steps" :key="step.id">
            <button type="button" :class="{ now: step.id === current }" @click="emit('look', step.id)">
              <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true">
                <circle
                  cx="8"
                  cy="8"
                  :r="step.id === current ? 7 : 5"
                  :fill="step.id === current ? 'var(--act)' : mark(step) === 'done' ? 'var(--rim)' : 'var(--ground)'"
                  :stroke="step.id === current ? 'var(--act)' : 'var(--rim-soft)'"
                  stroke-width="1.8"
                />
                <path v-if="mark(step) === 'skipped'" d="M3 8H13" stroke="var(--text)" stroke-width="2" />
              </svg>
              <span
                >{{ step.title }}<span class="visually-hidden"> ({{ mark(step) }})</span></span
              >
            </button>
          </li>
        </ol>
      </details>
    </li>
  </ol>
</template>

<style scoped>
.parts,
.beads {
  list-style: none;
  margin: 0;
  padding: 0;
}
summary {
  padding: 10px 0;
  cursor: pointer;
  font-weight: 500;
  min-height: 44px;
}
summary.here {
  font-weight: 700;
}
.beads {
  border-left: 2px solid var(--line);
  margin-left: 9px;
}
.beads button {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 44px;
  text-align: left;
  width: 100%;
  border: 0;
  background: none;
  color: var(--quiet);
  padding: 4px 0;
  margin-left: -9px;
  font-size: 0.9rem;
  line-height: 1.3;
}
.beads button.now {
  color: var(--text);
  font-weight: 650;
}
svg {
  flex: none;
}
</style>
