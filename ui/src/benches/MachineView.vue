<script setup lang="ts">
import { computed, nextTick, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import MachineDrawing from '../drawings/MachineDrawing.vue'
import StateMark from '../drawings/StateMark.vue'
import ArrivingPart from '../shell/ArrivingPart.vue'
import PageParts, { type Part } from '../shell/PageParts.vue'
import { actionFor, stateOf, wants } from './attention'
import { useMachine } from './useMachine'

/** One machine: who it is, and the parts of its page. */
const route = useRoute()
const router = useRouter()
const id = computed(() => Number(route.params.id))
const { machine, plate, problem } = useMachine(id)
const at = computed(() => `/machines/${id.value}`)

const parts = computed<Part[]>(() => [
  { to: at.value, label: 'Now' },
  { to: `${at.value}/checks`, label: 'Checks' },
  { to: `${at.value}/ink`, label: 'Ink' },
  { to: `${at.value}/upkeep`, label: 'Upkeep', count: plate.value?.owedNow || undefined },
  { to: `${at.value}/papers`, label: 'Papers' },
  { to: `${at.value}/past`, label: 'Past' },
])

/** Where what once had a place on one long page stands now: bookmarks and labels stay true. */
const MOVED: Record<string, string> = {
  '#check': 'checks',
  '#sheets': 'checks',
  '#levels': 'ink',
  '#pad': 'ink',
  '#refill': 'ink',
  '#owed': 'upkeep',
  '#measures': 'papers',
  '#handling': 'papers',
  '#pattern': 'papers',
  '#facts': 'papers',
  '#defects': 'papers',
}

watch(
  () => [plate.value?.id, route.fullPath],
  async () => {
    const part = MOVED[route.hash]
    if (part && route.path === at.value) {
      await router.replace({ path: `${at.value}/${part}`, query: route.query, hash: route.hash })
      return
    }
    if (!plate.value || !route.hash) return
    await nextTick()
    document.getElementById(route.hash.slice(1))?.scrollIntoView({ block: 'start' })
  },
  { immediate: true },
)
</script>

<template>
  <div class="page">
    <p v-if="problem && !machine" class="notice" role="alert">{{ problem.detail }}</p>
    <p v-else-if="!machine || !plate" class="quiet loading">Fetching the machine …</p>
    <template v-else>
      <header class="head">
        <MachineDrawing
          class="looks"
          :architecture="plate.architecture"
          :channels="plate.channels.map((c) => c.code)"
          :sheet="plate.largestSheet"
          :screen="plate.screen"
        />
        <div>
          <h1>{{ plate.name }}</h1>
          <div class="quiet">{{ plate.family }} · {{ plate.profile }} · {{ plate.bench }}</div>
        </div>
        <span class="state"><StateMark :kind="stateOf(plate).mark" />{{ stateOf(plate).word }}</span>
        <div class="ways">
          <RouterLink v-if="plate.card" class="btn btn-primary" :to="`/cards/${plate.card.id}`">To the card</RouterLink>
          <RouterLink v-else-if="wants(plate)" class="btn btn-primary" :to="actionFor(plate).to">{{
            plate.attention.words
          }}</RouterLink>
          <RouterLink v-if="!plate.card" class="btn btn-outline-secondary" :to="`/changeover?machine=${id}`"
            >Plan a changeover</RouterLink
          >
          <RouterLink
            v-if="!plate.card && machine.idle.park"
            class="btn"
            :class="wants(plate) ? 'btn-outline-secondary' : 'btn-primary'"
            :to="`/changeover?machine=${id}&for=PARK`"
            >Park it</RouterLink
          >
          <RouterLink class="btn btn-outline-secondary" :to="`/shelf/labels?machine=${id}`">Labels</RouterLink>
        </div>
      </header>
      <PageParts :parts="parts" :label="`Parts of ${plate.name}’s page`" />
      <ArrivingPart>
        <RouterView v-slot="{ Component }"><component :is="Component" :id="id" :key="id" /></RouterView>
      </ArrivingPart>
    </template>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  gap: 20px;
  align-items: center;
  flex-wrap: wrap;
  margin-bottom: 12px;
}
.looks {
  width: 92px;
}
.state {
  display: flex;
  gap: 6px;
  align-items: center;
  font-weight: 650;
}
.ways {
  margin-left: auto;
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
}
@media (max-width: 600px) {
  .looks {
    display: none;
  }
}
@media (max-width: 900px) {
  .ways {
    margin-left: 0;
    width: 100%;
  }
}
</style>
