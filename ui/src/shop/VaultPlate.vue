<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { onMounted, ref } from 'vue'
import { api, problemOf, type Schemas } from '../api/client'

/** The vault that keeps activation codes: whether it opens, and its recovery key, to be printed once. */
const health = ref<Schemas['Health']>()
const key = ref('')
const problem = ref('')

async function load() {
  const { data } = await api.GET('/api/vault')
  health.value = data
}
onMounted(load)

async function show() {
  const { data, error } = await api.POST('/api/vault/recovery-key')
  problem.value = error ? problemOf(error).detail : ''
  key.value = data?.words ?? ''
  await load()
}
function print() {
  window.print()
}
</script>

<template>
  <section class="thin block">
    <h2>Vault</h2>
    <p v-if="health?.problem" class="notice" role="alert">{{ health.problem }}</p>
    <template v-else-if="health">
      <p>
        {{ health.codes === 1 ? '1 activation code is' : `${health.codes} activation codes are` }} kept, sealed. The key
        that opens them is not among the data: a backup alone opens nothing.
      </p>
      <p v-if="!health.printed && !key" class="notice">
        The recovery key was never printed. Without it, codes are lost with this machine.
      </p>
      <p v-if="key" class="key" data-key>{{ key }}</p>
      <BButton v-if="!key" variant="outline-secondary" @click="show">Show the recovery key, to print it</BButton>
      <template v-else>
        <BButton variant="outline-secondary" @click="print">Print</BButton>
        <BButton variant="link" @click="key = ''">Hide it</BButton>
      </template>
    </template>
    <p v-if="problem" class="act strong" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
.block {
  padding: 16px 20px;
}
.key {
  font-size: 1.25rem;
  font-weight: 700;
  letter-spacing: 1px;
  overflow-wrap: anywhere;
}
</style>
