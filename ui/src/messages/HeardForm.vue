<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, reactive, ref } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import { useBench } from '../benches/useBench'
import Choice from '../shell/Choice.vue'
import FieldProblem from '../shell/FieldProblem.vue'
import { oneAtATime } from '../shell/oneAtATime'
import TextInput from '../shell/TextInput.vue'
import { OUTCOMES } from './useMessages'

/** A machine said it: what was done, and what came of it. */
const props = defineProps<{ wording: string; message: string; act: string; machine?: number | undefined }>()
const emit = defineEmits<{ kept: [said: Schemas['Said'][]] }>()

const { bench } = useBench()
const machines = computed(() => [
  { value: 0, text: 'Which machine?' },
  ...(bench.value?.machines ?? []).map((m) => ({ value: m.id, text: m.name })),
])
const form = reactive({
  machine: props.machine ?? 0,
  wording: props.wording,
  did: props.act,
  outcome: 'NOT_KNOWN' as Schemas['Said']['outcome'],
})
const problem = ref<Problem>()
const { run: keep, busy } = oneAtATime(async () => {
  if (!form.machine) {
    problem.value = problemOf({ detail: 'Choose the machine that said it.' })
    return
  }
  const { data, error } = await api.POST('/api/machines/{machine}/heard', {
    params: { path: { machine: form.machine } },
    body: { wording: form.wording, message: props.message, did: form.did, outcome: form.outcome },
  })
  problem.value = error ? problemOf(error) : undefined
  if (data) emit('kept', data)
})
</script>

<template>
  <form class="heard" @submit.prevent="keep">
    <label v-if="!machine">Machine <Choice v-model="form.machine" :options="machines" /></label>
    <label>It says <TextInput v-model="form.wording" /> <FieldProblem :problem="problem" field="wording" /></label>
    <label>What was done <TextInput v-model="form.did" /> <FieldProblem :problem="problem" field="did" /></label>
    <label>And then <Choice v-model="form.outcome" :options="OUTCOMES" /></label>
    <BButton type="submit" variant="primary" :disabled="busy">Into the log</BButton>
    <p v-if="problem && !problem.errors?.length" class="act strong small" role="alert">{{ problem.detail }}</p>
  </form>
</template>

<style scoped>
.heard {
  display: grid;
  gap: 10px;
  margin: 10px 0;
  max-width: 520px;
}
label {
  display: grid;
  gap: 3px;
}
</style>
