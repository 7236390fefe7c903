<script setup lang="ts">
import { BModal } from 'bootstrap-vue-next'
import type { Schemas } from '../api/client'

/** Which syringe draws a channel: only those that may are here. */
defineProps<{ channel: string; tools: Schemas['OfferedTool'][] }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ take: [value: string] }>()

function take(value: string) {
  emit('take', value)
  open.value = false
}
</script>

<template>
  <BModal v-model="open" :title="`Which syringe for ${channel}?`" no-footer centered no-animation>
    <ul class="tools">
      <li v-for="tool in tools" :key="tool.id">
        <button type="button" @click="take(String(tool.id))">
          <b>{{ tool.label }}</b><span class="small quiet">{{ tool.why }}</span>
        </button>
      </li>
      <li>
        <button type="button" @click="take('yes')">
          <b>A new one</b
          ><span class="small quiet">write {{ channel }} on it; its number stands here once this step is done</span>
        </button>
      </li>
    </ul>
  </BModal>
</template>

<style scoped>
.tools {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 420px;
  overflow-y: auto;
}
.tools button {
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
  flex-wrap: wrap;
  gap: 0 12px;
  justify-content: space-between;
  align-items: center;
}
</style>
