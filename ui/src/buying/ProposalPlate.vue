<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { api, type Schemas } from '../api/client'
import { useServer } from '../api/useServer'
import Choice from '../shell/Choice.vue'
import { money, type VolumeUnit } from '../units/format'
import { amountOf } from './useBuying'

/** The cheapest way to have what is wanted, an order for each supplier. */
const props = defineProps<{ currency: string; unit: VolumeUnit; busy: boolean }>()
const emit = defineEmits<{
  order: [proposed: Schemas['ProposedJson']]
  /** There is something to see, be it only why there is nothing. */
  arrived: []
}>()
const within = ref(14)
const cover = ref(56)
const { data: proposal, problem } = useServer(
  () => ['proposal', within.value, cover.value],
  () => api.GET('/api/buying/proposal', { params: { query: { within: within.value, cover: cover.value } } }),
  () => ['shelf', 'machine/'],
)
watch(
  [proposal, problem],
  ([found, why]) => {
    if (found || why) emit('arrived')
  },
  { immediate: true },
)
const cost = (minor: number) => money({ minor, currency: props.currency })
const over = computed(() =>
  (proposal.value?.over ?? []).map((o) => `${amountOf(o.amount, o.liquid, props.unit)} of ${o.label}`),
)
</script>

<template>
  <section class="thin block">
    <div class="title">
      <h2>To order</h2>
      <Choice
        v-model="within"
        :options="[
          { value: 0, text: 'what is due today' },
          { value: 14, text: 'what is due in two weeks' },
          { value: 30, text: 'what is due in a month' },
        ]"
        aria-label="What is due"
      />
      <Choice
        v-model="cover"
        :options="[
          { value: 28, text: 'for four weeks' },
          { value: 56, text: 'for eight weeks' },
          { value: 182, text: 'for half a year' },
        ]"
        aria-label="For how long"
      />
    </div>
    <p v-if="problem" class="notice" role="alert">{{ problem.detail }}</p>
    <p v-else-if="!proposal" class="quiet loading">Comparing prices …</p>
    <template v-else>
      <p v-if="!proposal.orders.length && !proposal.missing.length" class="quiet">Nothing has to be ordered by then.</p>
      <div class="orders">
        <article v-for="(order, i) in proposal.orders" :key="order.supplier">
          <h3>{{ order.name }}</h3>
          <table class="figures">
            <tbody>
              <tr v-for="line in order.lines" :key="line.offer">
                <td>{{ line.count }} × {{ line.name }}</td>
                <td>{{ cost(line.price) }}</td>
              </tr>
              <tr>
                <td class="quiet">postage</td>
                <td>{{ order.postage ? cost(order.postage) : 'free' }}</td>
              </tr>
              <tr>
                <td><b>in all</b></td>
                <td>
                  <b>{{ cost(order.total) }}</b>
                </td>
              </tr>
            </tbody>
          </table>
          <BButton
            :variant="i === 0 ? 'primary' : 'outline-secondary'"
            :disabled="busy"
            :aria-label="`It is ordered from ${order.name}`"
            @click="$emit('order', order)"
            >It is ordered</BButton
          >
        </article>
      </div>
      <p v-if="proposal.orders.length > 1">
        <b>{{ cost(proposal.total) }}</b> in all: no way to have it costs less, postage and sets reckoned in.
      </p>
      <p v-if="over.length" class="small quiet">Comes beyond what is wanted: {{ over.join(', ') }}.</p>
      <p v-if="proposal.missing.length" class="notice">
        Nobody is known who sells enough of {{ proposal.missing.join(', ') }}.&nbsp;
        <RouterLink to="/shelf/suppliers">Enter who does</RouterLink>
      </p>
    </template>
  </section>
</template>

<style scoped>
.block {
  padding: 14px 18px;
  margin-bottom: 24px;
}
.title {
  display: flex;
  gap: 12px;
  align-items: center;
  flex-wrap: wrap;
  margin-bottom: 10px;
}
.title h2 {
  margin: 0 auto 0 0;
}
.title select {
  width: auto;
}
h3 {
  margin-bottom: 8px;
}
.orders {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 24px;
  align-items: start;
}
.orders .btn {
  margin: 10px 0 14px;
}
</style>
