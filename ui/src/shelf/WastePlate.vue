<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, onMounted, reactive, ref } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import FieldProblem from '../shell/FieldProblem.vue'
import { useLive } from '../shell/live'
import { oneAtATime } from '../shell/oneAtATime'
import { useShop } from '../shell/shop'
import { bare, dateOf, typedVolume, volume, type VolumeUnit } from '../units/format'
import { numberOf } from '../units/typed'
import TextInput from '../shell/TextInput.vue'
import Choice from '../shell/Choice.vue'

/** Waste bottles with a name, and what went into them. Never down the sink. */
const props = defineProps<{ unit: VolumeUnit }>()

type Kind = Schemas['WasteJson']['kind']
const { settings } = useShop()
const bottles = ref<Schemas['Bottle'][]>([])
const adding = ref(false)
const problem = ref<Problem>()
const form = reactive({ name: '', kind: 'LIQUID' as Kind, capacity: '2000' })
const ways = ref<Schemas['WasteWaysJson']>()
const kinds = computed(() => (ways.value?.kinds ?? []).map((k) => ({ value: k.kind, text: k.label })))
const kindOf = (kind: Kind) => ways.value?.kinds.find((k) => k.kind === kind)
/** mL in the shop's unit, or grams of what is weighed. */
const amount = (kind: Kind, of: number) => (kindOf(kind)?.weighed ? `${bare(of)} g` : volume(of, props.unit))
const adds = reactive<Record<number, string>>({})

async function load() {
  const [all, how] = await Promise.all([api.GET('/api/shelf/waste'), api.GET('/api/shelf/waste/ways')])
  if (all.data) bottles.value = all.data
  if (how.data) ways.value = how.data
}
onMounted(load)
useLive(() => ['shelf', 'card/'], load)

const { run: add } = oneAtATime(async () => {
  const { data, error } = await api.POST('/api/shelf/waste', {
    body: {
      ...form,
      capacity: kindOf(form.kind)?.weighed
        ? numberOf(form.capacity)
        : Number(typedVolume(form.capacity, props.unit) ?? 0),
    },
  })
  problem.value = error ? problemOf(error) : undefined
  if (!data) return
  bottles.value = data
  adding.value = false
})
const { run: weighed } = oneAtATime(async (bottle: number) => {
  const { data, error } = await api.POST('/api/shelf/waste/{bottle}/solids', {
    params: { path: { bottle } },
    body: { grams: Math.round(numberOf(adds[bottle])) },
  })
  problem.value = error ? problemOf(error) : undefined
  if (!data) return
  bottles.value = data
  adds[bottle] = ''
})
const { run: rule } = oneAtATime(async (kind: Kind, words: string) => {
  const { data, error } = await api.PUT('/api/shelf/waste/rules/{kind}', {
    params: { path: { kind } },
    body: { words },
  })
  problem.value = error ? problemOf(error) : undefined
  if (data) ways.value = data
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
        <Choice id="waste-kind" v-model="form.kind" :options="kinds" />
      </div>
      <div>
        <label for="waste-capacity">Holds, {{ kindOf(form.kind)?.weighed ? 'g' : unit }}</label>
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
          <span class="quiet small">{{ kindOf(bottle.kind)?.label }}, since {{ dateOf(bottle.openedOn) }}</span>
          <span v-if="bottle.closedOn" class="quiet small"> · closed {{ dateOf(bottle.closedOn) }}</span>
        </span>
        <span>
          <b :class="{ act: bottle.holds > 0.85 * bottle.capacity }">{{ amount(bottle.kind, bottle.holds) }}</b> of
          {{ amount(bottle.kind, bottle.capacity) }}
          {{
            bottle.holds >= bottle.capacity
              ? '· full: put a new one in use before the next drop'
              : bottle.holds > 0.85 * bottle.capacity
                ? '· nearly full'
                : ''
          }}
        </span>
        <form
          v-if="kindOf(bottle.kind)?.weighed && !bottle.closedOn"
          class="weighed"
          @submit.prevent="weighed(bottle.id)"
        >
          <TextInput v-model="adds[bottle.id]" inputmode="decimal" :aria-label="`Grams into ${bottle.name}`" />
          <span>g</span>
          <BButton type="submit" size="sm" variant="outline-secondary" :disabled="!adds[bottle.id]">Put in</BButton>
        </form>
        <BButton
          v-if="bottle.holds > 0 || !bottle.closedOn"
          size="sm"
          variant="outline-secondary"
          @click="dispose(bottle.id)"
          >It left the house</BButton
        >
      </li>
    </ul>
    <p v-if="problem && !adding" class="act strong small" role="alert">{{ problem.detail }}</p>
    <template v-if="ways">
      <h2>What hands do with it, and what this place wants</h2>
      <div class="scroll-x" tabindex="0" role="region" aria-label="Kinds of waste">
        <table class="figures told">
          <thead>
            <tr>
              <th>Kind</th>
              <th>until it leaves</th>
              <th>here it goes to</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="k in ways.kinds" :key="k.kind">
              <td class="strong">{{ k.label }}</td>
              <td>{{ k.how }}</td>
              <td>
                <TextInput
                  :model-value="k.rule"
                  placeholder="as the rule above"
                  :aria-label="`Where ${k.label} goes here`"
                  @change="(e: Event) => rule(k.kind, (e.target as HTMLInputElement).value)"
                />
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <h2>Where drawn ink goes</h2>
      <div class="scroll-x" tabindex="0" role="region" aria-label="Where drawn ink goes">
        <table class="figures told">
          <thead>
            <tr>
              <th>What was drawn</th>
              <th>goes</th>
              <th>because</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in ways.reuse" :key="r.origin">
              <td>{{ r.origin }}</td>
              <td class="strong">{{ r.goes }}</td>
              <td class="small">{{ r.reason }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p class="small quiet">
        Whether clean ink is given back is a way of this shop: <RouterLink to="/shop/ways">Shop, Ways</RouterLink>.
      </p>
    </template>
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
  max-width: 900px;
}
.bottles li {
  border-top: 1.5px solid var(--line);
  padding: 8px 0;
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 14px;
}
.weighed {
  display: flex;
  gap: 6px;
  align-items: center;
}
.weighed input {
  width: 76px;
}
h2 {
  margin-top: 22px;
}
.title h2 {
  margin: 0;
}
li b + .quiet {
  margin-left: 8px;
}
.closed {
  color: var(--quiet);
}
</style>
