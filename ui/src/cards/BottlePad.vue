<script setup lang="ts">
import { BModal } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import type { Schemas } from '../api/client'
import { volume, type VolumeUnit } from '../units/format'
import TextInput from '../shell/TextInput.vue'

/** The code on the bottle in hand, read before its cap is opened. Every bottle is here: the wrong one has to be caught. */
const props = defineProps<{ channel: string; bottles: Schemas['LotJson'][]; unit: VolumeUnit }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ read: [id: string] }>()

const typed = ref('')
watch(open, (now) => {
  if (now) typed.value = ''
})
const shown = computed(() => {
  const words = typed.value.trim().toLowerCase()
  const found = props.bottles.filter((b) => b.label.toLowerCase().includes(words))
  return [...found.filter((b) => b.channel === props.channel), ...found.filter((b) => b.channel !== props.channel)]
})

function read(id: number) {
  emit('read', String(id))
  open.value = false
}
</script>

<template>
  <BModal v-model="open" :title="`The bottle for ${channel}, cap shut: which code?`" no-footer centered no-animation>
    <TextInput
      v-model="typed"
      size="lg"
      class="mb-3"
      placeholder="Type it, or choose below"
      aria-label="Code on the bottle"
    />
    <ul class="bottles">
      <li v-for="bottle in shown" :key="bottle.id">
        <button type="button" @click="read(bottle.id)">
          <b>{{ bottle.label }}</b>
          <span class="small quiet">{{ volume(bottle.left, unit) }}{{ bottle.opened ? ', open' : '' }}</span>
        </button>
      </li>
      <li v-if="!shown.length" class="quiet">No bottle of that code is on the shelf.</li>
    </ul>
  </BModal>
</template>

<style scoped>
.bottles {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 380px;
  overflow-y: auto;
}
.bottles button {
  width: 100%;
  min-height: 60px;
  text-align: left;
  border: 2px solid var(--line);
  border-radius: 10px;
  background: var(--ground);
  color: var(--text);
  padding: 6px 14px;
  margin-bottom: 7px;
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
}
</style>
