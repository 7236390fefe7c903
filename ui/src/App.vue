<script setup lang="ts">
import { computed, onMounted } from 'vue'
import { useRoute } from 'vue-router'
import Hatches from './drawings/Hatches.vue'
import AppBand from './shell/AppBand.vue'
import HobBar from './shell/HobBar.vue'
import KeySheet from './shell/KeySheet.vue'
import PlacesBar from './shell/PlacesBar.vue'
import { disconnected, useLive } from './shell/live'
import UndoBar from './log/UndoBar.vue'
import { loadShop } from './shell/shop'
import './shell/theme'

const route = useRoute()
/** One step and nothing else on the screen: a rehearsal, or a card for somebody who does it the first time. */
const alone = computed(() => Boolean(route.meta.alone) || route.query.alone === '1')

onMounted(loadShop)
useLive(() => ['shop'], loadShop)
</script>

<template>
  <a href="#main" class="skip-link">To the content</a>
  <Hatches />
  <AppBand v-if="!alone" />
  <div v-if="disconnected" class="lost" role="status">
    No connection to the kettle. What you see may be old; it catches up by itself.
  </div>
  <main id="main" tabindex="-1">
    <RouterView />
  </main>
  <UndoBar />
  <KeySheet />
  <HobBar v-if="!alone" />
  <!-- why: at a card its step has the height -->
  <PlacesBar v-if="!alone && route.name !== 'card'" />
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
