<script setup lang="ts">
import { computed, onMounted, watch } from 'vue'
import { useRoute } from 'vue-router'
import Hatches from './drawings/Hatches.vue'
import { sendKept, whoever } from './api/client'
import AppBand from './shell/AppBand.vue'
import AwayBar from './shell/AwayBar.vue'
import HobBar from './shell/HobBar.vue'
import KeySheet from './shell/KeySheet.vue'
import PlacesBar from './shell/PlacesBar.vue'
import { useArriving } from './shell/arriving'
import { useLive } from './shell/live'
import UndoBar from './log/UndoBar.vue'
import { loadSession, outside, signedOut } from './shell/session'
import { loadShop } from './shell/shop'
import SignIn from './shell/SignIn.vue'
import './shell/theme'

const route = useRoute()
/** One step and nothing else on the screen: a rehearsal, or a card for somebody who does it the first time. */
const alone = computed(() => Boolean(route.meta.alone) || route.query.alone === '1')

const resolved = (path: string) => path.replace(/:(\w+)(\([^)]*\))?/g, (_, name: string) => String(route.params[name]))
/** A page is one though it has parts with addresses of their own. */
const arriving = useArriving(() => (route.matched.length > 1 ? resolved(route.matched[0]!.path) : route.path))

whoever.isGone = signedOut
onMounted(loadSession)
/** Who is outside sees nothing of the shop, and asks for nothing. */
watch(
  outside,
  (is) => {
    if (is) return
    void loadShop()
    void sendKept()
  },
  { immediate: true },
)
useLive(
  () => ['shop'],
  () => !outside.value && loadShop(),
)
</script>

<template>
  <a href="#main" class="skip-link">To the content</a>
  <Hatches />
  <SignIn v-if="outside" id="main" />
  <template v-else>
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
</template>

<style scoped>
main:focus {
  outline: none;
}
</style>
