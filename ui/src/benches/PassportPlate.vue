<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, reactive, ref, watch } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import FieldProblem from '../shell/FieldProblem.vue'
import { oneAtATime } from '../shell/oneAtATime'
import { useShop } from '../shell/shop'
import { dayAndTime, money } from '../units/format'
import InstallersPlate from './InstallersPlate.vue'
import KeyVault from './KeyVault.vue'
import { moneyOf, typedMoney } from '../units/typed'
import TextInput from '../shell/TextInput.vue'
import Tick from '../shell/Tick.vue'
import TextBlock from '../shell/TextBlock.vue'

/** Papers and keys of a machine: what was agreed to, what its firmware is, what it earns, what was put aside. */
const props = defineProps<{ machine: Schemas['MachineJson']; zone: string }>()
const { settings } = useShop()
const currency = computed(() => settings.value?.currency ?? 'GBP')
const emit = defineEmits<{ saved: [machine: Schemas['MachineJson']] }>()

const editing = ref(false)
const problem = ref<Problem>()
const form = reactive({ serial: '', notes: '', firmware: '', remindersOff: false, earns: '' })
watch(
  () => props.machine,
  ({ papers }) => {
    if (editing.value) return
    const { serial, notes, firmware, remindersOff, earnsPerDay } = papers
    Object.assign(form, {
      serial,
      notes,
      firmware,
      remindersOff,
      earns: earnsPerDay === undefined ? '' : typedMoney(earnsPerDay, currency.value),
    })
  },
  { immediate: true },
)
const path = () => ({ path: { machine: props.machine.plate.id } })

const { run: save } = oneAtATime(async () => {
  const { data, error } = await api.PUT('/api/machines/{machine}/papers', {
    params: { ...path(), header: { 'If-Match': props.machine.version } },
    body: {
      serial: form.serial,
      notes: form.notes,
      firmware: form.firmware,
      remindersOff: form.remindersOff,
      earnsPerDay: form.earns === '' ? undefined : moneyOf(form.earns, currency.value),
    },
  })
  problem.value = error ? problemOf(error) : undefined
  if (data) {
    editing.value = false
    emit('saved', data)
  }
})
const { run: gone } = oneAtATime(async (part: number) => {
  const { data } = await api.POST('/api/machines/{machine}/put-aside/{part}/gone', {
    params: { path: { machine: props.machine.plate.id, part } },
  })
  if (data) emit('saved', data)
})
</script>

<template>
  <section>
    <h2>Passport</h2>
    <p class="small quiet">
      Warranty
      {{ machine.warrantyEnded ? `ended, acknowledged ${dayAndTime(machine.warrantyEnded, zone)}` : 'stands' }} · signed
      off {{ machine.plate.signedOff ? dayAndTime(machine.plate.signedOff, zone) : 'never' }} · fed:
      {{ machine.feed }} · {{ machine.chips }}
    </p>
    <p :class="{ notice: machine.idle.park }">
      <span>
        Standing idle it costs <b>{{ money(machine.idle.perDay) }}</b> a day<span class="small quiet">
          ({{ machine.idle.basis }})</span
        ><template v-if="machine.idle.earns"
          >, and earns {{ money(machine.idle.earns) }}.
          {{ machine.idle.park ? 'Park it: on fluid it costs next to nothing.' : '' }}</template
        ><template v-else>.</template>
      </span>
    </p>
    <form novalidate @submit.prevent="save" @focusin="editing = true">
      <div class="pair">
        <div>
          <label for="serial">Serial number</label>
          <TextInput id="serial" v-model="form.serial" />
        </div>
        <div>
          <label for="firmware">Firmware version</label>
          <TextInput id="firmware" v-model="form.firmware" />
        </div>
        <div>
          <label for="earns">It earns a day, {{ machine.idle.perDay.currency }}</label>
          <TextInput id="earns" v-model="form.earns" inputmode="decimal" />
          <FieldProblem :problem="problem" field="earnsPerDay" />
        </div>
        <Tick v-model="form.remindersOff" class="reminders">update reminders are off</Tick>
      </div>
      <label for="notes">Notes: quirks, where the disc is</label>
      <TextBlock id="notes" v-model="form.notes" rows="2" class="mb-2" />
      <FieldProblem :problem="problem" field="notes" />
      <p v-if="problem && !problem.errors?.length" class="act strong small" role="alert">{{ problem.detail }}</p>
      <BButton v-if="editing" type="submit" variant="outline-secondary">Keep</BButton>
    </form>
    <h3>Activation code</h3>
    <KeyVault :machine="machine.plate.id" />
    <InstallersPlate :machine="machine.plate.id" :coded="!!machine.key" />
    <template v-if="machine.agreements.length">
      <h3>Agreed to</h3>
      <ul class="lines">
        <li v-for="agreed in machine.agreements" :key="agreed.at">
          <span>{{ agreed.words }}</span>
          <span class="quiet small">{{ agreed.person }}, {{ dayAndTime(agreed.at, zone) }}</span>
        </li>
      </ul>
    </template>
    <template v-if="machine.putAside.length">
      <h3>Put aside, with ink in it still</h3>
      <ul class="lines">
        <li v-for="part in machine.putAside" :key="part.id">
          <span
            ><b>{{ part.channel }}</b> {{ part.what }}
            <span class="quiet small">since {{ dayAndTime(part.at, zone) }}</span></span
          >
          <BButton size="sm" variant="outline-secondary" @click="gone(part.id)">It is gone</BButton>
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
section {
  margin-bottom: 22px;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 14px;
  margin-bottom: 8px;
}
.reminders {
  align-self: end;
  padding-bottom: 8px;
}
h3 {
  margin: 16px 0 4px;
}
</style>
