<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { onMounted, reactive, ref } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import FieldProblem from '../shell/FieldProblem.vue'
import { useLive } from '../shell/live'
import { oneAtATime } from '../shell/oneAtATime'
import { useShop } from '../shell/shop'
import { dateOf, typedVolume, volume, type VolumeUnit } from '../units/format'
import TextInput from '../shell/TextInput.vue'
import Choice from '../shell/Choice.vue'

/** Waste bottles with a name, and what went into them. Never down the sink. */
const props = defineProps<{ unit: VolumeUnit }>()

type Kind = Schemas['WasteJson']['kind']
const { settings } = useShop()
const bottles = ref<Schemas['Bottle'][]>([])
const adding = ref(false)
const problem = ref<Problem>()
const form = reactive({ name: '', kind: 'ink and fluid' as Kind, capacity: '2000' })

async function load() {
  const { data } = await api.GET('/api/shelf/waste')
  if (data) bottles.value = data
}
onMounted(load)
useLive(() => ['shelf', 'card/'], load)

const { run: add } = oneAtATime(async () => {
  const { data, error } = await api.POST('/api/shelf/waste', {
    body: { ...form, capacity: Number(typedVolume(form.capacity, props.unit) ?? 0) },
  })
  problem.value = error ? problemOf(error) : undefined
  if (!data) return
  bottles.value = data
  adding.value = false
})
const { run: dispose } = oneAtATime(async (bottle: number) => {
  const { data } = await api.POST('/api/shelf/waste/{bottle}/disposed', { params: { path: { bottle } } })
  if (data) bottles.value = data
})
</script>

<template>
  <section>
    <div class="title">
      <h2>Waste</h2>
      <BButton variant="outline-secondary" @click="adding = !adding">{{ adding ? 'Not now' : 'A new bottle' }}</BButton>
    </div>
    <p class="small quiet">{{ settings?.wasteRule }}</p>
    <form v-if="adding" class="thin new" novalidate @submit.prevent="add">
      <div>
        <label for="waste-name">Name on its label</label>
        <TextInput id="waste-name" v-model="form.name" placeholder="Window bench, winter" />
        <FieldProblem :problem="problem" field="name" />
      </div>
      <div>
        <label for="waste-kind">For</label>
        <Choice id="waste-kind" v-model="form.kind" :options="['ink and fluid', 'powder and film']" />
      </div>
      <div>
        <label for="waste-capacity">Holds, {{ unit }}</label>
        <TextInput id="waste-capacity" v-model="form.capacity" inputmode="decimal" />
        <FieldProblem :problem="problem" field="capacity" />
      </div>
      <BButton type="submit" variant="primary">In use from now on</BButton>
    </form>
    <p v-if="!bottles.length && !adding" class="quiet">
      No waste bottle has a name yet. Name one, and every pull and rinse adds to it.
    </p>
    <ul v-else class="bottles">
      <li v-for="bottle in bottles" :key="bottle.id" :class="{ closed: bottle.closedOn }">
        <span>
          <b>{{ bottle.name }}</b>
          <span class="quiet small">{{ bottle.kind }}, since {{ dateOf(bottle.openedOn) }}</span>
          <span v-if="bottle.closedOn" class="quiet small"> · closed {{ dateOf(bottle.closedOn) }}</span>
        </span>
        <span>
          <b :class="{ act: bottle.holds > 0.85 * bottle.capacity }">{{ volume(bottle.holds, unit) }}</b> of
          {{ volume(bottle.capacity, unit) }}
          {{ bottle.holds > 0.85 * bottle.capacity ? '· nearly full' : '' }}
        </span>
        <BButton
          v-if="bottle.holds > 0 || !bottle.closedOn"
          size="sm"
          variant="outline-secondary"
          @click="dispose(bottle.id)"
          >It left the house</BButton
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
.title {
  display: flex;
  gap: 16px;
  align-items: center;
}
.new {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
  gap: 14px;
  padding: 16px;
  align-items: end;
}
.bottles {
  list-style: none;
  margin: 0;
  padding: 0;
  max-width: 760px;
}
.bottles li {
  border-top: 1.5px solid var(--line);
  padding: 8px 0;
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 14px;
}
.closed {
  color: var(--quiet);
}
</style>
