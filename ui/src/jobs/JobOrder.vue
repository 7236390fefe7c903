<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../api/client'
import TextInput from '../shell/TextInput.vue'
import { percent } from '../units/format'
import { useUnits } from '../units/useUnits'
import RankedMachines from './RankedMachines.vue'
import SheetDrawing from './SheetDrawing.vue'
import { useJob, useJobWords } from './useJob'

/** What was ordered, how it lies on the sheet, and which machine prints it. */
const route = useRoute()
const id = computed(() => Number(route.params.id))
const { job, problem, act, busy, zone } = useJob(() => id.value)
const words = useJobWords()
const { shownLength } = useUnits()
const calling = ref(false)
const why = ref('')
const substrate = computed(() => words.value?.substrates.find((s) => s.id === job.value?.order.substrate)?.label ?? '')
const path = computed(() => ({ params: { path: { job: id.value } } }))
const choose = (machine: number, anyway: boolean) =>
  act(() => api.POST('/api/jobs/{job}/machine', { ...path.value, body: { machine, anyway } }))
const can = computed(() => job.value?.machines.filter((m) => m.can) ?? [])
const cannot = computed(() => job.value?.machines.filter((m) => !m.can) ?? [])
const untouched = computed(() => job.value && !job.value.printed && job.value.state === 'TAKEN')
</script>

<template>
  <div v-if="job" class="halves">
    <section>
      <ul class="lines">
        <li v-for="(p, i) in job.order.pieces" :key="i">
          <span
            ><b>{{ p.count }} × {{ p.label || `piece ${i + 1}` }}</b>
            <span class="small size">{{ shownLength(p.width / 10) }} × {{ shownLength(p.height / 10) }}</span></span
          >
          <img v-if="p.artwork" :src="`/api/artworks/${p.artwork}/small`" :alt="p.label || 'artwork'" />
        </li>
        <li>
          <span>On {{ substrate }}{{ job.order.dark ? ', dark' : '' }}</span
          ><span class="small">{{ job.order.media }}</span>
        </li>
        <li v-if="job.pressedWork">
          <span>Pressed, {{ job.mirrored ? 'drawn mirrored' : 'not mirrored' }}</span>
          <span v-if="job.order.press" class="small"
            >{{ job.order.press.celsius }} °C, {{ job.order.press.seconds }} s</span
          >
          <span v-else class="small act">°C and seconds are missing: off the pack</span>
        </li>
      </ul>
      <p v-if="job.order.notes" class="small">{{ job.order.notes }}</p>
      <p v-if="job.gate.may && job.gate.says" class="small">{{ job.gate.says }}</p>
      <template v-if="job.laidOut">
        <h2>
          {{
            job.laidOut.film
              ? `${Math.round(job.laidOut.film.printed / 100)} cm of film`
              : job.laidOut.sheets === 1
                ? 'One sheet'
                : `${job.laidOut.sheets} sheets`
          }}, {{ percent(Math.round(job.laidOut.free * 100) / 100) }} free
        </h2>
        <p v-if="job.laidOut.film" class="small">{{ job.laidOut.film.words }}</p>
        <p v-else-if="job.laidOut.left > 200" class="small">
          Of the last sheet {{ shownLength(Math.round(job.laidOut.left / 10)) }} stay free at its foot.
        </p>
        <SheetDrawing :laid-out="job.laidOut" :pieces="job.order.pieces" />
      </template>
      <p v-if="untouched" class="acts">
        <RouterLink :to="`/jobs/${id}/change`" class="btn btn-outline-secondary">Change the order</RouterLink>
        <BButton variant="link" @click="calling = !calling">{{ calling ? 'Not now' : 'Call it off' }}</BButton>
      </p>
      <form
        v-if="calling"
        class="row-form"
        @submit.prevent="
          act(
            () => api.POST('/api/jobs/{job}/off', { ...path, body: { why } }),
            () => (calling = false),
          )
        "
      >
        <label for="off-why">Why</label>
        <TextInput id="off-why" v-model="why" maxlength="200" />
        <BButton type="submit" variant="primary" :disabled="busy || !why.trim()">It is off</BButton>
      </form>
    </section>
    <section v-if="job.machines.length">
      <h2>Which machine</h2>
      <p v-if="problem" class="notice" role="alert">{{ problem.detail }}</p>
      <RankedMachines :machines="can" :zone="zone" :chosen="job.on?.id" :busy="busy" @choose="choose" />
      <p v-if="!can.length">None of them can print it as it is.</p>
      <details v-if="cannot.length" class="fold" :open="!can.length">
        <summary>Not for this: {{ cannot.map((m) => m.name).join(', ') }}</summary>
        <RankedMachines :machines="cannot" :zone="zone" told />
      </details>
    </section>
  </div>
</template>

<style scoped>
h2 {
  margin-bottom: 8px;
}
.size {
  margin-left: 10px;
}
.lines img {
  width: 72px;
  height: 52px;
  object-fit: contain;
}
.acts {
  display: flex;
  gap: 10px;
  margin-top: 12px;
}
</style>
