<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { reactive } from 'vue'
import type { Problem, Schemas } from '../api/client'
import FieldProblem from '../shell/FieldProblem.vue'
import NumberInput from '../shell/NumberInput.vue'
import TextInput from '../shell/TextInput.vue'
import TimeInput from '../shell/TimeInput.vue'
import { moneyOf, typedMoney } from '../units/typed'
import type { Supplier } from './useBuying'

/** Whom something is bought from. */
const props = defineProps<{
  supplier?: Supplier | undefined
  zone: string
  currency: string
  problem: Problem | undefined
  busy: boolean
}>()
const emit = defineEmits<{ keep: [supplier: Schemas['NewSupplier']]; leave: [] }>()
const ZONES = Intl.supportedValuesOf('timeZone')
const form = reactive({
  name: props.supplier?.name ?? '',
  leadDays: props.supplier?.leadDays ?? 5,
  postage: props.supplier?.postage ?? 0,
  freeFrom: props.supplier?.freeFrom === undefined ? '' : typedMoney(props.supplier.freeFrom, props.currency),
  zone: props.supplier?.zone ?? props.zone,
  opens: props.supplier?.opens ?? '',
  closes: props.supplier?.closes ?? '',
  notes: props.supplier?.notes ?? '',
})
function keep() {
  emit('keep', {
    ...form,
    freeFrom: form.freeFrom.trim() ? moneyOf(form.freeFrom, props.currency) : undefined,
    opens: form.opens || undefined,
    closes: form.closes || undefined,
  })
}
</script>

<template>
  <form class="thin form" novalidate @submit.prevent="keep">
    <div>
      <label for="seller-name">Name</label>
      <TextInput id="seller-name" v-model="form.name" />
      <FieldProblem :problem="problem" field="name" />
    </div>
    <div>
      <label for="seller-lead">Days until it comes</label>
      <NumberInput id="seller-lead" v-model="form.leadDays" />
      <FieldProblem :problem="problem" field="leadDays" />
    </div>
    <div>
      <label for="seller-postage">Postage, {{ currency }}</label>
      <NumberInput id="seller-postage" v-model="form.postage" :currency="currency" />
      <FieldProblem :problem="problem" field="postage" />
    </div>
    <div>
      <label for="seller-free">Free from, {{ currency }}</label>
      <TextInput id="seller-free" v-model="form.freeFrom" inputmode="decimal" placeholder="never" />
      <FieldProblem :problem="problem" field="freeFrom" />
    </div>
    <div>
      <label for="seller-zone">Their clock</label>
      <TextInput id="seller-zone" v-model="form.zone" list="zones" />
      <datalist id="zones"><option v-for="z in ZONES" :key="z" :value="z" /></datalist>
      <FieldProblem :problem="problem" field="zone" />
    </div>
    <div>
      <label for="seller-opens">Answer from</label>
      <TimeInput id="seller-opens" v-model="form.opens" />
      <FieldProblem :problem="problem" field="opens" />
    </div>
    <div>
      <label for="seller-closes">to</label>
      <TimeInput id="seller-closes" v-model="form.closes" />
    </div>
    <div class="wide">
      <label for="seller-notes">Notes</label>
      <TextInput id="seller-notes" v-model="form.notes" />
      <FieldProblem :problem="problem" field="notes" />
    </div>
    <div class="wide send">
      <BButton type="submit" variant="primary" :disabled="busy">Keep it</BButton>
      <BButton v-if="supplier" variant="link" :disabled="busy" @click="emit('leave')">Buy there no more</BButton>
    </div>
  </form>
</template>

<style scoped>
.form {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(180px, 1fr));
  gap: 12px;
  padding: 16px 18px;
  margin-bottom: 18px;
  align-items: end;
}
.wide {
  grid-column: 1 / -1;
}
.send {
  display: flex;
  gap: 12px;
}
</style>
