<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { reactive, ref, shallowRef, watch } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import FieldProblem from '../shell/FieldProblem.vue'
import { oneAtATime } from '../shell/oneAtATime'
import { day } from '../units/format'
import TextInput from '../shell/TextInput.vue'
import Choice from '../shell/Choice.vue'

/** What is broken or missing: told again at the step that meets it. */
const props = defineProps<{ machine: number; zone: string }>()

const passport = shallowRef<Schemas['PassportJson']>()
const problem = ref<Problem>()
const adding = ref(false)
const defect = reactive({ concerns: 'COVERS' as Schemas['NewDefect']['concerns'], words: '', effect: '' })
const path = () => ({ machine: props.machine })

function take({ data, error }: { data?: Schemas['PassportJson']; error?: unknown }) {
  problem.value = error ? problemOf(error) : undefined
  if (data) {
    passport.value = data
    adding.value = false
  }
}
watch(
  () => props.machine,
  async () => take(await api.GET('/api/machines/{machine}/passport', { params: { path: path() } })),
  { immediate: true },
)
const { run: keep, busy } = oneAtATime(async () => {
  take(
    await api.POST('/api/machines/{machine}/defects', {
      params: { path: path() },
      body: { ...defect },
    }),
  )
  if (!problem.value) defect.words = defect.effect = ''
})
const { run: mended } = oneAtATime(async (id: number) =>
  take(
    await api.POST('/api/machines/{machine}/defects/{defect}/mended', { params: { path: { ...path(), defect: id } } }),
  ),
)
</script>

<template>
  <section v-if="passport" id="defects">
    <div class="title">
      <h2>Broken or missing</h2>
      <BButton v-if="!adding" size="sm" variant="outline-secondary" @click="adding = true">Something is</BButton>
    </div>
    <form v-if="adding" class="thin block" novalidate @submit.prevent="keep">
      <label for="defect-words">What?</label>
      <TextInput id="defect-words" v-model="defect.words" placeholder="left clip of the rear cover" />
      <FieldProblem :problem="problem" field="words" />
      <label for="defect-effect">What follows from it?</label>
      <TextInput id="defect-effect" v-model="defect.effect" placeholder="press it home at the right" />
      <label for="defect-concerns">Told at steps about</label>
      <Choice
        id="defect-concerns"
        v-model="defect.concerns"
        :options="passport.concerns.map((c) => ({ value: c.id, text: c.label }))"
      />
      <div class="mt-2">
        <BButton type="submit" variant="outline-secondary" :disabled="busy">Remember it</BButton>
        <BButton variant="link" @click="adding = false">Not now</BButton>
      </div>
    </form>
    <ul v-if="passport.defects.length" class="lines">
      <li v-for="d in passport.defects" :key="d.id">
        <span
          >{{ d.words }}
          <span class="quiet small when"
            >{{ d.effect }} Told at steps about {{ d.concerns }}; since {{ day(d.at, zone) }}.</span
          ></span
        >
        <BButton size="sm" variant="outline-secondary" @click="mended(d.id)">Mended</BButton>
      </li>
    </ul>
    <p v-else class="quiet small">Nothing that anybody knows of.</p>
  </section>
</template>

<style scoped>
section {
  margin-bottom: 22px;
}
.title {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
}
.block {
  padding: 12px 16px;
  margin: 10px 0;
}
.when {
  display: block;
}
</style>
