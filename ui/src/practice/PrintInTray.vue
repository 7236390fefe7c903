<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'
import Comb from '../drawings/Comb.vue'
import { verdict } from '../drawings/comb'

/** The last print as it lies in the tray; a tap takes a channel in hand. */
const chosen = defineModel<string[]>({ required: true })
const props = defineProps<{ channels: Schemas['PracticeChannelJson'][] }>()
const toggle = (code: string) =>
  (chosen.value = chosen.value.includes(code) ? chosen.value.filter((c) => c !== code) : [...chosen.value, code])
const bad = (c: Schemas['PracticeChannelJson']) => (c.missing?.length ?? 0) > c.tolerated
const printed = computed(() => props.channels.some((c) => c.missing))
</script>

<template>
  <div class="tray">
    <div class="paper">
      <p v-if="!printed" class="small unseen">Nobody has looked yet.</p>
      <button
        v-for="c in channels"
        :key="c.channel"
        type="button"
        class="channel"
        :class="{ on: chosen.includes(c.channel) }"
        :aria-pressed="chosen.includes(c.channel)"
        @click="toggle(c.channel)"
      >
        <b>{{ c.channel }}</b>
        <Comb v-if="c.missing" :code="c.channel" :nozzles="c.strokes" :missing="c.missing" :width="320" :height="26" />
        <span v-else class="small unseen" aria-hidden="true">–</span>
        <span class="small" :class="{ bad: bad(c) }">{{ c.missing ? verdict(c.strokes, c.missing.length) : '' }}</span>
      </button>
    </div>
    <div class="lip" aria-hidden="true"></div>
  </div>
</template>

<style scoped>
.tray {
  padding: 0 10px;
}
/* why: paper is white in the evening too */
.paper {
  --text: #1b2130;
  --line: #d8d4c8;
  background: #fffefa;
  color: #1b2130;
  border: 1.5px solid #b9b3a3;
  border-bottom: 0;
  padding: 10px 12px 14px;
}
.lip {
  height: 18px;
  margin: 0 -10px;
  border-radius: 4px 4px 12px 12px;
  background: var(--rim);
}
.channel {
  width: 100%;
  display: grid;
  grid-template-columns: 40px minmax(0, 1fr) 118px;
  gap: 12px;
  align-items: center;
  min-height: 48px;
  border: 2px solid transparent;
  border-radius: 10px;
  background: none;
  color: inherit;
  text-align: left;
}
.channel.on {
  border-color: #1c3561;
  background: #e4e9f5;
}
.unseen {
  color: #6a6f7c;
}
.bad {
  color: #a8301c;
  font-weight: 650;
}
@media (max-width: 760px) {
  .channel {
    grid-template-columns: 34px minmax(0, 1fr) 92px;
  }
}
</style>
