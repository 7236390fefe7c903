<script setup lang="ts">
import { BButton, BModal } from 'bootstrap-vue-next'
import type { Schemas } from '../api/client'

/** What striking out gives back, and what stays, before anything is struck. */
defineProps<{ preview?: Schemas['StrikePreviewJson']; problem: string; busy: boolean }>()
const emit = defineEmits<{ strike: []; leave: [] }>()
</script>

<template>
  <BModal
    :model-value="Boolean(preview)"
    title="Strike it out?"
    no-footer
    @update:model-value="(shown: boolean) => shown || emit('leave')"
  >
    <template v-if="preview">
      <p>{{ preview.words }}</p>
      <p v-if="preview.why" class="notice" role="alert">{{ preview.why }}</p>
      <template v-else>
        <template v-if="preview.gives.length">
          <b>This comes back</b>
          <ul>
            <li v-for="g in preview.gives" :key="g">{{ g }}</li>
          </ul>
        </template>
        <template v-if="preview.stays.length">
          <b class="act">This stays</b>
          <ul>
            <li v-for="s in preview.stays" :key="s">{{ s }}</li>
          </ul>
        </template>
      </template>
      <p v-if="problem" class="act strong" role="alert">{{ problem }}</p>
      <div class="keys">
        <BButton v-if="!preview.why" variant="primary" :disabled="busy" @click="emit('strike')">Strike it out</BButton>
        <BButton variant="outline-secondary" @click="emit('leave')">Leave it</BButton>
      </div>
    </template>
  </BModal>
</template>

<style scoped>
.keys {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin-top: 14px;
}
</style>
