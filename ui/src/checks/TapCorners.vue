<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { api, problemOf } from '../api/client'
import { oneAtATime } from '../shell/oneAtATime'
import type { Reading } from './useReading'
import Tick from '../shell/Tick.vue'

/** A picture without marks: four taps on the pattern's corners say where it lies. */
const props = defineProps<{ reading: Reading; machine: number; white: boolean }>()
const emit = defineEmits<{ read: [reading: Reading] }>()

const names = ['top left', 'top right', 'bottom right', 'bottom left']
const corners = ref<{ x: number; y: number }[]>([])
const dark = ref(false)
const problem = ref<string>()
const image = ref<HTMLImageElement>()
const next = computed(() => names[corners.value.length])

function tap(event: MouseEvent) {
  const img = image.value
  if (!img || corners.value.length >= 4) return
  const box = img.getBoundingClientRect()
  corners.value = [
    ...corners.value,
    { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height },
  ]
}
const { run: read, busy } = oneAtATime(async () => {
  const img = image.value
  if (!img) return
  const { data, error } = await api.POST('/api/readings/{reading}/corners', {
    params: { path: { reading: props.reading.id } },
    body: {
      machine: props.machine,
      dark: dark.value,
      corners: corners.value.flatMap((c) => [c.x * img.naturalWidth, c.y * img.naturalHeight]),
    },
  })
  problem.value = error ? problemOf(error).detail : (data?.whyNot ?? undefined)
  if (data && !data.whyNot) emit('read', data)
  else corners.value = []
})
</script>

<template>
  <div class="tap">
    <p class="strong">
      {{
        next ? `Tap the ${next} corner of the pattern: where its first or last stroke ends.` : 'All four are tapped.'
      }}
    </p>
    <div class="picture" @click="tap">
      <img ref="image" :src="`/api/pictures/${reading.picture}`" alt="The picture as it was sent" />
      <span v-for="(c, i) in corners" :key="i" class="pin" :style="{ left: `${c.x * 100}%`, top: `${c.y * 100}%` }">{{
        i + 1
      }}</span>
    </div>
    <p v-if="problem" class="act strong small" role="alert">{{ problem }}</p>
    <div class="row-form">
      <BButton variant="primary" :disabled="corners.length < 4 || busy" @click="read">{{
        busy ? 'Reading …' : 'Read it'
      }}</BButton>
      <BButton variant="outline-secondary" :disabled="!corners.length" @click="corners = corners.slice(0, -1)"
        >One back</BButton
      >
      <Tick v-if="white" v-model="dark">white on dark</Tick>
    </div>
  </div>
</template>

<style scoped>
.picture {
  position: relative;
  cursor: crosshair;
}
.picture img {
  width: 100%;
  display: block;
  border-radius: 8px;
  image-orientation: none; /* corners are told in the picture's own pixels */
}
.pin {
  position: absolute;
  width: 26px;
  height: 26px;
  margin: -13px 0 0 -13px;
  border-radius: 50%;
  background: var(--act);
  color: var(--act-text);
  text-align: center;
  line-height: 26px;
  font-size: 0.85rem;
  font-weight: 650;
}
</style>
