<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'
import { figure, money, type VolumeUnit } from '../units/format'
import { byRole, ROLES } from './books'

/** What left, a line each, told by what it comes to; every cause by name when somebody asks. */
const props = defineProps<{
  what: string
  flows: Schemas['FlowJson'][]
  causes: Schemas['CauseJson'][]
  every: boolean
  currency: string
  unit: VolumeUnit
  none?: string
}>()
const out = computed(() => props.causes.filter((c) => !c.comesIn))
const amount = (mL: number | undefined) => (mL ? figure(mL, props.unit) : '–')
</script>

<template>
  <div class="scroll-x" tabindex="0" role="region" :aria-label="`Ink by ${what}`">
    <table class="figures">
      <thead>
        <tr>
          <th>{{ what }}</th>
          <template v-if="every"
            ><th v-for="c in out" :key="c.cause">{{ c.label }}</th></template
          >
          <template v-else
            ><th v-for="r in ROLES" :key="r.key">{{ r.label }}</th></template
          >
          <th>in all, {{ unit }}</th>
          <th>its worth</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="flow in flows" :key="flow.name">
          <td>{{ flow.name || none }}</td>
          <template v-if="every"
            ><td v-for="c in out" :key="c.cause">{{ amount(flow.mL[c.cause]) }}</td></template
          >
          <template v-else
            ><td v-for="(mL, i) in byRole(flow)" :key="i">{{ amount(mL) }}</td></template
          >
          <td>
            <b>{{ figure(flow.gone, unit) }}</b>
          </td>
          <td>{{ money({ minor: flow.cost, currency }) }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
