<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { reactive, ref } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import FieldProblem from '../shell/FieldProblem.vue'
import { oneAtATime } from '../shell/oneAtATime'
import TextInput from '../shell/TextInput.vue'

/** Leaflets and receipts, kept to be opened without a network; or only where they are. */
const props = defineProps<{ machine: number; documents: Schemas['Document'][] }>()
const emit = defineEmits<{ settled: [passport: Schemas['PassportJson']] }>()

const problem = ref<Problem>()
const elsewhere = reactive({ name: '', link: '' })
const fileInput = ref<HTMLInputElement>()
const path = () => ({ machine: props.machine })

function settle(answer: { data?: Schemas['PassportJson']; error?: unknown }) {
  problem.value = answer.error ? problemOf(answer.error) : undefined
  if (answer.data) emit('settled', answer.data)
  return !answer.error
}

const { run: keepLink } = oneAtATime(async () => {
  const kept = settle(
    await api.POST('/api/machines/{machine}/links', { params: { path: path() }, body: { ...elsewhere } }),
  )
  if (kept) Object.assign(elsewhere, { name: '', link: '' })
})
async function keepFile(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  const name = file.name.replace(/\.[a-z]+$/i, '').slice(0, 80)
  settle(
    await api.POST('/api/machines/{machine}/documents', {
      params: { path: path(), query: { name } },
      body: file as unknown as string,
      bodySerializer: (body: unknown) => body as Blob,
      headers: { 'Content-Type': 'application/octet-stream' },
    }),
  )
}
const { run: discard } = oneAtATime(async (document: number) => {
  settle(
    await api.POST('/api/machines/{machine}/documents/{document}/discarded', {
      params: { path: { ...path(), document } },
    }),
  )
})
</script>

<template>
  <details class="fold">
    <summary>Documents: {{ documents.length || 'none kept' }}</summary>
    <ul class="lines">
      <li v-for="document in documents" :key="document.id">
        <a v-if="document.mediaType" :href="`/api/machines/${machine}/documents/${document.id}`">{{ document.name }}</a>
        <a v-else :href="document.link" rel="noopener noreferrer" target="_blank">{{ document.name }}</a>
        <BButton size="sm" variant="link" @click="discard(document.id)">Throw away</BButton>
      </li>
    </ul>
    <BButton size="sm" variant="outline-secondary" @click="fileInput?.click()">Keep a leaflet or receipt</BButton>
    <input
      ref="fileInput"
      type="file"
      accept="application/pdf,image/jpeg,image/png"
      class="visually-hidden"
      tabindex="-1"
      aria-label="Document"
      @change="keepFile"
    />
    <FieldProblem :problem="problem" field="document" />
    <form class="row-form" novalidate @submit.prevent="keepLink">
      <TextInput v-model="elsewhere.name" placeholder="or only where it is" aria-label="Name of the link" />
      <TextInput v-model="elsewhere.link" placeholder="its whole address" aria-label="Address of the link" />
      <BButton type="submit" size="sm" variant="outline-secondary">Keep the address</BButton>
    </form>
    <FieldProblem :problem="problem" field="name" />
    <FieldProblem :problem="problem" field="link" />
    <p v-if="problem && !problem.errors?.length" class="act strong small" role="alert">{{ problem.detail }}</p>
  </details>
</template>
