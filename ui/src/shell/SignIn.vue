<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { reactive, ref } from 'vue'
import { api, type Problem } from '../api/client'
import KettleMark from '../drawings/KettleMark.vue'
import FieldProblem from './FieldProblem.vue'
import { oneAtATime } from './oneAtATime'
import PinPad from './PinPad.vue'
import { session, take } from './session'
import TextInput from './TextInput.vue'

/** The way in: a name and a password, or on a tablet that was let in a name and a PIN. */
const form = reactive({ name: '', password: '', code: '' })
const problem = ref<Problem>()
const chosen = ref<number>()
const withPassword = ref(false)

const { run: enter, busy } = oneAtATime(async () => {
  const { name, password, code } = form
  problem.value = take(
    session.value?.first
      ? await api.POST('/api/session/first', { body: { name, password, code } })
      : await api.POST('/api/session', { body: { name, password } }),
  )
  if (!problem.value) form.password = ''
})
const { run: enterByPin } = oneAtATime(async (pin: string) => {
  problem.value = take(await api.POST('/api/session/pin', { body: { person: chosen.value ?? 0, pin } }))
})
const { run: asDemo } = oneAtATime(async () => {
  problem.value = take(await api.POST('/api/session/demo'))
})
</script>

<template>
  <div v-if="session" class="door">
    <p class="brand"><KettleMark /> Fair Kettle</p>
    <section class="plate in" aria-label="Sign in">
      <h1>{{ session.first ? 'Whose shop is this?' : 'Who comes in?' }}</h1>

      <template v-if="session.demo">
        <p class="quiet">This is the demo: its people are there, and nothing is at stake.</p>
        <BButton variant="primary" size="lg" class="wide" @click="asDemo">Come in as the owner</BButton>
      </template>

      <template v-if="session.pins.length && !withPassword">
        <div v-if="!chosen" class="names" role="group" aria-label="Who are you?">
          <BButton v-for="p in session.pins" :key="p.id" variant="outline-secondary" size="lg" @click="chosen = p.id">{{
            p.name
          }}</BButton>
        </div>
        <template v-else>
          <p class="strong">{{ session.pins.find((p) => p.id === chosen)?.name }}, your PIN</p>
          <PinPad @said="enterByPin" />
          <BButton variant="link" @click="((chosen = undefined), (problem = undefined))">Somebody else</BButton>
        </template>
        <BButton variant="link" @click="withPassword = true">With a password</BButton>
      </template>

      <form v-else novalidate @submit.prevent="enter">
        <p v-if="session.first" class="quiet">
          Nobody owns it yet. The start command showed a code: it proves that you may.
        </p>
        <template v-if="session.first">
          <label for="in-code">The code</label>
          <TextInput
            id="in-code"
            v-model="form.code"
            inputmode="numeric"
            placeholder="0000-0000-0000"
            autocomplete="off"
          />
          <FieldProblem :problem="problem" field="code" />
        </template>
        <label for="in-name">Your name</label>
        <TextInput id="in-name" v-model="form.name" autocomplete="username" />
        <FieldProblem :problem="problem" field="name" />
        <label for="in-password">{{ session.first ? 'A password of your own' : 'Your password' }}</label>
        <TextInput
          id="in-password"
          v-model="form.password"
          type="password"
          :autocomplete="session.first ? 'new-password' : 'current-password'"
        />
        <FieldProblem :problem="problem" field="password" />
        <BButton
          type="submit"
          :variant="session.demo ? 'outline-secondary' : 'primary'"
          size="lg"
          class="wide"
          :disabled="busy"
          >{{ session.first ? 'Open the shop' : 'Come in' }}</BButton
        >
        <BButton v-if="session.pins.length" variant="link" @click="withPassword = false">With a PIN</BButton>
      </form>
      <p v-if="problem && !problem.errors?.length" class="act strong" role="alert">{{ problem.detail }}</p>
      <p v-if="session.device" class="small quiet">This is {{ session.device.name }}.</p>
    </section>
  </div>
</template>

<style scoped>
.door {
  display: grid;
  justify-items: center;
  align-content: center;
  gap: 14px;
  min-height: 80vh;
  padding: 20px 12px;
}
.brand {
  display: flex;
  gap: 10px;
  align-items: center;
  margin: 0;
  color: var(--rim);
  font:
    700 1.3rem 'Besley Variable',
    serif;
}
.in {
  width: min(100%, 440px);
  padding: 24px 26px;
  display: grid;
  gap: 10px;
}
form {
  display: grid;
  gap: 6px;
}
.wide {
  width: 100%;
  margin-top: 8px;
}
.names {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 10px;
}
</style>
