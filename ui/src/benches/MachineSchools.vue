<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import { useShop } from '../shell/shop'
import Choice from '../shell/Choice.vue'

/** Questions that are answered otherwise for this machine than in the shop. */
const props = defineProps<{ machine: Schemas['MachineJson'] }>()
const emit = defineEmits<{ saved: [machine: Schemas['MachineJson']] }>()

const { shop } = useShop()
const problem = ref<Problem>()
const own = computed(() => props.machine.schools as Record<string, string>)
const shops = computed(() => (shop.value?.settings.schools ?? {}) as Record<string, string>)
const asked = computed(() =>
  (shop.value?.schools ?? []).map((school) => {
    const standard = school.positions.find((p) => p.id === shops.value[school.school]) ?? school.positions[0]
    return {
      ...school,
      options: [
        { value: '', text: `as the shop: ${standard?.label ?? ''}` },
        ...school.positions.map((p) => ({ value: p.id, text: p.label })),
      ],
    }
  }),
)

async function follow(school: string, id: string) {
  const schools = { ...own.value }
  if (id) schools[school] = id
  else delete schools[school]
  const { data, error } = await api.PUT('/api/machines/{machine}/schools', {
    params: { path: { machine: props.machine.plate.id }, header: { 'If-Match': props.machine.version } },
    body: { schools: schools as Schemas['SchoolsJson']['schools'] },
  })
  problem.value = error ? problemOf(error) : undefined
  if (data) emit('saved', data)
}
</script>

<template>
  <details>
    <summary>
      <h2>How we do it here</h2>
      <span class="small quiet">{{
        Object.keys(own).length ? `${Object.keys(own).length} otherwise than the shop` : 'as the shop does'
      }}</span>
    </summary>
    <p v-if="problem" class="act strong small" role="alert">{{ problem.detail }}</p>
    <div v-for="school in asked" :key="school.school" class="school">
      <label :for="`school-${school.school}`" class="small">{{ school.question }}</label>
      <Choice
        :id="`school-${school.school}`"
        :model-value="own[school.school] ?? ''"
        :options="school.options"
        @update:model-value="(v) => follow(school.school, String(v ?? ''))"
      />
    </div>
  </details>
</template>

<style scoped>
details {
  margin-bottom: 22px;
}
summary {
  display: flex;
  gap: 14px;
  align-items: baseline;
  cursor: pointer;
  min-height: 44px;
}
.school {
  margin-bottom: 10px;
}
</style>
