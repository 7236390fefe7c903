<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'
import StateMark from '../drawings/StateMark.vue'
import { actionFor, idle, stateOf, wants } from './attention'

/** A machine among many: how it is, and where to go with it. */
const props = defineProps<{ machine: Schemas['PlateJson'] }>()

const state = computed(() => stateOf(props.machine))
const action = computed(() => actionFor(props.machine))
</script>

<template>
  <article class="thin line" :aria-label="machine.name">
    <StateMark :kind="state.mark" />
    <RouterLink :to="`/machines/${machine.id}`" class="name">{{ machine.name }}</RouterLink>
    <span class="small quiet word">{{ state.word }}{{ idle(machine) }}</span>
    <RouterLink v-if="wants(machine)" :to="action.to" class="go strong">{{ action.label }} ›</RouterLink>
  </article>
</template>

<style scoped>
.line {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 46px;
  padding: 0 12px;
  min-width: 0;
}
.name,
.go {
  display: flex;
  align-items: center;
  min-height: 44px;
}
.name {
  font-weight: 650;
  color: var(--text);
  text-decoration-color: var(--line);
  text-underline-offset: 3px;
}
.word {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.go {
  margin-left: auto;
  color: var(--rim);
  text-decoration: none;
  white-space: nowrap;
}
</style>
