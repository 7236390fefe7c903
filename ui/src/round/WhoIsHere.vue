<script setup lang="ts">
import { BButton, BModal } from 'bootstrap-vue-next'
import { clock } from '../units/format'
import type { Round } from './useRound'

/** Who walks today, and for how long: “I have only 40 minutes”. */
const props = defineProps<{ round: Round; zone: string; busy: boolean }>()
const emit = defineEmits<{ there: [person: number, from?: string, to?: string] }>()
const shown = defineModel<boolean>({ required: true })

const SHORT = [20, 40, 60, 120]
const later = (minutes: number) => new Date(new Date(props.round.now).getTime() + minutes * 60_000).toISOString()
</script>

<template>
  <BModal v-model="shown" title="Who has how long today?" no-footer centered>
    <div v-for="p in round.people" :key="p.id" class="person">
      <div>
        <b>{{ p.name }}</b>
        <span class="quiet small">{{ p.from && p.to ? `here until ${clock(p.to, zone)}` : 'not here today' }}</span>
      </div>
      <div class="ways">
        <BButton
          v-for="m in SHORT"
          :key="m"
          size="sm"
          variant="outline-secondary"
          :disabled="busy"
          @click="emit('there', p.id, round.now, later(m))"
          >{{ m }} min</BButton
        >
        <BButton
          size="sm"
          variant="outline-secondary"
          :disabled="busy"
          @click="emit('there', p.id, round.now, round.now)"
          >Away</BButton
        >
        <BButton v-if="p.own" size="sm" variant="outline-secondary" :disabled="busy" @click="emit('there', p.id)"
          >The shop’s hours</BButton
        >
      </div>
    </div>
    <p v-if="!round.people.length" class="quiet">Nobody is known yet. Add people with the button at the top right.</p>
  </BModal>
</template>

<style scoped>
.person {
  padding: 10px 0;
  border-top: 1.5px solid var(--line);
}
.ways {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
  margin-top: 6px;
}
</style>
