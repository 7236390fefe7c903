<script setup lang="ts">
import { toRef } from 'vue'
import CleaningsPlate from './CleaningsPlate.vue'
import LogList from '../log/LogList.vue'
import { dayAndTime } from '../units/format'
import { useMachine } from './useMachine'

const props = defineProps<{ id: number }>()
const { machine, zone } = useMachine(toRef(props, 'id'))
</script>

<template>
  <div v-if="machine">
    <CleaningsPlate :id="id" :zone="zone" :version="machine.version" />
    <section v-if="machine.cards.length">
      <h2>Cards</h2>
      <ul class="lines">
        <li v-for="card in machine.cards" :key="card.id">
          <RouterLink :to="`/cards/${card.id}`">{{ card.title }}</RouterLink>
          <span class="quiet small">{{ card.state }}, {{ dayAndTime(card.finishedAt ?? card.createdAt, zone) }}</span>
        </li>
      </ul>
    </section>
    <section>
      <h2>Diary</h2>
      <LogList :asked="{ machine: id }" />
    </section>
  </div>
</template>

<style scoped>
section {
  margin-bottom: 22px;
}
</style>
