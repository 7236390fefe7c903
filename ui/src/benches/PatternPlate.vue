<script setup lang="ts">
import { useUnits } from '../units/useUnits'
import { BButton } from 'bootstrap-vue-next'
import { computed, reactive, ref, watch } from 'vue'
import { api, problemOf, type Schemas } from '../api/client'
import { oneAtATime } from '../shell/oneAtATime'
import { numberOf } from '../units/typed'
import TextInput from '../shell/TextInput.vue'

/** How the machine draws its own nozzle check: what a picture of it is read by. Drawn here, to be held beside the paper. */
const props = defineProps<{ machine: Schemas['MachineJson'] }>()
const emit = defineEmits<{ saved: [] }>()

const profile = ref<Schemas['ProfileJson']>()
const changing = ref(false)
const problem = ref<string>()
const form = reactive({ nozzles: '', steps: '', pitch: '', stroke: '', gap: '', order: '' })
const plate = computed(() => props.machine.plate)

async function load() {
  const { data } = await api.GET('/api/profiles')
  profile.value = data?.find((p) => p.id === props.machine.profile)
}
watch(() => props.machine.profile, load, { immediate: true })

const codes = computed(() => plate.value.channels.map((c) => c.code))
function begin() {
  const p = profile.value?.pattern
  if (!p) return
  Object.assign(form, {
    nozzles: String(plate.value.channels[0]?.nozzles ?? p.nozzles),
    steps: String(p.steps),
    pitch: p.pitch.toFixed(3),
    stroke: String(p.stroke),
    gap: String(p.gap),
    order: p.order.map((slot) => codes.value[slot]).join(' '),
  })
  changing.value = true
}
const num = numberOf
/** One block as it would be drawn, in mm. */
const strokes = computed(() => {
  const steps = num(form.steps)
  const count = Math.min(num(form.nozzles) || 0, 400)
  return Array.from({ length: count }, (_, n) => ({ x: (n % steps) * num(form.stroke), y: n * num(form.pitch) }))
})
const box = computed(() => `-1 -1 ${num(form.steps) * num(form.stroke) + 2} ${num(form.nozzles) * num(form.pitch) + 2}`)

const { run: save } = oneAtATime(async () => {
  let id = props.machine.profile
  if (!id.startsWith('own-')) {
    const copy = await api.POST('/api/profiles', {
      body: { from: id, name: `${plate.value.profile}, as ${plate.value.name}`, measured: [], draws: {} },
    })
    if (!copy.data) {
      problem.value = problemOf(copy.error).detail
      return
    }
    id = copy.data.id
  }
  const { error } = await api.PUT('/api/profiles/{profile}/pattern', {
    params: { path: { profile: id } },
    body: {
      nozzles: num(form.nozzles),
      steps: num(form.steps),
      pitch: num(form.pitch),
      stroke: num(form.stroke),
      gap: num(form.gap),
      order: form.order
        .trim()
        .split(/\s+/)
        .map((code) => codes.value.indexOf(code)),
    },
  })
  problem.value = error ? problemOf(error).detail : undefined
  if (error) return
  if (id !== props.machine.profile)
    await api.PUT('/api/machines/{machine}/profile', {
      params: { path: { machine: plate.value.id } },
      body: { profile: id },
    })
  changing.value = false
  await load()
  emit('saved')
})
const FIELDS = [
  { key: 'nozzles', label: 'strokes a channel' },
  { key: 'steps', label: 'strokes in a stair' },
  { key: 'pitch', label: 'each lower by, mm' },
  { key: 'stroke', label: 'a stroke, mm' },
  { key: 'gap', label: 'between blocks, mm' },
] as const
const { shownLength } = useUnits()
</script>

<template>
  <section v-if="profile" id="pattern">
    <div class="title">
      <h2>Its nozzle check</h2>
      <BButton v-if="!changing" variant="outline-secondary" @click="begin">It draws another</BButton>
    </div>
    <p class="small quiet">
      {{ plate.channels[0]?.nozzles }} strokes a channel in stairs of {{ profile.pattern.steps }}, each
      {{ shownLength(profile.pattern.pitch) }} lower, {{ shownLength(profile.pattern.stroke) }} long; from left to right
      {{ profile.pattern.order.map((slot) => codes[slot]).join(' ') }}. A picture of it is read by this.
    </p>
    <form v-if="changing" class="thin block" novalidate @submit.prevent="save">
      <p class="small quiet">Print its own check and lay a ruler beside one block.</p>
      <div class="fields">
        <div v-for="f in FIELDS" :key="f.key">
          <label :for="`pattern-${f.key}`">{{ f.label }}</label>
          <TextInput :id="`pattern-${f.key}`" v-model="form[f.key]" inputmode="decimal" />
        </div>
        <div>
          <label for="pattern-order">from left to right</label>
          <TextInput id="pattern-order" v-model="form.order" />
        </div>
        <svg :viewBox="box" role="img" aria-label="One block of the check as described">
          <rect
            v-for="(s, n) in strokes"
            :key="n"
            :x="s.x"
            :y="s.y"
            :width="num(form.stroke)"
            height="0.12"
            fill="var(--text)"
          />
        </svg>
      </div>
      <p v-if="problem" class="act strong small" role="alert">{{ problem }}</p>
      <BButton type="submit" variant="outline-secondary">That is how it draws</BButton>
      <BButton variant="link" @click="changing = false">Not now</BButton>
    </form>
  </section>
</template>

<style scoped>
section {
  margin-bottom: 22px;
}
.title {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.block {
  padding: 12px 16px;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(128px, 1fr));
  gap: 10px;
  margin: 8px 0;
}
svg {
  height: 130px;
  width: 100%;
}
</style>
