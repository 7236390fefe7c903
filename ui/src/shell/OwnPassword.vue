<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { reactive, ref } from 'vue'
import { api, type Problem } from '../api/client'
import FieldProblem from './FieldProblem.vue'
import { oneAtATime } from './oneAtATime'
import { take } from './session'
import TextInput from './TextInput.vue'

/** A new password for oneself; everywhere else one is signed out. */
const form = reactive({ old: '', password: '' })
const problem = ref<Problem>()
const done = ref(false)

const { run: change, busy } = oneAtATime(async () => {
  problem.value = take(await api.PUT('/api/session/password', { body: { ...form } }))
  done.value = !problem.value
  if (done.value) Object.assign(form, { old: '', password: '' })
})
</script>

<template>
  <details class="fold">
    <summary>Another password</summary>
    <form novalidate @submit.prevent="change">
      <label for="own-old">The one you have</label>
      <TextInput id="own-old" v-model="form.old" type="password" autocomplete="current-password" />
      <FieldProblem :problem="problem" field="old" />
      <label for="own-new">The new one</label>
      <TextInput id="own-new" v-model="form.password" type="password" autocomplete="new-password" />
      <FieldProblem :problem="problem" field="password" />
      <p v-if="problem && !problem.errors?.length" class="act strong small" role="alert">{{ problem.detail }}</p>
      <p v-if="done" class="strong" role="status">It is changed. Everywhere else you are signed out.</p>
      <BButton type="submit" variant="outline-secondary" :disabled="busy">Change it</BButton>
    </form>
  </details>
</template>

<style scoped>
form {
  display: grid;
  gap: 6px;
  margin-top: 8px;
  justify-items: start;
}
form > :deep(input) {
  width: 100%;
}
</style>
