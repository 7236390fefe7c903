<script setup lang="ts">
import { onMounted } from 'vue'
import Hatches from './drawings/Hatches.vue'
import AppBand from './shell/AppBand.vue'
import HobBar from './shell/HobBar.vue'
import { disconnected, useLive } from './shell/live'
import UndoBar from './log/UndoBar.vue'
import { loadShop } from './shell/shop'
import './shell/theme'

onMounted(loadShop)
useLive(() => ['shop'], loadShop)
</script>

<template>
  <a href="#main" class="skip-link">To the content</a>
  <Hatches />
  <AppBand />
  <div v-if="disconnected" class="lost" role="status">
    No connection to the kettle. What you see may be old; it catches up by itself.
  </div>
  <main id="main" tabindex="-1">
    <RouterView />
  </main>
  <UndoBar />
  <HobBar />
</template>

<style scoped>
.lost {
  background: var(--warm);
  padding: 8px 24px;
  font-weight: 600;
}
main:focus {
  outline: none;
}
</style>
