<script setup lang="ts">
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed, reactive, ref, watch } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import { oneAtATime } from '../shell/oneAtATime'
import { dayAndTime, typedVolume, volume, type VolumeUnit } from '../units/format'

/** Sheets of our own, made as PDF. Ink is only counted when somebody says that one came out. */
const props = defineProps<{ machine: Schemas['MachineJson']; unit: VolumeUnit; zone: string }>()
const emit = defineEmits<{ printed: [] }>()

const sheets = ref<Schemas['SheetsJson']>()
const problem = ref<Problem>()
const making = ref(false)
const form = reactive({ kind: 'PURGE' as Schemas['NewSheetJson']['kind'], paper: 'A4' as 'A4' | 'LETTER' })
const wanted = reactive<Record<string, string>>({})
const path = () => ({ path: { machine: props.machine.plate.id } })

async function load() {
  const { data } = await api.GET('/api/machines/{machine}/sheets', { params: path() })
  sheets.value = data
}
watch(() => props.machine, load, { immediate: true })

const shows = computed(() => sheets.value?.kinds.find((k) => k.id === form.kind)?.shows)
const reached = computed(() => sheets.value?.channels.filter((c) => c.byPage) ?? [])
const beyond = computed(() => sheets.value?.channels.filter((c) => !c.byPage) ?? [])
/** The channels with gaps are the ones that want a page. */
function begin() {
  for (const c of reached.value) {
    const failing = props.machine.plate.channels.find((p) => p.code === c.channel)?.missing.length
    wanted[c.channel] = failing ? String(c.usual) : ''
  }
  problem.value = undefined
  making.value = true
}

const { run: make, busy } = oneAtATime(async () => {
  const typed = Object.entries(wanted)
    .map(([c, v]) => [c, Number(typedVolume(v, props.unit) ?? 0)] as const)
    .filter(([, v]) => v > 0)
  const { data, error } = await api.POST('/api/machines/{machine}/sheets', {
    params: path(),
    body: { kind: form.kind, paper: form.paper, wanted: form.kind === 'PURGE' ? Object.fromEntries(typed) : {} },
  })
  problem.value = error ? problemOf(error) : undefined
  if (data) {
    sheets.value = data
    making.value = false
  }
})
const { run: printed } = oneAtATime(async (sheet: number) => {
  const { data } = await api.POST('/api/sheets/{sheet}/printed', { params: { path: { sheet } } })
  if (data) {
    sheets.value = data
    emit('printed')
  }
})
</script>

<template>
  <section v-if="sheets" id="sheets">
    <div class="title">
      <h2>Sheets</h2>
      <BButton v-if="!making" variant="outline-secondary" @click="begin">Make a sheet</BButton>
    </div>
    <form v-if="making" class="thin block" novalidate @submit.prevent="make">
      <div class="row-form">
        <BFormSelect
          v-model="form.kind"
          aria-label="Kind of sheet"
          :options="sheets.kinds.map((k) => ({ value: k.id, text: k.label }))"
        />
        <BFormSelect
          v-model="form.paper"
          aria-label="Paper"
          :options="[
            { value: 'A4', text: 'A4' },
            { value: 'LETTER', text: 'Letter' },
          ]"
        />
      </div>
      <p class="small quiet">{{ shows }}</p>
      <template v-if="form.kind === 'PURGE'">
        <div class="volumes">
          <div v-for="c in reached" :key="c.channel">
            <label :for="`sheet-${c.channel}`"
              ><b>{{ c.channel }}</b
              >, {{ unit }}</label
            >
            <BFormInput
              :id="`sheet-${c.channel}`"
              v-model="wanted[c.channel]"
              inputmode="decimal"
              :placeholder="String(c.usual)"
            />
          </div>
        </div>
        <p v-if="reached[0]" class="small quiet">
          {{ volume(reached[0].usual, unit) }} cover one page of A4. {{ reached[0].say }}
        </p>
      </template>
      <p v-for="c in beyond" :key="c.channel" class="small quiet">
        <b>{{ c.channel }}</b>: {{ c.say }}
      </p>
      <p v-if="problem" class="act strong small" role="alert">{{ problem.detail }}</p>
      <BButton type="submit" variant="outline-secondary" :disabled="busy">Make it</BButton>
      <BButton variant="link" @click="making = false">Not now</BButton>
    </form>
    <ul class="lines">
      <li v-for="sheet in sheets.made.slice(0, 4)" :key="sheet.id">
        <span
          ><a :href="`/api/sheets/${sheet.id}/sheet.pdf`"
            >{{ sheets.kinds.find((k) => k.id === sheet.kind)?.label }} no. {{ sheet.id }}</a
          >
          <span class="quiet small"
            >{{ sheet.what }} {{ sheet.pages === 1 ? '1 page' : `${sheet.pages} pages` }},
            {{ dayAndTime(sheet.madeAt, zone) }}</span
          ></span
        >
        <span v-if="sheet.printed" class="small quiet">printed</span>
        <BButton v-else size="sm" variant="outline-secondary" @click="printed(sheet.id)">It came out</BButton>
      </li>
    </ul>
    <p v-if="!sheets.made.length && !making" class="quiet small">
      A purge sheet puts ink on paper that can be read; a cleaning puts it into the pad.
    </p>
  </section>
</template>

<style scoped>
.title {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
section {
  margin-bottom: 22px;
}
.block {
  padding: 12px 16px;
  margin: 10px 0;
}
.volumes {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(76px, 1fr));
  gap: 10px;
  margin-bottom: 8px;
}
</style>
