<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { useReading, type Reading } from './useReading'

/** Takes pictures: dropped, chosen, or straight from the camera, several at once. Each files itself. */
const props = withDefaults(
  defineProps<{
    machine?: number
    /** false where something else keeps the check: a card's step */
    keep?: boolean
    small?: boolean
    calm?: boolean
  }>(),
  { machine: undefined, keep: true },
)
const emit = defineEmits<{ read: [reading: Reading] }>()

const { sent, busy, send } = useReading(
  () => props.machine,
  (reading) => emit('read', reading),
  props.keep,
)
const file = ref<HTMLInputElement>()
const camera = ref<HTMLInputElement>()
const over = ref(false)

function chosen(event: Event) {
  const input = event.target as HTMLInputElement
  if (input.files) void send([...input.files])
  input.value = ''
}
function dropped(event: DragEvent) {
  over.value = false
  if (event.dataTransfer) void send([...event.dataTransfer.files])
}
</script>

<template>
  <div
    class="drop"
    :class="{ over, small }"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="dropped"
  >
    <div class="ways">
      <BButton :variant="small || calm ? 'outline-secondary' : 'primary'" class="by-camera" @click="camera?.click()"
        >Take a picture</BButton
      >
      <BButton variant="outline-secondary" @click="file?.click()">Send pictures</BButton>
      <span v-if="!small" class="small quiet by-mouse">or drop them here: photo or scan, JPEG, PNG, TIFF or PDF</span>
    </div>
    <input
      ref="camera"
      type="file"
      accept="image/*"
      capture="environment"
      class="visually-hidden"
      tabindex="-1"
      aria-label="Camera"
      @change="chosen"
    />
    <input
      ref="file"
      type="file"
      accept="image/jpeg,image/png,image/tiff,application/pdf"
      multiple
      class="visually-hidden"
      tabindex="-1"
      aria-label="Pictures"
      @change="chosen"
    />
    <ul v-if="sent.length" class="sent" aria-live="polite" :aria-busy="busy">
      <li v-for="(each, i) in sent" :key="i" :class="each.state">
        <b>{{ each.name }}</b>
        <span :class="{ act: each.state === 'refused' || each.state === 'unread' }">{{ each.words }}</span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.drop {
  border: 2px dashed var(--line);
  border-radius: 12px;
  padding: 12px 14px;
}
.drop.small {
  border: 0;
  padding: 0 0 10px;
}
.drop.over {
  border-color: var(--rim);
  background: var(--wash);
}
.ways {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
  align-items: center;
}
.sent {
  list-style: none;
  margin: 10px 0 0;
  padding: 0;
  font-size: 0.95rem;
}
.sent li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 8px;
  padding: 4px 0;
  overflow-wrap: anywhere;
}
@media (max-width: 600px) {
  .by-mouse {
    display: none;
  }
  .ways .btn {
    flex: 1 1 0;
    min-height: 56px;
  }
}
</style>
