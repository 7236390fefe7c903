<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { reactive, ref, watch } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import FieldProblem from '../shell/FieldProblem.vue'
import { oneAtATime } from '../shell/oneAtATime'
import { numberOf } from '../units/typed'
import TextInput from '../shell/TextInput.vue'
import TimeInput from '../shell/TimeInput.vue'

/** The shop's permission for purge sheets that print themselves. */
const props = defineProps<{ machine: number }>()

const allowed = ref(false)
const trouble = ref<string>()
const problem = ref<Problem>()
const form = reactive({ from: '09:00', to: '17:00', transfer: false, sheetsLeft: '20', keep: '5' })
const where = () => ({ params: { path: { machine: props.machine } } })

function take(data?: Schemas['OwnSheetsJson']) {
  const p = data?.permission
  allowed.value = !!p
  trouble.value = p?.trouble
  if (p)
    Object.assign(form, {
      from: p.from.slice(0, 5),
      to: p.to.slice(0, 5),
      transfer: p.transfer,
      sheetsLeft: String(p.sheetsLeft),
      keep: String(p.keep),
    })
}
watch(
  () => props.machine,
  async () => take((await api.GET('/api/machines/{machine}/own-sheets', where())).data),
  { immediate: true },
)
const { run: allow, busy } = oneAtATime(async (yes: boolean) => {
  const { data, error } = await api.PUT('/api/machines/{machine}/own-sheets', {
    ...where(),
    body: { ...form, allowed: yes, sheetsLeft: numberOf(form.sheetsLeft), keep: numberOf(form.keep) },
  })
  problem.value = error ? problemOf(error) : undefined
  if (data) take(data)
})
</script>

<template>
  <details class="fold" :open="!!trouble">
    <summary>Purge sheets by itself{{ allowed ? ': allowed' : '' }}</summary>
    <p v-if="trouble" class="act strong small" role="alert">{{ trouble }}</p>
    <p class="small quiet">
      When a purge is due, nobody is printing and no card is open, it prints one sheet within these hours.
    </p>
    <form class="own" novalidate @submit.prevent="allow(true)">
      <label>from <TimeInput v-model="form.from" /></label>
      <label>until <TimeInput v-model="form.to" /></label>
      <label>sheets in the tray <TextInput v-model="form.sheetsLeft" inputmode="numeric" /></label>
      <label class="line"
        ><input v-model="form.transfer" type="checkbox" class="form-check-input" /> it is transfer paper</label
      >
      <label v-if="form.transfer">keep the last <TextInput v-model="form.keep" inputmode="numeric" /></label>
      <BButton type="submit" variant="outline-secondary" :disabled="busy">{{ allowed ? 'Keep' : 'Allow it' }}</BButton>
      <BButton v-if="allowed" variant="link" :disabled="busy" @click="allow(false)">Not any more</BButton>
    </form>
    <FieldProblem :problem="problem" field="to" />
    <FieldProblem :problem="problem" field="sheetsLeft" />
  </details>
</template>

<style scoped>
.own {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
  align-items: end;
}
.own label {
  max-width: 130px;
}
.line {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 44px;
}
</style>
