<script setup lang="ts">
import { BButton, BModal } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { api, problemOf } from '../api/client'
import { oneAtATime } from '../shell/oneAtATime'
import type { Round } from './useRound'
import { numberOf } from '../units/typed'
import TextInput from '../shell/TextInput.vue'

/** What happened out of plan: two taps, and the plan follows. */
const props = defineProps<{ round: Round }>()
const emit = defineEmits<{ done: [] }>()

const shown = defineModel<boolean>({ required: true })
const machine = ref<number>()
const sheets = ref('1')
const found = ref('')
const problem = ref<string>()
const name = computed(() => props.round.machines.find((m) => m.id === machine.value)?.name)

const { run, busy } = oneAtATime(async (work: () => Promise<{ error?: unknown }>) => {
  const { error } = await work()
  problem.value = error ? problemOf(error).detail : undefined
  if (error) return
  shown.value = false
  machine.value = undefined
  found.value = ''
  emit('done')
})
const path = () => ({ params: { path: { machine: machine.value! } } })
const printed = () =>
  run(() => api.POST('/api/machines/{machine}/printed', { ...path(), body: { sheets: numberOf(sheets.value) } }))
const cleaned = (power: boolean) =>
  run(() => api.POST('/api/machines/{machine}/cleanings', { ...path(), body: { power } }))
const owed = () =>
  run(() =>
    api.POST('/api/machines/{machine}/owed', {
      ...path(),
      body: { words: found.value, why: 'found on the round', inDays: 0 },
    }),
  )
</script>

<template>
  <BModal v-model="shown" title="Something else happened" no-footer centered @hidden="machine = undefined">
    <div v-if="!machine" class="grid">
      <BButton v-for="m in round.machines" :key="m.id" variant="outline-secondary" @click="machine = m.id">{{
        m.name
      }}</BButton>
    </div>
    <div v-else class="acts">
      <p>
        <b>{{ name }}</b> <BButton variant="link" size="sm" @click="machine = undefined">another</BButton>
      </p>
      <form class="row-form" novalidate @submit.prevent="printed">
        <TextInput v-model="sheets" inputmode="numeric" aria-label="Sheets" />
        <BButton type="submit" variant="primary" :disabled="busy">sheets printed</BButton>
      </form>
      <div class="grid">
        <BButton variant="outline-secondary" :disabled="busy" @click="cleaned(false)">It cleaned itself</BButton>
        <BButton variant="outline-secondary" :disabled="busy" @click="cleaned(true)">Power cleaning</BButton>
      </div>
      <form class="row-form" novalidate @submit.prevent="owed">
        <TextInput v-model="found" aria-label="What was found" placeholder="a leak at the damper of C" />
        <BButton type="submit" variant="outline-secondary" :disabled="busy || !found.trim()">Found this</BButton>
      </form>
      <p v-if="problem" class="act strong small" role="alert">{{ problem }}</p>
    </div>
  </BModal>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(130px, 1fr));
  gap: 10px;
}
.grid .btn {
  min-height: 56px;
}
.row-form {
  display: flex;
  gap: 10px;
  margin: 0 0 12px;
}
.acts .grid {
  margin-bottom: 12px;
}
</style>
