<script setup lang="ts">
import { computed } from 'vue'
import type { Problem, Schemas } from '../api/client'
import NumberInput from '../shell/NumberInput.vue'
import FieldProblem from '../shell/FieldProblem.vue'
import { money } from '../units/format'

/** Bottles of one kind as they are sold, size by size; and, of ink, a bottle of each colour together. */
const props = defineProps<{
  what: string
  currency: string
  packs?: boolean
  own?: boolean
  /** where these bottles stand in what is kept */
  field: string
  problem: Problem | undefined
}>()
const emit = defineEmits<{ giveUp: [] }>()
const bottles = defineModel<Schemas['BottleSize'][]>('bottles', { required: true })
const pack = defineModel<Schemas['SoldPack']>('pack')

/** a set stands beside the bottles of the same ink */
const packField = computed(() => props.field.replace(/bottles$/, 'pack'))

const last = computed(() => bottles.value.length === 1)

const cheapest = computed(() =>
  money({ minor: Math.min(...bottles.value.map((b) => b.price)), currency: props.currency }),
)

function more() {
  const largest = bottles.value.reduce((a, b) => (b.volume > a.volume ? b : a))
  bottles.value = [...bottles.value, { volume: largest.volume * 2, price: largest.price * 2 }]
}
function less(at: number) {
  bottles.value = bottles.value.filter((_, i) => i !== at)
}
function inPacks(on: boolean) {
  const first = bottles.value[0]!
  pack.value = on ? { each: first.volume, colours: 4, price: first.price * 4 } : undefined
}
</script>

<template>
  <component :is="props.own ? 'details' : 'section'" class="sold" :class="{ fold: props.own }">
    <summary v-if="props.own">
      {{ what }} <span class="quiet small">&nbsp;from {{ cheapest }}</span>
    </summary>
    <h3 v-else>{{ what }}</h3>
    <table class="figures">
      <thead>
        <tr>
          <th>bottle, mL</th>
          <th>price</th>
          <th><span class="visually-hidden">take away</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(bottle, i) in bottles" :key="i">
          <td>
            <NumberInput v-model="bottle.volume" :aria-label="`${what}, size ${i + 1}, mL`" />
            <FieldProblem :problem="problem" :field="`${field}[${i}].volume`" />
          </td>
          <td>
            <NumberInput v-model="bottle.price" :currency="currency" :aria-label="`${what}, price of size ${i + 1}`" />
            <FieldProblem :problem="problem" :field="`${field}[${i}].price`" />
          </td>
          <td>
            <button
              type="button"
              class="btn btn-outline-secondary btn-sm"
              :disabled="last"
              :aria-label="`${what}: size ${i + 1} is not sold`"
              @click="less(i)"
            >
              –
            </button>
          </td>
        </tr>
        <tr v-if="pack">
          <td class="pack">
            <NumberInput v-model="pack.colours" :aria-label="`${what}, colours in a set`" /> ×
            <NumberInput v-model="pack.each" :aria-label="`${what}, mL of each in a set`" />
            <FieldProblem
              v-for="of in ['colours', 'each']"
              :key="of"
              :problem="problem"
              :field="`${packField}.${of}`"
            />
          </td>
          <td>
            <NumberInput v-model="pack.price" :currency="currency" :aria-label="`${what}, price of a set`" />
            <FieldProblem :problem="problem" :field="`${packField}.price`" />
          </td>
          <td>
            <button
              type="button"
              class="btn btn-outline-secondary btn-sm"
              :aria-label="`${what}: no set is sold`"
              @click="inPacks(false)"
            >
              –
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <button type="button" class="btn btn-link btn-sm" @click="more">another size</button>
    <button v-if="props.own" type="button" class="btn btn-link btn-sm" @click="emit('giveUp')">as every ink</button>
    <button v-if="packs && !pack" type="button" class="btn btn-link btn-sm" @click="inPacks(true)">
      sold as a set of colours
    </button>
  </component>
</template>

<style scoped>
.sold {
  margin-top: 12px;
}
h3 {
  font-size: 1rem;
  margin: 0;
}
.sold th {
  text-align: left;
}
.pack {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
</style>
