<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, problemOf, type Schemas } from '../api/client'
import { oneAtATime } from '../shell/oneAtATime'
import { minutes, volume, type VolumeUnit } from '../units/format'

/** What can be done at a machine besides its routines, each as a card. */
const props = defineProps<{ machine: Schemas['MachineJson']; unit: VolumeUnit }>()

type Work = Schemas['BenchWorkJson']
const router = useRouter()
const works = shallowRef<Work[]>([])
const chosen = ref<Record<string, string[]>>({})
const problem = ref<string>()

watch(
  () => props.machine.plate.id,
  async (id) => {
    const { data } = await api.GET('/api/machines/{machine}/works', { params: { path: { machine: id } } })
    works.value = data ?? []
  },
  { immediate: true },
)
const lines = (w: Work) => chosen.value[w.work] ?? w.channels
function choose(w: Work, channel: string) {
  const now = lines(w)
  const next = now.includes(channel) ? now.filter((c) => c !== channel) : [...now, channel]
  chosen.value = { ...chosen.value, [w.work]: w.channels.filter((c) => next.includes(c)) }
}
const share = (w: Work) => (w.channels.length ? lines(w).length / w.channels.length : 1)

const { run: begin, busy } = oneAtATime(async (w: Work) => {
  const { data, error } = await api.POST('/api/machines/{machine}/works', {
    params: { path: { machine: props.machine.plate.id } },
    body: { work: w.work, channels: lines(w) },
  })
  problem.value = error ? problemOf(error).detail : undefined
  if (data) void router.push(`/cards/${data.card}`)
})
</script>

<template>
  <section v-if="works.length" id="works">
    <h2>Bench work</h2>
    <p v-if="problem" class="act strong small" role="alert">{{ problem }}</p>
    <details v-for="w in works" :key="w.work" class="fold">
      <summary>{{ w.title }}</summary>
      <p class="small">{{ w.when }}</p>
      <div v-if="w.channels.length > 1" class="chips" role="group" :aria-label="`Which lines: ${w.title}`">
        <button
          v-for="c in w.channels"
          :key="c"
          type="button"
          class="chip"
          :class="{ on: lines(w).includes(c) }"
          :aria-pressed="lines(w).includes(c)"
          @click="choose(w, c)"
        >
          {{ c }}
        </button>
      </div>
      <p class="small quiet">
        About {{ minutes(Math.max(1, Math.round(w.minutes * share(w)))) }} of hands<template v-if="w.fluid"
          >, {{ volume(w.fluid * share(w), unit) }} of fluid</template
        ><template v-if="w.dampers"
          >, up to {{ lines(w).length }} {{ lines(w).length === 1 ? 'damper' : 'dampers' }}</template
        >.
        <RouterLink v-if="w.fluid" :to="`/machines/${machine.plate.id}/label`">Its line labels, to print</RouterLink>
      </p>
      <BButton
        variant="outline-secondary"
        :disabled="busy || !!machine.plate.card || (w.channels.length > 0 && !lines(w).length)"
        @click="begin(w)"
        >Open its card</BButton
      >
      <p v-if="machine.plate.card" class="small quiet">First the card that is open.</p>
    </details>
  </section>
</template>

<style scoped>
section {
  margin-bottom: 22px;
}
h2 {
  margin-bottom: 6px;
}
.chips {
  margin-bottom: 8px;
}
</style>
