<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, onMounted, reactive, ref, shallowRef } from 'vue'
import { useRoute } from 'vue-router'
import { api, problemOf, type Schemas } from '../api/client'
import { oneAtATime } from '../shell/oneAtATime'
import DrillDrawing from './DrillDrawing.vue'
import PortSetter from './PortSetter.vue'

/** One question at a time; every answer says what happens then. */
const route = useRoute()
const drill = shallowRef<Schemas['DrillJson']>()
const score = shallowRef<Schemas['ScoreJson']>()
const problem = ref<string>()
const at = ref(0)
const given = reactive<Record<string, number>>({})
const name = route.params.drill as Schemas['DrillJson']['drill']
onMounted(async () => {
  const { data, error } = await api.GET('/api/practice/drills/{drill}', { params: { path: { drill: name } } })
  problem.value = error ? problemOf(error).detail : undefined
  if (data) drill.value = data
})
const question = computed(() => drill.value?.questions[at.value])
/** Along the path, where there is one; as they come otherwise. */
const inOrder = computed(() => [...(question.value?.answers ?? [])].sort((a, b) => a.place - b.place))
const answered = computed(() => (question.value ? given[question.value.id] : undefined))
const { run: finish, busy } = oneAtATime(async () => {
  const { data, error } = await api.POST('/api/practice/drills/{drill}', {
    params: { path: { drill: name } },
    body: { answers: given },
  })
  problem.value = error ? problemOf(error).detail : undefined
  if (data) score.value = data
})
</script>

<template>
  <div class="page narrow">
    <RouterLink to="/practice" class="small">Practice</RouterLink>
    <p v-if="problem" class="notice" role="alert">{{ problem }}</p>
    <section v-if="score" class="plate block">
      <h1>{{ score.right }} of {{ drill?.questions.length }} right</h1>
      <p class="quiet">{{ score.score >= 90 ? 'That is good enough for the bench.' : 'Once more, and it sticks.' }}</p>
      <RouterLink class="btn btn-primary btn-lg" to="/practice">Done</RouterLink>
    </section>
    <template v-else-if="drill && question">
      <p class="quiet">{{ drill.label }}, {{ at + 1 }} of {{ drill.questions.length }}</p>
      <section class="plate block">
        <div
          v-if="question.swatch"
          class="swatch"
          :style="{ background: `#${question.swatch}` }"
          role="img"
          aria-label="The colour on the page"
        ></div>
        <DrillDrawing v-if="question.drawing" :drawing="question.drawing" />
        <h1 class="ask">{{ question.ask }}</h1>
        <PortSetter
          v-if="question.ports.length"
          :key="question.id"
          :question="question"
          @set="(right) => (given[question!.id] = right ? question!.right : 1 - question!.right)"
        />
        <div v-else class="answers" :class="{ path: drill.drill === 'PATH' }">
          <div v-for="a in inOrder" :key="a.number">
            <button
              type="button"
              class="answer"
              :class="{ chosen: answered === a.number, right: answered !== undefined && a.number === question.right }"
              :disabled="answered !== undefined"
              @click="given[question.id] = a.number"
            >
              {{ a.words }}
              <b v-if="answered !== undefined && a.number === question.right" class="small">right</b>
              <b v-else-if="answered === a.number" class="small act">not this</b>
            </button>
            <p
              v-if="answered === a.number || (answered !== undefined && a.number === question.right)"
              class="small then"
            >
              {{ a.then }}
            </p>
          </div>
        </div>
        <BButton
          v-if="answered !== undefined"
          variant="primary"
          size="lg"
          :disabled="busy"
          @click="at + 1 < drill.questions.length ? at++ : finish()"
          >{{ at + 1 < drill.questions.length ? 'Next' : 'How many were right?' }}</BButton
        >
      </section>
    </template>
    <p v-else-if="!problem" class="quiet">Shuffling …</p>
  </div>
</template>

<style scoped>
.narrow {
  max-width: 780px;
}
.block {
  padding: 20px 22px;
  margin-top: 12px;
}
.ask {
  font-size: 1.35rem;
  margin-bottom: 14px;
}
.swatch {
  height: 90px;
  border-radius: 10px;
  margin-bottom: 14px;
  box-shadow: inset 0 0 0 1.5px var(--line);
}
.answer {
  width: 100%;
  min-height: 56px;
  display: flex;
  justify-content: space-between;
  gap: 12px;
  align-items: center;
  text-align: left;
  border: 1.5px solid var(--rim-soft);
  border-radius: 10px;
  background: var(--ground);
  color: var(--text);
  padding: 8px 14px;
  margin-bottom: 8px;
}
.answer.chosen {
  border-width: 2.5px;
}
.answer.right {
  border-color: var(--rim);
  background: var(--wash);
}
.path {
  border-left: 4px solid var(--rim-soft);
  padding-left: 14px;
  margin-bottom: 12px;
}
.path .answer {
  min-height: 46px;
}
.then {
  margin: -2px 0 12px 14px;
}
</style>
