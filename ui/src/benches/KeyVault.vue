<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, onMounted, reactive, ref } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import FieldProblem from '../shell/FieldProblem.vue'
import { useLive } from '../shell/live'
import { oneAtATime } from '../shell/oneAtATime'
import TextInput from '../shell/TextInput.vue'

/** The machine's activation code: sealed when it is kept, masked when it is seen, shown only on purpose. */
const props = defineProps<{ machine: number }>()

const kept = ref<Schemas['Kept']>()
const shown = ref('')
const changing = ref(false)
const problem = ref<Problem>()
const EMPTY = { code: '', origin: '', licence: '', model: '', version: '', seller: '', serial: '' }
const form = reactive({ ...EMPTY })
const licence = ref('')
const path = () => ({ params: { path: { machine: props.machine } } })

async function load() {
  const { data } = await api.GET('/api/machines/{machine}', path())
  kept.value = data?.key
  form.serial ||= data?.papers.serial ?? ''
}
onMounted(load)
useLive(() => [`machine/${props.machine}`], load)

const { run: store } = oneAtATime(async () => {
  const { data, error } = await api.PUT('/api/machines/{machine}/activation-code', { ...path(), body: form })
  problem.value = error ? problemOf(error) : undefined
  if (!data) return
  kept.value = data
  changing.value = false
  Object.assign(form, EMPTY)
})
const { run: reveal } = oneAtATime(async () => {
  const { data, error } = await api.POST('/api/machines/{machine}/activation-code/reveal', path())
  problem.value = error ? problemOf(error) : undefined
  shown.value = data?.words ?? ''
  licence.value = data?.licence ?? ''
})
const hide = () => {
  shown.value = ''
  licence.value = ''
}
const belongs = computed(() =>
  [kept.value?.model, kept.value?.version, kept.value?.seller, kept.value?.origin].filter(Boolean).join(' · '),
)
</script>

<template>
  <div class="vault">
    <p v-if="kept && !changing" class="kept">
      <b class="code">{{ shown || kept.masked || 'sealed with another key' }}</b>
      <span v-if="kept.licence" class="small"
        >licence <span class="code-small">{{ licence || kept.licence }}</span></span
      >
      <span v-if="belongs" class="small quiet">{{ belongs }}</span>
      <span class="buttons">
        <BButton v-if="!shown && kept.masked" size="sm" variant="outline-secondary" @click="reveal">Show it</BButton>
        <BButton v-if="shown" size="sm" variant="outline-secondary" @click="hide">Hide it</BButton>
        <BButton size="sm" variant="link" @click="changing = true">Store another</BButton>
      </span>
    </p>
    <form v-else novalidate @submit.prevent="store">
      <label for="key-code">Activation code</label>
      <TextInput id="key-code" v-model="form.code" autocomplete="off" size="lg" />
      <FieldProblem :problem="problem" field="code" />
      <label for="key-serial">Serial of this machine, as on its back</label>
      <TextInput id="key-serial" v-model="form.serial" autocomplete="off" />
      <FieldProblem :problem="problem" field="serial" />
      <label for="key-licence">Licence key, if it has one of its own</label>
      <TextInput id="key-licence" v-model="form.licence" autocomplete="off" />
      <FieldProblem :problem="problem" field="licence" />
      <div class="belongs">
        <label>For which model <TextInput v-model="form.model" /></label>
        <label>Version <TextInput v-model="form.version" /></label>
        <label>Seller <TextInput v-model="form.seller" /></label>
      </div>
      <label for="key-origin">Where its files came from</label>
      <TextInput id="key-origin" v-model="form.origin" class="mb-2" />
      <BButton type="submit" variant="outline-secondary">Into the vault</BButton>
      <BButton v-if="changing" variant="link" @click="changing = false">Not now</BButton>
    </form>
    <p v-if="problem && !problem.errors?.length" class="act strong small" role="alert">{{ problem.detail }}</p>
  </div>
</template>

<style scoped>
.vault {
  max-width: 520px;
}
.kept {
  display: flex;
  gap: 12px;
  align-items: center;
  flex-wrap: wrap;
  margin: 0;
}
.code {
  font-size: 1.15rem;
  letter-spacing: 1px;
  overflow-wrap: anywhere;
}
.belongs {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(120px, 1fr));
  gap: 8px;
}
.buttons {
  display: flex;
  gap: 6px;
}
</style>
