<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, reactive, ref } from 'vue'
import type { Schemas } from '../api/client'

/** Each plug, vent and valve is set; then it is seen what flows. */
const props = defineProps<{ question: Schemas['DrillQuestionJson'] }>()
const emit = defineEmits<{ set: [right: boolean] }>()

const chosen = reactive<Record<string, string>>({})
const looked = ref(false)
const all = computed(() => props.question.ports.every((p) => chosen[p.label]))
const state = (p: Schemas['DrillPortJson']) => p.states.find((s) => s.words === chosen[p.label])
const right = computed(() => props.question.ports.every((p) => state(p)?.right))
const flows = computed(() => props.question.answers.find((a) => a.number === props.question.right)?.then)
function look() {
  looked.value = true
  emit('set', right.value)
}
</script>

<template>
  <div>
    <div v-for="p in question.ports" :key="p.label" class="port" role="radiogroup" :aria-label="p.label">
      <b>{{ p.label }}</b>
      <span class="states">
        <button
          v-for="s in p.states"
          :key="s.words"
          type="button"
          role="radio"
          class="chip"
          :class="{ on: chosen[p.label] === s.words }"
          :aria-checked="chosen[p.label] === s.words"
          :disabled="looked"
          @click="chosen[p.label] = s.words"
        >
          {{ s.words }}
        </button>
      </span>
      <p v-if="looked && !state(p)?.right" class="small then">
        <b class="act">{{ p.label }} {{ chosen[p.label] }}:</b> {{ state(p)?.then }} It must be
        {{ p.states.find((s) => s.right)?.words }}.
      </p>
    </div>
    <p v-if="looked && right" class="strong" role="status">{{ flows }}</p>
    <BButton v-if="!looked" variant="primary" size="lg" :disabled="!all" @click="look">See what flows</BButton>
  </div>
</template>

<style scoped>
.port {
  display: grid;
  grid-template-columns: minmax(110px, 190px) minmax(0, 1fr);
  gap: 6px 14px;
  align-items: center;
  border-top: 1.5px solid var(--line);
  padding: 8px 0;
}
.states {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.port:last-of-type {
  margin-bottom: 12px;
}
.then {
  grid-column: 2;
  margin: 0;
}
</style>
