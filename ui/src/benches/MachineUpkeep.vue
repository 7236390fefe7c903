<script setup lang="ts">
import { toRef } from 'vue'
import WorksPlate from '../benchwork/WorksPlate.vue'
import RoutinesPlate from '../routines/RoutinesPlate.vue'
import OwedPlate from './OwedPlate.vue'
import { useMachine } from './useMachine'

const props = defineProps<{ id: number }>()
const { machine, unit, zone } = useMachine(toRef(props, 'id'))
</script>

<template>
  <div v-if="machine" class="halves">
    <div class="routines"><RoutinesPlate :machine="machine" :zone="zone" :unit="unit" /></div>
    <div>
      <OwedPlate :machine="machine" :zone="zone" />
      <WorksPlate :machine="machine" :unit="unit" />
    </div>
  </div>
</template>

<style scoped>
/* what stands beside or below it stays where it is when they arrive late */
.routines:empty {
  min-height: 100vh;
}
</style>
