<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, reactive, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import FieldProblem from '../shell/FieldProblem.vue'
import { oneAtATime } from '../shell/oneAtATime'
import { volume, type VolumeUnit } from '../units/format'
import { numberOf } from '../units/typed'
import TextInput from '../shell/TextInput.vue'
import Choice from '../shell/Choice.vue'

/** What its vessels hold, and what was measured instead: a copy of the profile under a name of the shop's own. */
const props = defineProps<{ machine: Schemas['MachineJson']; unit: VolumeUnit }>()
const emit = defineEmits<{ saved: [] }>()

type Vessel = Schemas['MeasuredJson']['vessel']
const route = useRoute()
const measuring = ref(false)
const problem = ref<Problem>()
const form = reactive({ name: '', channel: '', vessel: 'TUBE' as Vessel, capacity: '', heel: '' })

const plate = computed(() => props.machine.plate)
const path = computed(
  () => plate.value.channels.find((c) => c.code === form.channel)?.path ?? plate.value.channels[0]?.path ?? [],
)
const own = computed(() => props.machine.profile.startsWith('own-'))

function begin() {
  const first = path.value.find((v) => v.kind === 'tube') ?? path.value[0]
  Object.assign(form, {
    name: `${plate.value.profile}, as ${plate.value.name}`,
    vessel: first?.kind.toUpperCase(),
    capacity: String(first?.capacity ?? ''),
    heel: String(first?.heel ?? ''),
  })
  measuring.value = true
}
/** What a card has found out arrives in the address: channel, vessel, capacity and what stays behind. */
const [channel, vesselKind, capacity, heel] = String(route.query.measured ?? '').split(',')
if (channel && vesselKind && capacity && heel) {
  begin()
  Object.assign(form, { channel, vessel: vesselKind, capacity, heel })
}
function choose(kind: string) {
  const vessel = path.value.find((v) => v.kind === kind.toLowerCase())
  Object.assign(form, { vessel: kind, capacity: String(vessel?.capacity ?? ''), heel: String(vessel?.heel ?? '') })
}

const { run: save } = oneAtATime(async () => {
  const measured = [
    {
      channel: form.channel || undefined,
      vessel: form.vessel,
      capacity: numberOf(form.capacity),
      heel: numberOf(form.heel),
    },
  ]
  let error: unknown
  if (own.value) {
    error = (
      await api.POST('/api/profiles/{profile}/measures', {
        params: { path: { profile: props.machine.profile } },
        body: { measured },
      })
    ).error
  } else {
    const copy = await api.POST('/api/profiles', {
      body: { from: props.machine.profile, name: form.name, measured, draws: {} },
    })
    error = copy.error
    if (copy.data) {
      const described = await api.PUT('/api/machines/{machine}/profile', {
        params: { path: { machine: plate.value.id } },
        body: { profile: copy.data.id },
      })
      error = described.error
    }
  }
  problem.value = error ? problemOf(error) : undefined
  if (!error) {
    measuring.value = false
    emit('saved')
  }
})
</script>

<template>
  <section id="measures">
    <div class="title">
      <h2>What its vessels hold</h2>
      <BButton v-if="!measuring" variant="outline-secondary" @click="begin">I measured</BButton>
    </div>
    <p class="small quiet">
      {{ plate.profile }}:
      <template v-for="(vessel, i) in path" :key="vessel.kind"
        >{{ i ? ', ' : '' }}{{ vessel.kind }} {{ volume(vessel.capacity, unit) }} ({{ volume(vessel.heel, unit) }} stay
        behind)</template
      >.
    </p>
    <form v-if="measuring" class="thin measure" novalidate @submit.prevent="save">
      <div v-if="!own">
        <label for="copy-name">A copy of the profile, called</label>
        <TextInput id="copy-name" v-model="form.name" />
        <FieldProblem :problem="problem" field="name" />
      </div>
      <div class="four">
        <div>
          <label for="measured-channel">Channel</label>
          <Choice
            id="measured-channel"
            v-model="form.channel"
            :options="[{ value: '', text: 'all' }, ...plate.channels.map((c) => ({ value: c.code, text: c.code }))]"
          />
        </div>
        <div>
          <label for="measured-vessel">Vessel</label>
          <Choice
            id="measured-vessel"
            :model-value="form.vessel"
            :options="path.map((v) => ({ value: v.kind.toUpperCase(), text: v.kind }))"
            @update:model-value="(v) => choose(String(v))"
          />
        </div>
        <div>
          <label for="measured-capacity">holds, mL</label>
          <TextInput id="measured-capacity" v-model="form.capacity" inputmode="decimal" />
        </div>
        <div>
          <label for="measured-heel">stays behind, mL</label>
          <TextInput id="measured-heel" v-model="form.heel" inputmode="decimal" />
        </div>
      </div>
      <p v-if="problem && !problem.errors?.some((e) => e.field === 'name')" class="act strong small" role="alert">
        {{ problem.detail }}
      </p>
      <BButton type="submit" variant="outline-secondary">Teach it</BButton>
      <BButton variant="link" @click="measuring = false">Not now</BButton>
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
.measure {
  padding: 12px 16px;
}
.four {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(90px, 1fr));
  gap: 10px;
  margin: 8px 0;
}
</style>
