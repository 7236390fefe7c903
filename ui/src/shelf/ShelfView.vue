<script setup lang="ts">
import { BButton, BModal } from 'bootstrap-vue-next'
import { computed, onMounted, reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import FieldProblem from '../shell/FieldProblem.vue'
import { useLive } from '../shell/live'
import { oneAtATime } from '../shell/oneAtATime'
import { useShop } from '../shell/shop'
import { FAMILIES, familyName, type Family } from '../units/families'
import { dateOf, typedVolume, volume } from '../units/format'
import { BOTTLE_KINDS } from './bottleKinds'
import ShelfParts from './ShelfParts.vue'
import { moneyOf } from '../units/typed'
import DateInput from '../shell/DateInput.vue'
import TextInput from '../shell/TextInput.vue'
import Choice from '../shell/Choice.vue'
import Tick from '../shell/Tick.vue'

const CODES = ['K', 'C', 'M', 'Y', 'LC', 'LM', 'GY', 'PK', 'W1', 'W2', 'W3', 'W4']
const router = useRouter()
const { settings } = useShop()
const currency = computed(() => settings.value?.currency ?? 'GBP')
const unit = computed(() => settings.value?.volumeUnit as 'mL' | 'fl oz' | undefined)
const lots = ref<Schemas['Lot'][]>()
const search = ref('')
type Kind = NonNullable<Schemas['Lot']['kind']>
const KINDS: { value: Kind | ''; text: string }[] = [{ value: '', text: 'not said' }, ...BOTTLE_KINDS]
const adding = ref(false)
const problem = ref<Problem>()
const form = reactive({
  family: 'SUBLIMATION' as Family,
  channel: 'K',
  make: 'own',
  code: '',
  volume: '100',
  price: '12.00',
  foodGrade: false,
  bestBefore: '',
  kind: '' as Kind | '',
})

async function load() {
  const { data } = await api.GET('/api/shelf/lots')
  if (data) lots.value = data
}
onMounted(load)
useLive(() => ['shelf', 'card/'], load)

const shown = computed(() =>
  (lots.value ?? []).filter((l) =>
    `${familyName(l.family)} ${l.channel ?? 'fluid'} ${l.make} ${l.code}`
      .toLowerCase()
      .includes(search.value.trim().toLowerCase()),
  ),
)

const spoiling = ref<Schemas['Lot']>()
const why = ref('')
const { run: spoil } = oneAtATime(async () => {
  const { data, error } = await api.POST('/api/shelf/lots/{lot}/spoiled', {
    params: { path: { lot: spoiling.value?.id ?? 0 } },
    body: { reason: why.value },
  })
  problem.value = error ? problemOf(error) : undefined
  if (!data) return
  lots.value = data
  const id = spoiling.value?.id
  spoiling.value = undefined
  why.value = ''
  await router.push(`/shelf/bottles/${id}`) // where all that it reached is said
})

const { run: add } = oneAtATime(async () => {
  const mL = typedVolume(form.volume, unit.value)
  const { data, error } = await api.POST('/api/shelf/lots', {
    body: {
      family: form.family,
      channel: form.channel === 'fluid' ? undefined : form.channel,
      make: form.make,
      code: form.code,
      volume: Number(mL ?? 0),
      price: moneyOf(form.price, currency.value),
      foodGrade: form.foodGrade,
      bestBefore: form.bestBefore || undefined,
      kind: form.kind || undefined,
    },
  })
  if (error) {
    problem.value = problemOf(error)
    return
  }
  problem.value = undefined
  form.code = ''
  lots.value = data
  adding.value = false
})
</script>

<template>
  <div class="page">
    <header class="head">
      <h1>Shelf</h1>
      <TextInput
        v-model="search"
        class="search"
        type="search"
        placeholder="Search bottles"
        aria-label="Search bottles"
      />
      <BButton :variant="adding ? 'outline-secondary' : 'primary'" @click="adding = !adding">{{
        adding ? 'Not now' : 'A bottle came'
      }}</BButton>
    </header>
    <ShelfParts />
    <form v-if="adding" class="thin new-lot" novalidate @submit.prevent="add">
      <div>
        <label for="lot-family">Family</label>
        <Choice id="lot-family" v-model="form.family" :options="FAMILIES" />
      </div>
      <div>
        <label for="lot-channel">Channel</label>
        <Choice
          id="lot-channel"
          v-model="form.channel"
          :options="[...CODES.map((c) => ({ value: c, text: c })), { value: 'fluid', text: 'cleaning fluid' }]"
        />
      </div>
      <div>
        <label for="lot-make">Whose</label>
        <TextInput id="lot-make" v-model="form.make" />
        <FieldProblem :problem="problem" field="make" />
      </div>
      <div>
        <label for="lot-code">Code on the bottle</label>
        <TextInput id="lot-code" v-model="form.code" />
        <FieldProblem :problem="problem" field="code" />
      </div>
      <div>
        <label for="lot-volume">Volume, {{ unit ?? 'mL' }}</label>
        <TextInput id="lot-volume" v-model="form.volume" inputmode="decimal" />
        <FieldProblem :problem="problem" field="volume" />
      </div>
      <div>
        <label for="lot-price">Price, {{ settings?.currency }}</label>
        <TextInput id="lot-price" v-model="form.price" inputmode="decimal" />
        <FieldProblem :problem="problem" field="price" />
      </div>
      <div>
        <label for="lot-best">Best before</label>
        <DateInput id="lot-best" v-model="form.bestBefore" />
        <FieldProblem :problem="problem" field="bestBefore" />
      </div>
      <div>
        <label for="lot-kind">How it opens</label>
        <Choice id="lot-kind" v-model="form.kind" :options="KINDS" />
      </div>
      <Tick v-model="form.foodGrade">food grade</Tick>
      <div class="send">
        <BButton type="submit" variant="primary">Onto the shelf</BButton>
        <span v-if="problem && !problem.errors?.length" class="act strong" role="alert">{{ problem.detail }}</span>
      </div>
    </form>
    <p v-if="!lots" class="quiet loading">Looking along the shelf …</p>
    <p v-else-if="!lots.length" class="quiet">
      The shelf is empty. Enter the bottles you have, and plans will count on them.
    </p>
    <div v-else class="scroll-x" tabindex="0" role="region" aria-label="Bottles">
      <table class="figures cards">
        <thead>
          <tr>
            <th>bottle</th>
            <th>code</th>
            <th>left</th>
            <th>reserved</th>
            <th>opened</th>
            <th>best before</th>
            <th></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="lot in shown" :key="lot.id">
            <td>
              <b>{{ lot.channel ?? 'fluid' }}</b> {{ familyName(lot.family) }}, {{ lot.make
              }}<template v-if="lot.foodGrade">, food grade</template>
              <span v-if="lot.spoiled" class="act strong">marked bad: {{ lot.spoiled }}</span>
            </td>
            <td data-th="code">
              <RouterLink :to="`/shelf/bottles/${lot.id}`">{{ lot.code }}</RouterLink>
            </td>
            <td data-th="left">
              <b>{{ volume(lot.left, unit) }}</b> <span class="quiet small">of {{ volume(lot.volume, unit) }}</span>
            </td>
            <td data-th="reserved" :class="{ none: !(lot.reserved > 0) }">
              {{ lot.reserved > 0 ? volume(lot.reserved, unit) : '–' }}
            </td>
            <td data-th="opened" :class="{ none: !lot.openedOn }">
              {{ lot.openedOn ? dateOf(lot.openedOn) : 'closed' }}
            </td>
            <td data-th="best before" :class="{ none: !lot.bestBefore }">
              {{ lot.bestBefore ? dateOf(lot.bestBefore) : '–' }}
            </td>
            <td>
              <BButton
                v-if="!lot.spoiled"
                size="sm"
                variant="link"
                :aria-label="`Mark it bad: ${lot.code}`"
                @click="spoiling = lot"
                >Mark it bad</BButton
              >
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="!shown.length" class="quiet">No bottle matches “{{ search }}”.</p>
    </div>
    <BModal
      :model-value="spoiling !== undefined"
      title="What is wrong with it?"
      no-footer
      centered
      @hidden="spoiling = undefined"
    >
      <form novalidate @submit.prevent="spoil">
        <p>Nothing is filled from {{ spoiling?.code }} any more, on any machine.</p>
        <TextInput v-model="why" size="lg" aria-label="What is wrong with it?" placeholder="threads on the needle" />
        <p v-if="problem" class="act strong mt-2" role="alert">{{ problem.detail }}</p>
        <BButton type="submit" variant="primary" class="mt-3">Mark it bad</BButton>
      </form>
    </BModal>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  gap: 16px;
  align-items: center;
  margin-bottom: 16px;
  flex-wrap: wrap;
}
.search {
  max-width: 260px;
  margin-left: auto;
}
.new-lot {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: 14px;
  padding: 18px;
  margin-bottom: 20px;
  align-items: end;
}
.send {
  grid-column: 1 / -1;
  display: flex;
  gap: 16px;
  align-items: center;
}
</style>
