<script setup lang="ts">
import { toRef } from 'vue'
import { useRoute } from 'vue-router'
import DefectsPlate from './DefectsPlate.vue'
import FactsPlate from './FactsPlate.vue'
import HandlingForm from './HandlingForm.vue'
import MachineSchools from './MachineSchools.vue'
import MeasuresPlate from './MeasuresPlate.vue'
import PassportPlate from './PassportPlate.vue'
import PatternPlate from './PatternPlate.vue'
import { useMachine } from './useMachine'

const props = defineProps<{ id: number }>()
const route = useRoute()
const { machine, unit, zone, reload, saved } = useMachine(toRef(props, 'id'))
</script>

<template>
  <div v-if="machine" class="halves">
    <div>
      <PassportPlate :machine="machine" :zone="zone" @saved="saved" />
      <FactsPlate :machine="machine" :zone="zone" />
      <DefectsPlate :machine="id" :zone="zone" />
    </div>
    <div>
      <details id="handling" class="fold" :open="route.hash === '#handling'">
        <summary>How hands get at it</summary>
        <HandlingForm :machine="id" @taught="reload" />
      </details>
      <MeasuresPlate :machine="machine" :unit="unit" @saved="reload" />
      <PatternPlate :machine="machine" @saved="reload" />
      <MachineSchools :machine="machine" @saved="saved" />
    </div>
  </div>
</template>
