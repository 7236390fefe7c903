<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { api } from '../api/client'
import { useBench } from '../benches/useBench'
import LogList from './LogList.vue'
import LogParts from './LogParts.vue'
import { useSettled } from '../shell/settled'
import TextInput from '../shell/TextInput.vue'
import Choice from '../shell/Choice.vue'

const { bench } = useBench()
const machine = ref(0)
const kind = ref('')
const typed = ref('')
const words = useSettled(typed, 250)
const kinds = ref<string[]>([])

onMounted(async () => {
  const { data } = await api.GET('/api/log')
  kinds.value = data?.kinds ?? []
})
const machines = computed(() => [
  { value: 0, text: 'every machine' },
  ...(bench.value?.machines ?? []).map((m) => ({ value: m.id, text: m.name })),
])
</script>

<template>
  <div class="page">
    <header class="head">
      <h1>Log</h1>
      <Choice v-model="machine" :options="machines" aria-label="Machine" />
      <Choice
        v-model="kind"
        :options="[{ value: '', text: 'everything' }, ...kinds.map((k) => ({ value: k, text: k }))]"
        aria-label="Kind"
      />
      <TextInput v-model="typed" type="search" placeholder="Search the log" aria-label="Search the log" />
    </header>
    <LogParts />
    <LogList :machine="machine || undefined" :kind="kind" :words="words" />
  </div>
</template>

<style scoped>
.head {
  display: flex;
  gap: 12px;
  align-items: center;
  flex-wrap: wrap;
  margin-bottom: 16px;
}
.head h1 {
  margin-right: auto;
}
.head > :not(h1) {
  width: auto;
  min-width: 160px;
}
</style>
