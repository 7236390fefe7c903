<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import { oneAtATime } from '../shell/oneAtATime'
import { useShop } from '../shell/shop'
import { percent } from '../units/format'
import OrderForm from './OrderForm.vue'
import RankedMachines from './RankedMachines.vue'
import SheetDrawing from './SheetDrawing.vue'
import { emptyOrder, sent, typedOf } from './order'
import { useJobWords } from './useJob'

/** A job is written down, or changed: whether it can be done, how it lies and who could print it are told meanwhile. */
const route = useRoute()
const router = useRouter()
const { settings } = useShop()
const zone = computed(() => settings.value?.zone ?? 'UTC')
const currency = computed(() => settings.value?.currency ?? 'GBP')
const words = useJobWords()
const changed = computed(() => Number(route.params.id) || 0)
const order = ref(emptyOrder())
const ready = ref(!changed.value)
const draft = ref<Schemas['DraftJson']>()
const problem = ref<Problem>()
if (changed.value) {
  void api.GET('/api/jobs/{job}', { params: { path: { job: changed.value } } }).then(({ data, error }) => {
    if (data) order.value = typedOf(data.order, zone.value)
    problem.value = error ? problemOf(error) : undefined
    ready.value = true
  })
}
/** What changes how it lies or who can print it; names do not. */
const matters = computed(() => {
  const o = sent(order.value, zone.value)
  return JSON.stringify([o.ink, o.substrate, o.dark, o.photo, o.media, o.gap, o.due, o.pieces])
})
watch(
  matters,
  async (_now, _before, onCleanup) => {
    let outdated = false
    onCleanup(() => (outdated = true))
    const body = sent(order.value, zone.value)
    if (!body.pieces.length || body.pieces.some((p) => !(p.width > 0 && p.height > 0 && p.count > 0))) return
    const inAWeek = new Date(Date.now() + 7 * 86_400_000).toISOString()
    const { data } = await api.POST('/api/jobs/draft', {
      body: { ...body, customer: body.customer || '-', what: body.what || '-', due: body.due || inAWeek },
    })
    if (!outdated && data) draft.value = data
  },
  { immediate: true },
)
const { run: take, busy } = oneAtATime(async () => {
  const body = sent(order.value, zone.value)
  const { data, error } = changed.value
    ? await api.PUT('/api/jobs/{job}', { params: { path: { job: changed.value } }, body })
    : await api.POST('/api/jobs', { body })
  problem.value = error ? problemOf(error) : undefined
  if (data) await router.push(`/jobs/${data.id}`)
})
</script>

<template>
  <div class="page">
    <h1>{{ changed ? `Change job no. ${changed}` : 'A new job' }}</h1>
    <p v-if="!words || !ready" class="quiet">Laying out the order book …</p>
    <form v-else class="halves" novalidate @submit.prevent="take">
      <OrderForm v-model="order" :words="words" :problem="problem" :currency="currency" />
      <aside class="told">
        <template v-if="draft">
          <p v-if="!draft.gate.may" class="notice" role="alert">
            <span><b>Not on this.</b> {{ draft.gate.says }}</span>
          </p>
          <p v-else-if="draft.gate.says" class="small">{{ draft.gate.says }}</p>
          <p v-if="draft.trouble" class="notice" role="alert">{{ draft.trouble }}</p>
          <template v-if="draft.laidOut">
            <h2>
              {{
                draft.laidOut.film
                  ? `${Math.round(draft.laidOut.film.printed / 100)} cm of film`
                  : draft.laidOut.sheets === 1
                    ? 'One sheet'
                    : `${draft.laidOut.sheets} sheets`
              }}, {{ percent(Math.round(draft.laidOut.free * 100) / 100) }} free
            </h2>
            <p v-if="draft.laidOut.film" class="small">{{ draft.laidOut.film.words }}</p>
            <SheetDrawing :laid-out="draft.laidOut" :pieces="sent(order, zone).pieces" />
            <h2>Who could print it</h2>
            <RankedMachines :machines="draft.machines.slice(0, 4)" :zone="zone" told />
          </template>
        </template>
        <p v-if="problem && !problem.errors?.length" class="notice" role="alert">{{ problem.detail }}</p>
        <BButton type="submit" variant="primary" size="lg" :disabled="busy">{{
          changed ? 'Change it' : draft && !draft.gate.may ? 'Write down that it was refused' : 'Take the job'
        }}</BButton>
      </aside>
    </form>
  </div>
</template>

<style scoped>
.told {
  display: grid;
  gap: 10px;
  align-content: start;
}
.told h2 {
  margin: 6px 0 0;
}
.told > .btn {
  justify-self: start;
}
@media (min-width: 901px) {
  .told {
    position: sticky;
    top: 12px;
  }
}
</style>
