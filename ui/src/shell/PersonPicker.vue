<script setup lang="ts">
import { BButton, BModal } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { api, problemOf } from '../api/client'
import OwnPassword from './OwnPassword.vue'
import { person, pick } from './person'
import { leave, session } from './session'
import { loadShop, useShop } from './shop'
import TextInput from './TextInput.vue'

const { shop } = useShop()
const people = computed(() => shop.value?.people ?? [])
const closed = computed(() => session.value?.closed === true)
const name = computed(() =>
  closed.value ? session.value?.name : people.value.find((p) => p.id === person.value)?.name,
)
const open = ref(false)
const typed = ref('')
const problem = ref('')

function choose(id: number) {
  pick(id)
  open.value = false
}

async function add() {
  const { data, error } = await api.POST('/api/people', { body: { name: typed.value } })
  if (error) {
    problem.value = problemOf(error).detail
    return
  }
  typed.value = ''
  problem.value = ''
  await loadShop()
  choose(data.id)
}
</script>

<template>
  <button type="button" class="who" @click="open = true">
    <svg
      width="18"
      height="18"
      viewBox="0 0 18 18"
      fill="none"
      stroke="currentColor"
      stroke-width="2"
      aria-hidden="true"
    >
      <circle cx="9" cy="6" r="3.5" />
      <path d="M2.5 16c1-5 12-5 13 0" />
    </svg>
    {{ name ?? 'Who are you?' }}
  </button>
  <BModal v-if="closed" v-model="open" :title="`You are ${name}`" no-footer centered>
    <p class="quiet">Every entry in the log carries your name.</p>
    <div class="people">
      <BButton variant="primary" @click="leave()">Sign out</BButton>
      <BButton variant="outline-secondary" @click="leave(true)">Sign out everywhere</BButton>
    </div>
    <OwnPassword v-if="session?.password" />
  </BModal>
  <BModal v-else v-model="open" title="Who is at this bench?" no-footer centered>
    <div class="people">
      <BButton
        v-for="one in people"
        :key="one.id"
        :variant="one.id === person ? 'primary' : 'outline-secondary'"
        @click="choose(one.id)"
        >{{ one.name }}</BButton
      >
    </div>
    <form class="add" novalidate @submit.prevent="add">
      <label for="new-person" class="small quiet">Somebody else</label>
      <div class="row-of-two">
        <TextInput id="new-person" v-model="typed" placeholder="Name" :class="{ 'is-invalid': problem }" />
        <BButton type="submit" variant="outline-secondary">Add</BButton>
      </div>
      <p v-if="problem" class="act strong small" role="alert">{{ problem }}</p>
    </form>
    <p class="quiet small">Every entry in the log carries this name. This is not a sign-in.</p>
  </BModal>
</template>

<style scoped>
.who {
  background: none;
  border: 0;
  color: inherit;
  min-height: 44px;
  display: flex;
  gap: 6px;
  align-items: center;
  font-weight: 600;
}
.people {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin-bottom: 16px;
}
.row-of-two {
  display: flex;
  gap: 8px;
}
.add {
  margin-bottom: 12px;
}
</style>
