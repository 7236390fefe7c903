<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, problemOf, type Schemas } from '../api/client'

const route = useRoute()
const machine = ref<Schemas['MachineJson']>()
const problem = ref('')
const address = `${location.origin}/machines/${String(route.params.id)}`
const print = () => window.print()
/** White lines need their own names: an old slot label says what the slot carried before. */
const whites = computed(() => machine.value?.plate.channels.map((c) => c.code).filter((c) => c.startsWith('W')) ?? [])
const slots = computed(() =>
  Object.fromEntries(
    whites.value.map((w) => [
      w,
      `slot ${(machine.value?.plate.channels.findIndex((c) => c.code === w) ?? 0) + 1}, white`,
    ]),
  ),
)

onMounted(async () => {
  const { data, error } = await api.GET('/api/machines/{machine}', {
    params: { path: { machine: Number(route.params.id) } },
  })
  machine.value = data
  problem.value = error ? problemOf(error).detail : ''
})
</script>

<template>
  <div class="page">
    <p v-if="problem" class="notice" role="alert">{{ problem }}</p>
    <template v-if="machine">
      <div class="label plate">
        <img
          :src="`/api/machines/${machine.plate.id}/label.svg?address=${encodeURIComponent(address)}`"
          alt="Code that opens this machine’s page"
        />
        <div>
          <h1 class="name">{{ machine.plate.name }}</h1>
          <div class="strong">{{ machine.plate.family }} only</div>
          <div class="codes">{{ machine.plate.channels.map((c) => c.code).join(' ') }}</div>
          <div class="small quiet">{{ address }}</div>
        </div>
      </div>
      <div v-if="whites.length" class="lines-of">
        <div v-for="w in whites" :key="w" class="thin line-label">
          <b class="codes">{{ w }}</b>
          <span>line and bottle of {{ machine.plate.name }}</span>
          <span class="small quiet">{{ slots[w] ?? 'white' }} · one at each end, one on the bottle</span>
        </div>
      </div>
      <div class="no-print mt-4">
        <BButton variant="primary" @click="print">Print the label</BButton>
        <RouterLink class="btn btn-link" :to="`/machines/${machine.plate.id}`"
          >Back to {{ machine.plate.name }}</RouterLink
        >
        <p class="small quiet mt-2">
          The code opens this page under the address you see now. Print it from the address that the tablets use.
        </p>
      </div>
    </template>
  </div>
</template>

<style scoped>
.label {
  display: flex;
  flex-wrap: wrap;
  overflow-wrap: anywhere;
  gap: 22px;
  align-items: center;
  padding: 18px 22px;
  width: fit-content;
  max-width: 100%;
}
.lines-of {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  margin-top: 18px;
}
.line-label {
  display: grid;
  padding: 10px 16px;
}
img {
  width: 160px;
  height: 160px;
  background: #fff;
}
.name {
  font-size: 2.2rem;
}
.codes {
  font-weight: 700;
  letter-spacing: 0.2em;
}
</style>
