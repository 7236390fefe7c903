<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import type { Schemas } from '../api/client'
import { dayAndTime } from '../units/format'

/** Which machine prints it, the best first, and why the others do not. */
defineProps<{
  machines: Schemas['RankedJson'][]
  zone: string
  chosen?: number | undefined
  busy?: boolean
  /** nothing is chosen yet: it is only told */
  told?: boolean
}>()
const emit = defineEmits<{ choose: [machine: number, anyway: boolean] }>()
</script>

<template>
  <ul class="ranked">
    <li v-for="(m, i) in machines" :key="m.machine" :class="{ no: !m.can, chosen: m.machine === chosen }">
      <div class="who">
        <b class="name">{{ m.name }}</b>
        <span v-if="m.ready" class="tag" :class="{ late: !m.inTime }"
          >{{ m.inTime ? 'ready' : 'late: ready' }} {{ dayAndTime(m.ready, zone) }}</span
        >
        <span v-else class="tag">not for this</span>
      </div>
      <p class="small">
        {{ m.why.join(' ') }}
        <template v-if="m.helps.length"><b>What would help:</b> {{ m.helps.join(' ') }}</template>
      </p>
      <span v-if="m.machine === chosen" class="strong">chosen</span>
      <BButton
        v-else-if="m.can && !told"
        :variant="i === 0 && chosen === undefined ? 'primary' : 'outline-secondary'"
        :disabled="busy ?? false"
        @click="emit('choose', m.machine, !m.inTime)"
        >{{ m.inTime ? `On ${m.name}` : `On ${m.name}, although late` }}</BButton
      >
    </li>
  </ul>
</template>

<style scoped>
.ranked {
  list-style: none;
  margin: 0;
  padding: 0;
}
.ranked li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 2px 14px;
  align-items: center;
  border-top: 1.5px solid var(--line);
  padding: 8px 0;
}
.ranked li > :last-child:not(p) {
  grid-column: 2;
  grid-row: 1 / span 2;
}
.who {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
  align-items: center;
}
.late {
  color: var(--act);
  border-color: currentColor;
}
p {
  margin: 0;
  grid-column: 1;
}
.no p {
  grid-column: 1 / -1;
}
.tag {
  white-space: nowrap;
}
.no {
  color: var(--quiet);
}
@media (max-width: 600px) {
  .ranked li {
    grid-template-columns: minmax(0, 1fr);
  }
  .ranked li > :last-child:not(p) {
    grid-column: 1;
    grid-row: auto;
    justify-self: start;
  }
}
</style>
