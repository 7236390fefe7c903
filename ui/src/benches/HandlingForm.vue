<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import { useServer } from '../api/useServer'
import Choice from '../shell/Choice.vue'
import TextInput from '../shell/TextInput.vue'
import Tick from '../shell/Tick.vue'
import KitFields from './KitFields.vue'
import { draftOf, taughtBy, type Draft, type Matter } from './handling'

/** How hands get at a machine that is like its profile but not it: put right here, and every card says so at once. */
const props = defineProps<{ machine: number; matters?: Matter[] }>()
const emit = defineEmits<{ taught: [] }>()

const { data: handling, put } = useServer<Schemas['HandlingJson']>(
  () => ['handling', props.machine],
  () => api.GET('/api/machines/{machine}/handling', { params: { path: { machine: props.machine } } }),
  () => [`machine/${props.machine}`],
)
const draft = ref<Draft>()
watch(handling, (now) => (draft.value = now && draftOf(now)), { immediate: true })
const problem = ref<Problem>()
const busy = ref(false)

const about = (matter: Matter) => !props.matters || props.matters.includes(matter)
const ways = computed(() => draft.value?.ways.filter((w) => about(w.act)) ?? [])
const freeing = computed(() => handling.value?.freeings.find((f) => f.id === draft.value?.freeing))
const choice = <T extends string>(all: { id: T; label: string }[]) => all.map((o) => ({ value: o.id, text: o.label }))

/** In one order, whichever was ticked first. */
function tray(id: Draft['trays'][number], on: boolean) {
  const all = handling.value?.allTrays.map((t) => t.id) ?? []
  if (draft.value) draft.value.trays = all.filter((t) => (t === id ? on : draft.value?.trays.includes(t)))
}

async function teach() {
  const now = handling.value
  if (!now || !draft.value) return
  busy.value = true
  const { data, error } = await api.PUT('/api/machines/{machine}/handling', {
    params: { path: { machine: props.machine }, header: { 'If-Match': now.version } },
    body: taughtBy(draft.value, now),
  })
  busy.value = false
  problem.value = error ? problemOf(error) : undefined
  if (data) {
    put(['handling', props.machine], data)
    emit('taught')
  }
}
</script>

<template>
  <p v-if="!handling || !draft" class="quiet loading">Fetching …</p>
  <form v-else class="handling" @submit.prevent="teach">
    <section v-if="about('FREEING')">
      <label for="handling-freeing">The carriage is freed</label>
      <Choice id="handling-freeing" v-model="draft.freeing" :options="choice(handling.freeings)" />
      <ol v-if="freeing" class="small acts">
        <li v-for="act in freeing.acts" :key="act">{{ act }}</li>
      </ol>
      <p v-if="freeing" class="small quiet">
        {{ freeing.goesWrong }}
        <template v-if="freeing.nextStart"> At the next start: {{ freeing.nextStart }}</template>
      </p>
    </section>
    <section v-if="!matters">
      <label for="handling-panel">It answers with</label>
      <Choice id="handling-panel" v-model="draft.panel" :options="choice(handling.panels)" />
    </section>
    <section v-for="way in ways" :key="way.act" class="way">
      <div>
        <label :for="`handling-${way.act}`">{{ way.label }}: key, or entries of its menu</label>
        <TextInput :id="`handling-${way.act}`" v-model="way.say" maxlength="300" />
      </div>
      <div class="seconds">
        <label :for="`handling-${way.act}-s`">held, s</label>
        <TextInput :id="`handling-${way.act}-s`" v-model="way.seconds" inputmode="numeric" placeholder="–" />
      </div>
    </section>
    <section v-if="about('SCREWS')">
      <b class="head">Screws, kind by kind</b>
      <div v-for="(kind, i) in draft.screws" :key="i" class="screws">
        <TextInput v-model="kind.which" maxlength="60" :aria-label="`Which screws, ${i + 1}`" />
        <TextInput v-model="kind.count" inputmode="numeric" :aria-label="`How many, ${i + 1}`" />
        <BButton variant="outline-secondary" :aria-label="`No ${kind.which}`" @click="draft.screws.splice(i, 1)"
          >×</BButton
        >
      </div>
      <BButton variant="link" size="sm" @click="draft.screws.push({ which: '', count: '' })">One more kind</BButton>
    </section>
    <section v-if="about('WASTE_LINES')">
      <label for="handling-lines">Waste lines</label>
      <Choice id="handling-lines" v-model="draft.wasteLines" :options="choice(handling.lines)" />
    </section>
    <section v-if="!matters">
      <b class="head">Paper goes in by its</b>
      <Tick
        v-for="t in handling.allTrays"
        :key="t.id"
        :model-value="draft.trays.includes(t.id)"
        @update:model-value="(on: boolean) => tray(t.id, on)"
        >{{ t.label }}</Tick
      >
    </section>
    <KitFields v-if="about('KIT')" v-model="draft.kit" :usual="handling.kits" :parts="handling.kitParts" />
    <div v-if="problem" class="act strong" role="alert">
      {{ problem.detail }}
      <div v-for="e in problem.errors ?? []" :key="e.detail">{{ e.detail }}</div>
    </div>
    <BButton type="submit" variant="primary" :disabled="busy">It is so on this machine</BButton>
  </form>
</template>

<style scoped>
.handling {
  display: grid;
  gap: 14px;
  max-width: 640px;
}

label,
.head {
  display: block;
  font-weight: 600;
  margin-bottom: 4px;
}

.acts {
  margin: 8px 0 4px;
  padding-left: 20px;
}

.way {
  display: grid;
  gap: 10px;
  grid-template-columns: 1fr 84px;
}

.screws {
  display: grid;
  gap: 8px;
  grid-template-columns: 1fr 72px 44px;
  margin-bottom: 8px;
}
</style>
