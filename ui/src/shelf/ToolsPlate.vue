<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, onMounted, reactive, ref } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import Choice from '../shell/Choice.vue'
import FieldProblem from '../shell/FieldProblem.vue'
import { useLive } from '../shell/live'
import { oneAtATime } from '../shell/oneAtATime'
import { useShop } from '../shell/shop'
import TextInput from '../shell/TextInput.vue'
import { day } from '../units/format'
import { numberOf } from '../units/typed'

/** Tools that meet ink: one that met a colour is not offered for another, nor a food one elsewhere. */
const KINDS: { value: Schemas['ToolJson']['kind']; text: string }[] = [
  { value: 'SYRINGE', text: 'syringe' },
  { value: 'NEEDLE', text: 'needle or adapter' },
  { value: 'BOTTLE_TOP', text: 'bottle top' },
  { value: 'FUNNEL', text: 'funnel' },
  { value: 'TRAY', text: 'tray or cup' },
]
const { settings } = useShop()
const zone = computed(() => settings.value?.zone ?? 'UTC')
const tools = ref<Schemas['ToolJson'][]>()
const problem = ref<Problem>()
const adding = ref(false)
const form = reactive({ kind: 'SYRINGE' as Schemas['ToolJson']['kind'], label: '', count: '6' })
/** A few on a phone; the rest when somebody goes on. */
const FIRST = window.matchMedia('(max-width: 700px)').matches ? 6 : 24
const all = ref(false)
const shown = computed(() =>
  [...(tools.value ?? [])].sort((a, b) => Number(a.rinsed) - Number(b.rinsed)).slice(0, all.value ? undefined : FIRST),
)
const dirty = computed(() => (tools.value ?? []).filter((t) => !t.rinsed))

async function load() {
  const { data } = await api.GET('/api/tools')
  if (data) tools.value = data
}
onMounted(load)
useLive(() => ['shelf'], load)

function settle({ data, error }: { data?: Schemas['ToolJson'][]; error?: unknown }) {
  problem.value = error ? problemOf(error) : undefined
  if (data) tools.value = data
}
const { run: rinsed, busy } = oneAtATime(async (ids: number[]) =>
  settle(await api.POST('/api/tools/rinsed', { body: { tools: ids } })),
)
const { run: gone } = oneAtATime(async (tool: number) =>
  settle(await api.POST('/api/tools/{tool}/gone', { params: { path: { tool } } })),
)
const { run: add } = oneAtATime(async () => {
  settle(await api.POST('/api/tools', { body: { ...form, count: Math.round(numberOf(form.count)) } }))
  adding.value = Boolean(problem.value)
})
</script>

<template>
  <section>
    <h2>Syringes, and what they met</h2>
    <p class="quiet small">
      What met one colour never meets another, and a food one never meets other ink: a rinse leaves some. Cards offer
      only those that may.
    </p>
    <p v-if="problem && !adding" class="act strong" role="alert">{{ problem.detail }}</p>
    <div class="does">
      <BButton v-if="dirty.length" variant="outline-secondary" :disabled="busy" @click="rinsed(dirty.map((t) => t.id))"
        >All {{ dirty.length }} are rinsed</BButton
      >
      <BButton variant="outline-secondary" :aria-expanded="adding" @click="adding = !adding">Add tools</BButton>
    </div>
    <form v-if="adding" class="adding" @submit.prevent="add">
      <label>Kind <Choice v-model="form.kind" :options="KINDS" /></label>
      <label>Name <TextInput v-model="form.label" placeholder="or a number of its own" /></label>
      <label>How many <TextInput v-model="form.count" inputmode="numeric" /></label>
      <BButton type="submit" variant="primary">Add</BButton>
      <FieldProblem :problem="problem" field="count" />
    </form>
    <p v-if="tools && !tools.length" class="quiet">
      None is kept yet. Those that a card takes come in here by themselves, each with its number.
    </p>
    <table v-else class="figures told cards">
      <thead>
        <tr>
          <th>Tool</th>
          <th>met</th>
          <th>now</th>
          <th>since</th>
          <th></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="tool in shown" :key="tool.id">
          <td>{{ tool.label }}</td>
          <td data-th="met">{{ tool.met ?? 'no ink yet' }}{{ tool.met && tool.food ? ', food only' : '' }}</td>
          <td :class="{ act: !tool.rinsed, strong: !tool.rinsed }">
            {{ !tool.met ? 'unused' : tool.rinsed ? 'rinsed' : 'to rinse' }}
          </td>
          <td data-th="since">{{ day(tool.since, zone) }}</td>
          <td class="acts">
            <BButton
              v-if="!tool.rinsed"
              variant="outline-secondary"
              size="sm"
              :aria-label="`${tool.label} is rinsed`"
              @click="rinsed([tool.id])"
              >Rinsed</BButton
            >
            <BButton variant="link" size="sm" :aria-label="`${tool.label} is kept no more`" @click="gone(tool.id)"
              >Broken or gone</BButton
            >
          </td>
        </tr>
      </tbody>
    </table>
    <BButton v-if="(tools?.length ?? 0) > shown.length" variant="outline-secondary" @click="all = true"
      >All {{ tools?.length }}</BButton
    >
  </section>
</template>

<style scoped>
.does,
.adding {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: end;
  margin-bottom: 12px;
}
.acts {
  white-space: nowrap;
}
</style>
