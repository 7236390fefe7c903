<script setup lang="ts">
import { reactive, ref, watch } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import FieldProblem from '../shell/FieldProblem.vue'
import TextInput from '../shell/TextInput.vue'
import { numberOf } from '../units/typed'

/** A price with a voucher, in another currency: what is rounded first decides the last coin. */
defineProps<{ currency: string }>()
const form = reactive({ price: '24.99', of: 'USD', percentOff: '15', rate: '0.79' })
const told = ref<Schemas['VoucherJson']>()
const problem = ref<Problem>()
watch(
  form,
  async (_now, _before, onCleanup) => {
    let outdated = false
    onCleanup(() => (outdated = true))
    const query = {
      price: numberOf(form.price),
      of: form.of.trim().toUpperCase(),
      percentOff: numberOf(form.percentOff),
      rate: numberOf(form.rate),
    }
    if ([query.price, query.percentOff, query.rate].some(Number.isNaN) || query.of.length !== 3) {
      told.value = undefined
      return
    }
    const { data, error } = await api.GET('/api/reckoning/voucher', { params: { query } })
    if (outdated) return
    problem.value = error ? problemOf(error) : undefined
    told.value = data
  },
  { immediate: true },
)
</script>

<template>
  <section class="thin block">
    <h2>A voucher, or another currency</h2>
    <div class="fields">
      <label>price <TextInput v-model="form.price" inputmode="decimal" /></label>
      <label>in <TextInput v-model="form.of" maxlength="3" aria-label="Currency of the price" /></label>
      <label>taken off, % <TextInput v-model="form.percentOff" inputmode="decimal" /></label>
      <label>one of it is, {{ currency }} <TextInput v-model="form.rate" inputmode="decimal" /></label>
    </div>
    <FieldProblem :problem="problem" field="price" />
    <p v-if="told" class="says" role="status">
      <b>{{ told.takenOffFirst }} {{ told.currency }}</b> if the voucher comes off first,
      <b>{{ told.changedFirst }} {{ told.currency }}</b> if it is changed first{{
        told.differsBy ? ': they differ by the last coin.' : '.'
      }}
    </p>
    <p v-else-if="!problem" class="says quiet">Type all four.</p>
  </section>
</template>

<style scoped>
.block {
  padding: 16px 18px;
  margin-top: 22px;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(120px, 1fr));
  gap: 10px;
  align-items: end;
  margin: 8px 0 12px;
}
.fields label {
  display: grid;
  gap: 3px;
}
</style>
