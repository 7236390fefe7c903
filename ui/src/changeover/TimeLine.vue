<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'
import { minutes } from '../units/format'

/** Hands-on solid, machine time hatched, rests dotted; widths follow the square root so that a night does not hide an hour. */
const props = defineProps<{ parts: Schemas['PartJson'][] }>()

const blocks = computed(() =>
  props.parts.flatMap((part) => [
    ...(part.minutes ? [{ kind: 'hands', words: part.name, minutes: part.minutes }] : []),
    ...(part.machineMinutes ? [{ kind: 'machine', words: 'machine', minutes: part.machineMinutes }] : []),
    ...(part.waitMinutes ? [{ kind: 'rest', words: 'rest', minutes: part.waitMinutes }] : []),
  ]),
)
</script>

<template>
  <ol class="line">
    <li v-for="(block, i) in blocks" :key="i" :class="block.kind" :style="{ flexGrow: Math.sqrt(block.minutes) }">
      <span class="words">{{ block.words }}</span>
      <span class="mins">{{ minutes(block.minutes) }}</span>
    </li>
  </ol>
</template>

<style scoped>
.line {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin: 0 0 8px;
  padding: 0;
}
li {
  flex: 1 1 auto;
  border-radius: 8px;
  padding: 4px 9px;
  font-size: 0.85rem;
  line-height: 1.25;
  white-space: nowrap;
}
li span {
  display: block;
}
.mins {
  font-weight: 650;
}
.hands {
  background: var(--band);
  color: var(--band-text);
}
.machine {
  background: repeating-linear-gradient(135deg, var(--wash) 0 6px, var(--plate) 6px 12px);
  box-shadow: inset 0 0 0 1.5px var(--rim-soft);
}
.rest {
  border: 2px dotted var(--rim-soft);
}
</style>
