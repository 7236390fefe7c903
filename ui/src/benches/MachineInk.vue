<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, reactive, ref, shallowRef, toRef, watch } from 'vue'
import { api, type Schemas } from '../api/client'
import ChannelPicker from '../drawings/ChannelPicker.vue'
import InkPath from '../drawings/InkPath.vue'
import FieldProblem from '../shell/FieldProblem.vue'
import { oneAtATime } from '../shell/oneAtATime'
import TextInput from '../shell/TextInput.vue'
import { figure, dayAndTime, money, percent, typedVolume, volume } from '../units/format'
import RefillPlate from './RefillPlate.vue'
import BottlesDrunk from './BottlesDrunk.vue'
import { useMachine } from './useMachine'

const props = defineProps<{ id: number }>()
const { machine, plate, problem, act, path, unit, zone, reload } = useMachine(toRef(props, 'id'))
const code = ref<string>()
const channel = computed(() => plate.value?.channels.find((c) => c.code === code.value) ?? plate.value?.channels[0])
const levels = reactive<Record<string, string>>({})
const reading = ref(false)
const drunk = ref(false)

/** What still goes with a full pad; asked for only when it is. */
const full = shallowRef<Schemas['PadFullJson']>()
watch(
  () => (plate.value?.padShare ?? 0) >= 0.8,
  async (nearly) => {
    if (nearly && !full.value) full.value = (await api.GET('/api/reckoning/pad-full')).data
  },
  { immediate: true },
)

const { run: saveLevels } = oneAtATime(async () => {
  const typed = Object.entries(levels)
    .map(([k, v]) => [k, typedVolume(v, unit.value)] as const)
    .filter(([, v]) => v !== undefined)
  const body = { levels: Object.fromEntries(typed.map(([k, v]) => [k, Number(v)])) }
  if (await act(() => api.POST('/api/machines/{machine}/levels', { ...path.value, body }))) reading.value = false
})
const { run: cleaned } = oneAtATime(async (power: boolean) => {
  await act(() => api.POST('/api/machines/{machine}/cleanings', { ...path.value, body: { power } }))
})
const { run: changePad } = oneAtATime(async () => {
  await act(() => api.POST('/api/machines/{machine}/pad', path.value))
})
</script>

<template>
  <div v-if="machine && plate">
    <p v-if="problem" class="notice" role="alert">{{ problem.detail }}</p>
    <div class="halves">
      <div>
        <section id="levels">
          <div class="title">
            <h2>Levels</h2>
            <BButton v-if="!reading" variant="outline-secondary" @click="reading = true">Read the levels</BButton>
          </div>
          <form v-if="reading" novalidate @submit.prevent="saveLevels">
            <table class="figures">
              <thead>
                <tr>
                  <th>tank</th>
                  <th>reckoned</th>
                  <th>when full</th>
                  <th>read, {{ unit }}</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="c in plate.channels" :key="c.code">
                  <td>
                    <b>{{ c.code }}</b> {{ c.holds }}
                  </td>
                  <td>{{ volume(c.path[0]?.layers.reduce((s, l) => s + l.volume, 0) ?? 0, unit) }}</td>
                  <td>{{ volume(c.path[0]?.capacity ?? 0, unit) }}</td>
                  <td>
                    <TextInput v-model="levels[c.code]" inputmode="decimal" :aria-label="`Level of ${c.code}`" />
                    <FieldProblem :problem="problem" :field="c.code" />
                  </td>
                </tr>
              </tbody>
            </table>
            <div class="send">
              <BButton type="submit" variant="primary">Keep these levels</BButton>
              <BButton variant="link" @click="reading = false">Not now</BButton>
            </div>
          </form>
          <RefillPlate v-else :machine="machine" :unit="unit" :zone="zone" @poured="reload" />
        </section>
        <section id="pad" class="pad-line">
          <span
            >Waste pad <b>{{ percent(plate.padShare) }}</b> · {{ figure(plate.padUsed, unit) }} of
            {{ volume(plate.padCapacity, unit) }}</span
          >
          <BButton size="sm" variant="outline-secondary" @click="changePad">It has a new pad</BButton>
        </section>
        <section class="pad-line">
          <span>It has cleaned itself</span>
          <span class="send-now">
            <BButton size="sm" variant="outline-secondary" @click="cleaned(false)">Cleaning</BButton>
            <BButton size="sm" variant="outline-secondary" @click="cleaned(true)">Power cleaning</BButton>
          </span>
        </section>
        <details class="fold" @toggle="drunk = ($event.target as HTMLDetailsElement).open">
          <summary>Bottles it drank from</summary>
          <BottlesDrunk v-if="drunk" :machine="id" :unit="unit" />
        </details>
        <p v-if="plate.attention.kind !== 'PLAN'" class="small quiet">
          A purge sheet of every channel: {{ money(machine.purgeOrClean.sheets.cost) }},
          {{ volume(machine.purgeOrClean.sheets.ink, unit) }} on paper. A cleaning:
          {{ money(machine.purgeOrClean.cleaning.cost) }}, {{ percent(machine.purgeOrClean.cleaning.padShare) }} of the
          pad; a power cleaning: {{ money(machine.purgeOrClean.powerCleaning.cost) }},
          {{ percent(machine.purgeOrClean.powerCleaning.padShare) }} of it.
          <template v-if="machine.powerCleanings.last"
            >Power cleanings in its log: {{ machine.powerCleanings.ever }}, the last on
            {{ dayAndTime(machine.powerCleanings.last, zone) }}.</template
          ><template v-else>No power cleaning is in its log.</template>
        </p>
        <div v-if="full && plate.padShare >= full.from" class="notice small pad-full" role="status">
          <div>
            <b>Its pad is full.</b> Still goes: {{ full.goes.join('; ') }}. Not until it has a new one:
            {{ full.not.join(', ') }}.
            <RouterLink to="/shelf">The shelf says whether one is in the house; if not, buy it now.</RouterLink>
          </div>
        </div>
      </div>
      <section class="thin block">
        <ChannelPicker
          :model-value="channel?.code"
          :codes="plate.channels.map((c) => c.code)"
          label="Channel drawn"
          @update:model-value="code = $event"
        >
          <h2>Ink path</h2>
        </ChannelPicker>
        <div v-if="channel" class="scroll-x" tabindex="0" role="region" aria-label="Ink path">
          <InkPath :code="channel.code" :path="channel.path" :pad-share="plate.padShare" />
        </div>
        <table v-if="channel" class="figures">
          <caption class="small quiet">
            In
            {{
              channel.code
            }}
            now, reckoned
          </caption>
          <tbody>
            <tr v-for="vessel in channel.path" :key="vessel.kind">
              <td>{{ vessel.kind }}</td>
              <td>
                <div v-for="layer in vessel.layers" :key="layer.kind">
                  {{ volume(layer.volume, unit) }} <span class="quiet small">{{ layer.label }}</span>
                </div>
                <span v-if="!vessel.layers.length" class="quiet">empty</span>
              </td>
            </tr>
          </tbody>
        </table>
      </section>
    </div>
  </div>
</template>

<style scoped>
.block {
  padding: 12px 16px;
  align-self: start;
}
.title {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
  flex-wrap: wrap;
  margin-bottom: 10px;
}
section,
.pad-line {
  margin-bottom: 18px;
}
caption {
  caption-side: top;
}
.send {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
  margin-top: 12px;
}
.send-now {
  display: flex;
  gap: 8px;
}
.pad-line {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
  flex-wrap: wrap;
}
</style>
