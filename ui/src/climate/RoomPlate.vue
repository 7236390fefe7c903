<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, onMounted, reactive, ref, shallowRef } from 'vue'
import { api, problemOf, type Schemas } from '../api/client'
import { useLive } from '../shell/live'
import { oneAtATime } from '../shell/oneAtATime'
import { dayAndTime } from '../units/format'
import AirCurve from './AirCurve.vue'
import { numberOf } from '../units/typed'
import TextInput from '../shell/TextInput.vue'

/** The room's air: how quickly things dry in it, and what it asks for. */
defineProps<{ zone: string }>()

const climate = shallowRef<Schemas['ClimateJson']>()
const problem = ref<string>()
const typed = reactive({ celsius: '', humidity: '' })
const probe = ref('')
let asked = 0

async function load() {
  const mine = ++asked
  const { data } = await api.GET('/api/climate')
  if (mine === asked && data) take(data)
}
function take(data: Schemas['ClimateJson']) {
  climate.value = data
  probe.value = data.probe ?? ''
}
onMounted(load)
useLive(() => ['climate'], load)

type Answer = { data?: Schemas['ClimateJson']; error?: unknown }
function settle({ data, error }: Answer) {
  problem.value = error ? problemOf(error).detail : undefined
  if (data) take(data)
}
const number = numberOf
const { run: enter } = oneAtATime(async () => {
  settle(
    await api.POST('/api/climate/readings', {
      body: { celsius: number(typed.celsius), humidity: number(typed.humidity) },
    }),
  )
  if (!problem.value) Object.assign(typed, { celsius: '', humidity: '' })
})
const { run: keepProbe, busy: asking } = oneAtATime(async () => {
  settle(await api.PUT('/api/climate/probe', { body: { uri: probe.value } }))
})
const pressing = computed(() => (climate.value?.day ?? 1) > 1.5)
</script>

<template>
  <section v-if="climate" class="thin room" aria-label="The room">
    <div class="line">
      <h2>The room</h2>
      <span v-if="climate.now" class="now"
        ><b>{{ climate.now.celsius.toFixed(1) }} °C</b> <b>{{ Math.round(climate.now.humidity) }} %</b>
        <span class="quiet small">{{ dayAndTime(climate.now.at, zone) }}</span></span
      >
      <span :class="{ 'act strong': pressing }">dries {{ climate.day.toFixed(1) }} × as fast as usual</span>
    </div>
    <p v-for="say in climate.advice" :key="say" class="small says">{{ say }}</p>
    <details class="fold">
      <summary>Readings, machines and the probe</summary>
      <AirCurve :readings="climate.readings" :days="climate.days" :zone="zone" />
      <form class="row-form" novalidate @submit.prevent="enter">
        <TextInput v-model="typed.celsius" inputmode="decimal" aria-label="Temperature, °C" placeholder="°C" />
        <TextInput v-model="typed.humidity" inputmode="decimal" aria-label="Humidity, %" placeholder="%" />
        <BButton type="submit" variant="outline-secondary" :disabled="!typed.celsius || !typed.humidity"
          >That is the air now</BButton
        >
        <RouterLink class="btn btn-outline-secondary" to="/shop/bring-in?kind=READINGS">From a file</RouterLink>
      </form>
      <form class="row-form" novalidate @submit.prevent="keepProbe">
        <TextInput v-model="probe" aria-label="Address of the probe" placeholder="http://192.168.1.30/probe" />
        <BButton type="submit" variant="outline-secondary" :disabled="asking">{{
          asking ? 'Asking it …' : 'Ask this probe'
        }}</BButton>
      </form>
      <p v-if="climate?.trouble" class="act strong small" role="alert">The probe: {{ climate?.trouble }}</p>
      <p v-if="problem" class="act strong small" role="alert">{{ problem }}</p>
      <table class="figures">
        <thead>
          <tr>
            <th>machine</th>
            <th>last used</th>
            <th>since then things dried</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="m in climate?.machines" :key="m.id">
            <td>{{ m.name }}</td>
            <td>{{ m.since ? dayAndTime(m.since, zone) : 'never' }}</td>
            <td>{{ m.drying.toFixed(2) }} × as fast</td>
          </tr>
        </tbody>
      </table>
    </details>
  </section>
</template>

<style scoped>
.room {
  padding: 12px 18px;
  margin-top: 22px;
}
.line {
  display: flex;
  gap: 8px 26px;
  flex-wrap: wrap;
  align-items: baseline;
}
.now b {
  margin-right: 8px;
  font-size: 1.15rem;
}
.says {
  margin: 6px 0 0;
}
</style>
