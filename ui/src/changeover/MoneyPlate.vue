<script setup lang="ts">
import type { Schemas } from '../api/client'
import { money, percent, volume, type VolumeUnit } from '../units/format'

/** What it costs by line, when it has paid for itself, what haste would cost, and what else there is. */
defineProps<{ plan: Schemas['PlanJson']; unit: VolumeUnit }>()
</script>

<template>
  <div>
    <dl class="sums">
      <template v-for="line in plan.cost" :key="line.what">
        <dt>
          {{ line.what }} <span class="small quiet">{{ line.basis }}</span>
        </dt>
        <dd>{{ money(line.amount) }}</dd>
      </template>
    </dl>
    <p class="small">
      An ordinary sheet: {{ money(plan.payback.oldSheet) }} of the maker’s ink, {{ money(plan.payback.newSheet) }} of
      this.
      <b v-if="plan.payback.sheets !== undefined">It has paid for itself after {{ plan.payback.sheets }} sheets.</b>
      <b v-else>It does not pay for itself in ink.</b>
    </p>
    <p v-if="plan.protects.rinsed > 0" class="small">
      Rinsing takes {{ volume(plan.protects.rinsed, unit) }}, {{ money(plan.protects.cost) }} with its waste. It keeps
      {{ volume(plan.protects.fill, unit) }} of new ink clean, <b>{{ money(plan.protects.worth) }}</b>.
    </p>
    <p v-if="plan.badly.residue > 0" class="small quiet">
      Done in a hurry, without rinsing: {{ percent(plan.badly.residue) }} old ink, about {{ plan.badly.sheets }} spoiled
      sheets and {{ money(plan.badly.inkWasted) }} of ink before it is clean.
    </p>
    <table class="figures ways">
      <thead>
        <tr>
          <th>the same prints by</th>
          <th>once</th>
          <th>a sheet</th>
          <th>days</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="way in plan.otherWays" :key="way.what">
          <td>
            {{ way.what }}
            <span v-if="way.sheets !== undefined && way.sheets > 0" class="small quiet"
              >dearer from {{ way.sheets }} sheets on</span
            >
          </td>
          <td>{{ money(way.once) }}</td>
          <td>{{ money(way.perSheet) }}</td>
          <td>{{ way.days }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.sums {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 5px 10px;
  margin: 16px 0 12px;
}
.sums dt {
  font-weight: 400;
}
.sums dt span {
  display: block;
}
.sums dd {
  margin: 0;
  text-align: right;
  font-weight: 650;
}
.ways td span {
  display: block;
}
</style>
