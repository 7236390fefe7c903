<script setup lang="ts">
import { computed, shallowRef, toRef, watch } from 'vue'
import { api, type Schemas } from '../api/client'
import Comb from '../drawings/Comb.vue'
import { verdict } from '../drawings/comb'
import SightGlass from '../drawings/SightGlass.vue'
import LogList from '../log/LogList.vue'
import { serverNow } from '../shell/shop'
import { figure, day, dayAndTime, percent, volume } from '../units/format'
import { actionFor } from './attention'
import { useMachine } from './useMachine'

/** How it is, and what it wants. */
const props = defineProps<{ id: number }>()
const { machine, plate, unit, zone } = useMachine(toRef(props, 'id'))
const SHOWN = 5

const upkeep = shallowRef<Schemas['MachineRoutinesJson']>()
watch(
  machine,
  async (shown) => {
    if (!shown) return
    const { data } = await api.GET('/api/machines/{machine}/routines', { params: { path: { machine: props.id } } })
    if (data) upkeep.value = data
  },
  { immediate: true },
)
const due = computed(() => {
  const end = serverNow() + 36e5
  return (upkeep.value?.routines ?? []).filter((r) => r.ask && new Date(r.ask).getTime() <= end)
})
const next = computed(() => upkeep.value?.routines.find((r) => r.ask && !due.value.includes(r)))
const level = (slot: Schemas['SlotJson']) => slot.path[0]?.layers.reduce((sum, l) => sum + l.volume, 0) ?? 0
</script>

<template>
  <div v-if="machine && plate" class="halves">
    <section class="plate slots" aria-label="How it is">
      <table>
        <thead>
          <tr class="small quiet">
            <th scope="col">ink</th>
            <th scope="col">in its {{ plate.channels[0]?.path[0]?.kind }}</th>
            <th scope="col" class="wide">last check</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="slot in plate.channels" :key="slot.code">
            <th scope="row">{{ slot.code }}</th>
            <td class="glass">
              <SightGlass
                :code="slot.code"
                :layers="slot.path[0]?.layers ?? []"
                :capacity="slot.path[0]?.capacity ?? 1"
                :width="26"
                :height="44"
              />
              <span
                >{{ figure(level(slot), unit) }}
                <span class="quiet small">of {{ volume(slot.path[0]?.capacity ?? 0, unit) }}</span>
              </span>
            </td>
            <td class="wide">
              <template v-if="slot.checkedAt">
                <Comb :code="slot.code" :nozzles="slot.nozzles" :missing="slot.missing" :width="240" :height="24" />
                <span class="small" :class="slot.missing.length ? 'act strong' : 'quiet'"
                  >{{ verdict(slot.nozzles, slot.missing.length) }}
                  <span class="quiet">{{ dayAndTime(slot.checkedAt, zone) }}</span></span
                >
              </template>
              <span v-else class="quiet small">never looked at</span>
            </td>
          </tr>
        </tbody>
      </table>
      <p class="small quiet foot">
        <RouterLink :to="`/machines/${id}/ink#pad`">Waste pad {{ percent(plate.padShare) }} full</RouterLink>
        <RouterLink :to="`/machines/${id}/ink`">The ink path, drawn</RouterLink>
        <RouterLink :to="`/machines/${id}/checks`">Earlier checks</RouterLink>
      </p>
    </section>

    <section class="todo" aria-label="What it wants">
      <h2>What it wants</h2>
      <ul class="lines">
        <li v-if="plate.card">
          <span>{{ plate.card.title }}</span>
          <RouterLink class="btn btn-outline-secondary btn-sm" :to="`/cards/${plate.card.id}`">Card</RouterLink>
        </li>
        <li v-if="plate.caseId">
          <span>A case is open</span>
          <RouterLink class="btn btn-outline-secondary btn-sm" :to="`/clinic/${plate.caseId}`">Clinic</RouterLink>
        </li>
        <li v-if="!['NOTHING', 'CARD', 'CASE', 'OWED'].includes(plate.attention.kind)">
          <span>{{ plate.attention.words }}</span>
          <RouterLink class="btn btn-outline-secondary btn-sm" :to="actionFor(plate).to">{{
            actionFor(plate).label
          }}</RouterLink>
        </li>
        <li v-for="task in machine.owed.slice(0, SHOWN)" :key="task.id">
          <span
            >{{ task.words }}
            <span class="small" :class="task.late ? 'act strong' : 'quiet'"
              >{{ task.late ? 'due' : 'by' }} {{ day(`${task.due}T12:00:00Z`, zone) }}</span
            ></span
          >
          <RouterLink class="btn btn-outline-secondary btn-sm" :to="`/machines/${id}/upkeep#owed`">Owed</RouterLink>
        </li>
        <li v-for="r in due.slice(0, SHOWN)" :key="`${r.routine}/${r.channel ?? ''}`">
          <span
            >{{ r.title }}<template v-if="r.channel">, {{ r.channel }}</template> <b class="act small">due</b></span
          >
          <RouterLink class="btn btn-outline-secondary btn-sm" :to="`/machines/${id}/upkeep`">Upkeep</RouterLink>
        </li>
        <li v-if="due.length > SHOWN">
          <RouterLink :to="`/machines/${id}/upkeep`">and {{ due.length - SHOWN }} more that are due</RouterLink>
        </li>
      </ul>
      <p v-if="upkeep && !due.length && next?.ask" class="small quiet">
        Nothing else is due. Next: {{ next.title.toLowerCase() }}, {{ dayAndTime(next.ask, zone) }}.
      </p>
      <div class="ways">
        <RouterLink v-if="!plate.caseId" class="btn btn-outline-secondary" :to="`/clinic?machine=${id}`"
          >It is ill</RouterLink
        >
        <RouterLink class="btn btn-outline-secondary" :to="`/checks/${id}`">Read a picture</RouterLink>
        <RouterLink class="btn btn-outline-secondary" :to="`/machines/${id}/checks#check`">Enter a check</RouterLink>
        <RouterLink class="btn btn-outline-secondary" :to="`/machines/${id}/ink#levels`">Refill</RouterLink>
      </div>
      <h2>Lately</h2>
      <LogList :asked="{ machine: id }" :most="4" />
      <RouterLink :to="`/machines/${id}/past`">All of its past</RouterLink>
    </section>
  </div>
</template>

<style scoped>
.slots {
  padding: 10px 16px;
}
table {
  width: 100%;
}
th,
td {
  padding: 5px 8px 5px 0;
  vertical-align: middle;
}
tbody tr {
  border-top: 1.5px solid var(--line);
}
tbody th {
  font-size: 1.15rem;
}
.glass {
  display: flex;
  gap: 10px;
  align-items: center;
  white-space: nowrap;
}
.wide {
  width: 55%;
}
.foot {
  display: flex;
  gap: 18px;
  flex-wrap: wrap;
  border-top: 1.5px solid var(--line);
  margin: 0;
  padding-top: 8px;
}
.ways {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
  margin: 14px 0 20px;
}
@media (max-width: 900px) {
  .todo {
    order: -1;
  }
}
</style>
