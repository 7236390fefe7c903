<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, reactive, ref, watch } from 'vue'
import { api, problemOf, type Schemas } from '../api/client'
import CombEntry from '../benches/CombEntry.vue'
import { oneAtATime } from '../shell/oneAtATime'

/** A check, tapped here; a photo goes through Checks and files itself. */
const props = defineProps<{ machine: number; channels: readonly Schemas['CaseChannelJson'][] }>()
const emit = defineEmits<{ looked: [] }>()

const missing = reactive<Record<string, number[] | undefined>>({})
watch(
  () => props.machine,
  () => props.channels.forEach((c) => (missing[c.channel] = undefined)),
)
const problem = ref<string>()
const all = computed(() => props.channels.every((c) => missing[c.channel] !== undefined))
const { run, busy } = oneAtATime(async () => {
  const { error } = await api.POST('/api/machines/{machine}/checks', {
    params: { path: { machine: props.machine } },
    body: { missing: Object.fromEntries(props.channels.map((c) => [c.channel, missing[c.channel] ?? []])) },
  })
  problem.value = error ? problemOf(error).detail : undefined
  if (error) return
  props.channels.forEach((c) => (missing[c.channel] = undefined))
  emit('looked')
})
</script>

<template>
  <div class="look">
    <CombEntry
      v-for="c in channels"
      :key="c.channel"
      v-model="missing[c.channel]"
      :code="c.channel"
      :nozzles="c.strokes"
    />
    <p v-if="problem" class="act strong small" role="alert">{{ problem }}</p>
    <BButton variant="primary" size="lg" class="wide" :disabled="!all || busy" @click="run">Keep this check</BButton>
    <RouterLink class="btn btn-outline-secondary wide" :to="`/checks/${machine}`">Read it from a photo</RouterLink>
  </div>
</template>

<style scoped>
.look {
  display: grid;
  gap: 8px;
}
.wide {
  width: 100%;
}
</style>
