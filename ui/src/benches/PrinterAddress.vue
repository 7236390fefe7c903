<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { ref, shallowRef, watch } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import StateMark from '../drawings/StateMark.vue'
import { oneAtATime } from '../shell/oneAtATime'
import TextInput from '../shell/TextInput.vue'
import Tick from '../shell/Tick.vue'

/** Where a machine's printer is in the network, and what it says of itself: believed only as far as it deserves. */
const props = defineProps<{ machine: number; uri?: string; white?: boolean; separates?: boolean }>()
const emit = defineEmits<{ kept: [jobs: Schemas['PrintJobsJson']] }>()

const address = ref('')
const byItself = ref(false)
const printer = shallowRef<Schemas['PrinterJson']>()
const problem = ref<Problem>()
/** Asked by the server where nobody has written it down yet. */
const place = ref('')
const asked = ref(false)
const where = () => ({ params: { path: { machine: props.machine } } })
watch(
  () => [props.machine, props.uri, props.separates],
  () => {
    byItself.value = Boolean(props.separates)
    address.value = props.uri ?? ''
    printer.value = undefined
  },
  { immediate: true },
)

const { run: keep, busy: keeping } = oneAtATime(async () => {
  const { data, error } = await api.PUT('/api/machines/{machine}/printer', {
    ...where(),
    body: { uri: address.value, separates: byItself.value, passwordPlace: place.value || undefined },
  })
  problem.value = error ? problemOf(error) : undefined
  asked.value = problem.value?.errors?.some((e) => e.field === 'passwordPlace') ?? false
  if (data) emit('kept', data)
})
const { run: ask, busy: asking } = oneAtATime(async () => {
  printer.value = (await api.GET('/api/machines/{machine}/printer', where())).data
})
</script>

<template>
  <details class="fold">
    <summary>Its printer in the network</summary>
    <form class="row-form" novalidate @submit.prevent="keep">
      <TextInput v-model="address" aria-label="Address of its printer" placeholder="ipp://192.168.1.20/ipp/print" />
      <BButton type="submit" variant="outline-secondary" :disabled="keeping">Keep</BButton>
      <BButton variant="outline-secondary" :disabled="asking || !uri" @click="ask">{{
        asking ? 'Asking …' : 'Ask it'
      }}</BButton>
    </form>
    <Tick v-if="white" v-model="byItself" class="small"
      >it prints white by itself, where a page has it as a spot colour
    </Tick>
    <label v-if="asked" class="small place"
      >Where the network’s password is kept <TextInput v-model="place" maxlength="400" />
    </label>
    <p v-if="problem" class="act strong small" role="alert">{{ problem.errors?.[0]?.detail ?? problem.detail }}</p>
    <div v-if="printer" class="small" role="status">
      <p><StateMark :kind="printer.answers ? 'ready' : 'look'" /> {{ printer.says }}</p>
      <p v-if="printer.supplies.length">
        It says of its inks:
        <span v-for="s in printer.supplies" :key="s.name" class="supply"
          ><b>{{ s.name }}</b> {{ s.percent === undefined ? 'not said' : `${s.percent} %` }}</span
        >
        <b v-if="printer.supplies.some((s) => !s.trusted)" class="act">Its chips are ignored: do not believe it. </b>
        <span class="quiet">It counts drops; nothing is measured. Read the tanks with your eyes.</span>
      </p>
    </div>
  </details>
</template>

<style scoped>
.place {
  display: grid;
  gap: 3px;
}

.supply {
  margin-right: 10px;
}
</style>
