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
    <div class="stack">
      <PeoplePlate />
      <AccessPlate v-if="owns" />
    </div>
    <div v-if="owns" class="stack">
      <FeedPlate />
      <VaultPlate />
    </div>
  </div>
</template>
