<script setup lang="ts">
import { owns } from '../shell/session'
import AccessPlate from './AccessPlate.vue'
import FeedPlate from './FeedPlate.vue'
import PeoplePlate from './PeoplePlate.vue'
import VaultPlate from './VaultPlate.vue'

/** Who works here, and what opens to whom. */
</script>

<template>
  <div class="halves">
    <PeoplePlate />
    <div v-if="owns" class="stack">
      <AccessPlate />
      <FeedPlate />
      <VaultPlate />
    </div>
  </div>
</template>
