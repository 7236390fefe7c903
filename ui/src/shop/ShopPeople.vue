<script setup lang="ts">
import FeedPlate from './FeedPlate.vue'
import PeoplePlate from './PeoplePlate.vue'
import VaultPlate from './VaultPlate.vue'

/** Who works here, and what opens to whom. */
</script>

<template>
  <div class="halves">
    <PeoplePlate />
    <div class="stack">
      <FeedPlate />
      <VaultPlate />
    </div>
  </div>
</template>
