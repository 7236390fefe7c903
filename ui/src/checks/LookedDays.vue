<script setup lang="ts">
import type { Schemas } from '../api/client'

/** On which days somebody looked; a missed day is there to be seen. */
defineProps<{ days: Schemas['DayJson'][]; purgePages: number; lookAgain: boolean }>()
</script>

<template>
  <section class="looked">
    <h2>Looked at on {{ days.filter((d) => d.looked).length }} of the last {{ days.length }} days</h2>
    <ol aria-label="Days">
      <li
        v-for="d in days"
        :key="d.day"
        :class="{ yes: d.looked, shut: !d.open }"
        :title="`${d.day}: ${d.looked ? 'looked' : d.open ? 'not looked' : 'closed'}`"
      >
        <span class="visually-hidden">{{ d.day }} {{ d.looked ? 'looked' : d.open ? 'not looked' : 'closed' }}</span>
      </li>
    </ol>
    <p v-if="lookAgain" class="act strong">
      {{ purgePages }} purge pages since the last check: time to print the nozzle check.
    </p>
  </section>
</template>

<style scoped>
.looked {
  margin: 20px 0;
}
.looked ol {
  list-style: none;
  display: flex;
  gap: 3px;
  padding: 0;
  margin: 8px 0;
}
.looked li {
  flex: 1 1 0;
  max-width: 22px;
  height: 22px;
  border-radius: 4px;
  border: 1.5px solid var(--rim-soft);
}
.looked li.shut {
  border-color: var(--line);
}
.looked li.yes {
  background: var(--rim);
  border-color: var(--rim);
}
</style>
