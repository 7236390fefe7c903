<script setup lang="ts">
import { computed } from 'vue'
import { useShop } from './shop'

/** In a demo, the way to the other half of it: the machines themselves. */
const props = defineProps<{ machine?: string }>()
const { shop } = useShop()
const to = computed(
  () =>
    shop.value?.simulatedBench &&
    `${shop.value.simulatedBench}${props.machine ? `#${props.machine.toLowerCase()}` : ''}`,
)
</script>

<template>
  <p v-if="to" class="small quiet">
    A demo: its machines are simulated.
    <a :href="to" target="_blank" rel="noopener">{{
      machine ? `See what lies in ${machine}’s tray, and spoil it` : 'See their trays, and spoil one'
    }}</a>
  </p>
</template>
