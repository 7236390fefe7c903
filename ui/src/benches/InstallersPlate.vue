<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { onMounted, reactive, ref } from 'vue'
import { api, problemOf, type Schemas } from '../api/client'
import { asFile } from '../api/upload'
import { useLive } from '../shell/live'
import { oneAtATime } from '../shell/oneAtATime'
import TextInput from '../shell/TextInput.vue'
import { bare } from '../units/format'

/** What firmware and drivers were installed from: the shop that sold it may be gone when it is wanted again. */
const props = defineProps<{ machine: number; coded: boolean }>()
const kept = ref<Schemas['Installer'][]>()
const problem = ref('')
const file = ref<HTMLInputElement>()
const form = reactive({ version: '', origin: '' })
const path = () => ({ machine: props.machine })

async function load() {
  const { data } = await api.GET('/api/machines/{machine}/installers', { params: { path: path() } })
  if (data) kept.value = data
}
onMounted(load)
useLive(() => [`machine/${props.machine}`], load)

function settle({ data, error }: { data?: Schemas['Installer'][]; error?: unknown }) {
  problem.value = error ? problemOf(error).detail : ''
  if (data) kept.value = data
}
const { run: keep, busy } = oneAtATime(async (installer: File) =>
  settle(
    await api.POST('/api/machines/{machine}/installers', {
      params: { path: path(), query: { name: installer.name.slice(0, 120), ...form } },
      ...asFile(installer),
    }),
  ),
)
const { run: discard } = oneAtATime(async (installer: number) =>
  settle(
    await api.POST('/api/machines/{machine}/installers/{installer}/discarded', {
      params: { path: { ...path(), installer } },
    }),
  ),
)
function chosen(event: Event) {
  const input = event.target as HTMLInputElement
  if (input.files?.[0]) void keep(input.files[0])
  input.value = ''
}
</script>

<template>
  <details class="fold" :open="coded && !kept?.length">
    <summary>Installers: {{ kept?.length || 'none kept' }}</summary>
    <p v-if="coded && kept && !kept.length" class="act strong small" role="status">
      A code is kept, and nothing to install it with. Keep the file before the download is thrown away.
    </p>
    <ul class="lines">
      <li v-for="i in kept" :key="i.id">
        <span>
          <a :href="`/api/machines/${machine}/installers/${i.id}`">{{ i.name }}</a>
          <span class="small quiet">
            {{ [i.version, i.origin, `${bare(i.bytes / 1e6)} MB`].filter(Boolean).join(' · ') }}
          </span>
          <span class="small quiet sum">SHA-256 {{ i.sha256 }}</span>
        </span>
        <BButton size="sm" variant="link" :aria-label="`Throw away ${i.name}`" @click="discard(i.id)"
          >Throw away</BButton
        >
      </li>
    </ul>
    <div class="row-form">
      <TextInput v-model="form.version" placeholder="version" aria-label="Its version" />
      <TextInput v-model="form.origin" placeholder="where it came from" aria-label="Where it came from" />
      <BButton variant="outline-secondary" :disabled="busy" @click="file?.click()">Keep an installer</BButton>
    </div>
    <input ref="file" type="file" class="visually-hidden" tabindex="-1" aria-label="An installer" @change="chosen" />
    <p class="small quiet">
      Hold the sum against what its seller says before it is run. What a browser blocks is looked at first, never just
      kept.
    </p>
    <p v-if="problem" class="act strong small" role="alert">{{ problem }}</p>
  </details>
</template>

<style scoped>
.sum {
  display: block;
  overflow-wrap: anywhere;
}
</style>
