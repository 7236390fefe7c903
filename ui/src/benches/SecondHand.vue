<script setup lang="ts">
import { onMounted, reactive, ref, watch } from 'vue'
import { api, type Schemas } from '../api/client'

/** A used machine, looked at before money changes hands. Its words go into the machine's notes. */
const emit = defineEmits<{ verdict: [words: string] }>()

const looks = ref<Schemas['LookJson'][]>([])
const seen = reactive<Record<string, boolean>>({})
const verdict = ref<Schemas['Verdict']>()
const WORDS = { GO: 'Go.', GO_WITH_NOTES: 'Go, with these in mind:', NO_GO: 'Leave it.' }

onMounted(async () => {
  looks.value = (await api.GET('/api/reckoning/second-hand')).data ?? []
  for (const look of looks.value) seen[look.id] = look.id !== 'INK'
})
let asked = 0
watch(seen, async () => {
  const mine = ++asked
  const { data } = await api.POST('/api/reckoning/second-hand', { body: { ...seen } })
  if (mine !== asked) return // a slow answer must not overwrite the next
  verdict.value = data
  if (data) emit('verdict', data.notes.length ? `Second-hand. ${data.notes.join(' ')}` : 'Second-hand, all looked at.')
})
</script>

<template>
  <div class="thin look">
    <p class="strong">Second-hand? Look before you pay. Take away what is not so:</p>
    <ul>
      <li v-for="look in looks" :key="look.id">
        <label><input v-model="seen[look.id]" type="checkbox" /> {{ look.label }}</label>
      </li>
    </ul>
    <div v-if="verdict" role="status" :class="{ notice: verdict.decision === 'NO_GO' }">
      <div>
        <b>{{ WORDS[verdict.decision] }}</b>
        <div v-for="note in verdict.notes" :key="note" class="small">{{ note }}</div>
      </div>
    </div>
  </div>
</template>

<style scoped>
.look {
  padding: 12px 16px;
  margin-top: 14px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0 0 8px;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(290px, 1fr));
}
label {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 44px;
}
input {
  width: 22px;
  height: 22px;
  flex: none;
  accent-color: var(--rim);
}
</style>
