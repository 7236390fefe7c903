<script setup lang="ts">
import { computed, onMounted } from 'vue'
import { useRoute } from 'vue-router'
import Hatches from './drawings/Hatches.vue'
import { sendKept } from './api/client'
import AppBand from './shell/AppBand.vue'
import AwayBar from './shell/AwayBar.vue'
import HobBar from './shell/HobBar.vue'
import KeySheet from './shell/KeySheet.vue'
import PlacesBar from './shell/PlacesBar.vue'
import { useArriving } from './shell/arriving'
import { useLive } from './shell/live'
import UndoBar from './log/UndoBar.vue'
import { loadShop } from './shell/shop'
import './shell/theme'

const route = useRoute()
/** One step and nothing else on the screen: a rehearsal, or a card for somebody who does it the first time. */
const alone = computed(() => Boolean(route.meta.alone) || route.query.alone === '1')

const resolved = (path: string) => path.replace(/:(\w+)(\([^)]*\))?/g, (_, name: string) => String(route.params[name]))
/** A page is one though it has parts with addresses of their own. */
const arriving = useArriving(() => (route.matched.length > 1 ? resolved(route.matched[0]!.path) : route.path))

onMounted(loadShop)
onMounted(sendKept)
useLive(() => ['shop'], loadShop)
</script>

<template>
  <a href="#main" class="skip-link">To the content</a>
  <Hatches />
  <AppBand v-if="!alone" />
  <AwayBar />
  <main id="main" tabindex="-1" :class="{ arriving }">
    <RouterView />
  </main>
  <UndoBar />
  <KeySheet />
  <HobBar v-if="!alone" />
  <!-- why: at a card its step has the height -->
  <PlacesBar v-if="!alone && route.name !== 'card'" />
</template>

<style scoped>
main:focus {
  outline: none;
}
</style>
