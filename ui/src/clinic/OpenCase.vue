<script setup lang="ts">
import { BButton, BModal } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, problemOf, type Schemas } from '../api/client'
import { useBench } from '../benches/useBench'
import { oneAtATime } from '../shell/oneAtATime'
import { useClinicWords } from './useCase'
import TextInput from '../shell/TextInput.vue'
import Choice from '../shell/Choice.vue'

/** What is wrong, with whom, and for which work it must be good again. */
const props = defineProps<{ machine?: number }>()
const shown = defineModel<boolean>({ required: true })

const words = useClinicWords()
const { bench } = useBench()
const router = useRouter()
const machines = ref<number[]>([])
const complaints = ref<Schemas['ComplaintJson']['complaint'][]>([])
const work = ref<Schemas['OpenCaseJson']['work']>('SOLID')
const said = ref('')
const problem = ref<string>()
watch(
  shown,
  (now) => {
    if (now) machines.value = props.machine ? [props.machine] : []
  },
  { immediate: true },
)
const inked = computed(
  () =>
    bench.value?.machines.filter((m) => m.attention.kind !== 'PLAN' && m.attention.kind !== 'PARKED' && !m.caseId) ??
    [],
)
function toggle<T>(list: T[], one: T): T[] {
  return list.includes(one) ? list.filter((x) => x !== one) : [...list, one]
}
const { run, busy } = oneAtATime(async () => {
  const { data, error } = await api.POST('/api/cases', {
    body: { machines: machines.value, complaints: complaints.value, work: work.value, words: said.value },
  })
  problem.value = error ? problemOf(error).detail : undefined
  if (data) void router.push(`/clinic/${data.id}`)
})
</script>

<template>
  <BModal v-model="shown" title="What is wrong?" no-footer centered size="lg">
    <form novalidate @submit.prevent="run">
      <p class="strong">Which machine? More than one, if they fail alike.</p>
      <div class="chips" role="group" aria-label="Machines">
        <button
          v-for="m in inked"
          :key="m.id"
          type="button"
          class="pick chip"
          :class="{ on: machines.includes(m.id) }"
          :aria-pressed="machines.includes(m.id)"
          @click="machines = toggle(machines, m.id)"
        >
          {{ m.name }}
        </button>
      </div>
      <p class="strong">In your words</p>
      <div class="chips" role="group" aria-label="Complaints">
        <button
          v-for="c in words?.complaints"
          :key="c.complaint"
          type="button"
          class="pick chip"
          :title="c.say"
          :class="{ on: complaints.includes(c.complaint) }"
          :aria-pressed="complaints.includes(c.complaint)"
          @click="complaints = toggle(complaints, c.complaint)"
        >
          {{ c.label }}
        </button>
      </div>
      <div class="row-form">
        <TextInput
          v-model="said"
          aria-label="Anything else"
          placeholder="magenta missing since Monday"
          maxlength="500"
        />
        <Choice
          v-model="work"
          aria-label="Good for which work"
          :options="[
            { value: 'SOLID', text: 'good for solid colour' },
            { value: 'PHOTO', text: 'good for photos' },
            { value: 'TEXT', text: 'good for text' },
            { value: 'WHITE', text: 'good for solid white' },
          ]"
        />
      </div>
      <p v-if="problem" class="act strong small" role="alert">{{ problem }}</p>
      <BButton
        type="submit"
        variant="primary"
        size="lg"
        class="wide"
        :disabled="!machines.length || !complaints.length || busy"
        >Open the case</BButton
      >
    </form>
  </BModal>
</template>

<style scoped>
.wide {
  width: 100%;
  margin-top: 8px;
}
</style>
