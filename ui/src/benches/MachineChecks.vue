<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, reactive, ref, toRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../api/client'
import ChannelStacks, { type ChannelStack } from '../drawings/ChannelStacks.vue'
import { verdict } from '../drawings/comb'
import { oneAtATime } from '../shell/oneAtATime'
import CombEntry from './CombEntry.vue'
import SheetsPlate from './SheetsPlate.vue'
import { useMachine } from './useMachine'

const props = defineProps<{ id: number }>()
const { machine, plate, problem, act, path, unit, zone, reload } = useMachine(toRef(props, 'id'))
const route = useRoute()
const combs = reactive<Record<string, number[] | undefined>>({})
const entering = ref(false)
watch(
  () => route.hash,
  (hash) => (entering.value ||= hash === '#check'),
  { immediate: true },
)
const looked = computed(() => plate.value?.channels.every((c) => combs[c.code] !== undefined))

const stacks = computed<ChannelStack[]>(() =>
  (plate.value?.channels ?? [])
    .filter((c) => machine.value?.checks[c.code]?.length)
    .map((c) => ({
      code: c.code,
      note: `${c.colour}, ${verdict(c.nozzles, c.missing.length)}`,
      fails: c.missing.length > 0,
      checks: machine.value?.checks[c.code] ?? [],
    })),
)
const { run: save } = oneAtATime(async () => {
  const missing = Object.fromEntries(Object.entries(combs).map(([k, v]) => [k, v ?? []]))
  if (await act(() => api.POST('/api/machines/{machine}/checks', { ...path.value, body: { missing } }))) {
    entering.value = false
    for (const key of Object.keys(combs)) delete combs[key]
  }
})
</script>

<template>
  <div v-if="machine && plate">
    <p v-if="problem" class="notice" role="alert">{{ problem.detail }}</p>
    <section id="check">
      <div class="title">
        <h2 class="me-auto">Nozzle checks</h2>
        <RouterLink
          class="btn btn-outline-secondary"
          :to="machine.plate.caseId ? `/clinic/${machine.plate.caseId}` : `/clinic?machine=${id}`"
          >{{ machine.plate.caseId ? 'Its case' : 'It is ill' }}</RouterLink
        >
        <RouterLink class="btn btn-outline-secondary" :to="`/checks/${id}`">From a picture</RouterLink>
        <BButton v-if="!entering" variant="outline-secondary" @click="entering = true">Enter a check</BButton>
      </div>
      <form v-if="entering" class="thin block" novalidate @submit.prevent="save">
        <p class="small quiet">
          Print the machine’s own nozzle check on plain paper. Tap the part of the comb where something is missing, then
          the strokes.
        </p>
        <CombEntry
          v-for="c in plate.channels"
          :key="c.code"
          v-model="combs[c.code]"
          :code="c.code"
          :nozzles="c.nozzles"
        />
        <div class="send">
          <BButton type="submit" variant="primary" :disabled="!looked">Keep this check</BButton>
          <BButton
            variant="outline-secondary"
            @click="plate.channels.forEach((c) => (combs[c.code] = combs[c.code] ?? []))"
            >The rest is whole</BButton
          >
          <BButton variant="link" @click="entering = false">Not now</BButton>
        </div>
      </form>
      <ChannelStacks :channels="stacks" :zone="zone" />
      <p v-if="!Object.keys(machine.checks).length" class="quiet">
        Nobody has looked yet. The first whole check is what later ones are compared with.
      </p>
    </section>
    <SheetsPlate
      v-if="plate.attention.kind !== 'PLAN'"
      :machine="id"
      :name="plate.name"
      :gaps="plate.channels.filter((c) => c.missing.length).map((c) => c.code)"
      :unit="unit"
      :zone="zone"
      @printed="reload"
    />
  </div>
</template>

<style scoped>
.block {
  padding: 12px 16px;
  margin-bottom: 18px;
}
.title {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
  flex-wrap: wrap;
  margin-bottom: 10px;
}
.send {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
  margin-top: 12px;
}
</style>
