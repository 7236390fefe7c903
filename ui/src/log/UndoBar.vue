<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { noUndo, undoOffer } from '../shell/undo'
import StrikeDialog from './StrikeDialog.vue'
import { useStrike } from './useStrike'

/** For a minute after an act: one tap takes it back. */
const { asking, problem, busy, undo, confirm, leave } = useStrike()
</script>

<template>
  <div v-if="undoOffer" class="undo" role="status">
    <span>Written down.</span>
    <BButton data-undo size="sm" variant="outline-secondary" :disabled="busy()" @click="undo(undoOffer.entry)"
      >Undo</BButton
    >
    <button type="button" class="btn-close" aria-label="Leave it as it is" @click="noUndo"></button>
  </div>
  <StrikeDialog
    :preview="asking && (asking.why || asking.stays.length) ? asking : undefined"
    :problem="problem"
    :busy="busy()"
    @strike="confirm"
    @leave="leave"
  />
</template>

<style scoped>
.undo {
  position: fixed;
  right: 18px;
  bottom: calc(var(--places) + var(--hob) + 22px);
  z-index: 1030;
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 8px 12px;
  background: var(--plate);
  border: 2px solid var(--rim);
  border-radius: 10px;
}
</style>
