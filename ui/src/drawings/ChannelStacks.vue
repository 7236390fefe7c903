<script setup lang="ts">
import { computed } from 'vue'
import CombStack from './CombStack.vue'

/** Every channel's checks beneath each other, those that fail first; they stand open, or the first if none does. */
export interface ChannelStack {
  code: string
  /** what is said beside its code */
  note: string
  fails: boolean
  checks: { at: string; nozzles: number; missing: number[]; judged?: boolean; since?: string[] }[]
}
const props = defineProps<{ channels: ChannelStack[]; zone: string }>()
const worstFirst = computed(() => [...props.channels].sort((a, b) => +b.fails - +a.fails))
const open = (channel: ChannelStack, i: number) => channel.fails || (i === 0 && !props.channels.some((c) => c.fails))
</script>

<template>
  <div class="stacks">
    <details v-for="(c, i) in worstFirst" :key="c.code" :open="open(c, i)">
      <summary>
        <b>{{ c.code }}</b> <span class="small" :class="c.fails ? 'act strong' : 'quiet'">{{ c.note }}</span>
      </summary>
      <CombStack :code="c.code" :checks="c.checks" :zone="zone" />
    </details>
  </div>
</template>

<style scoped>
.stacks {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 480px), 1fr));
  gap: 0 34px;
  align-items: start;
}
summary {
  min-height: 46px;
  padding: 10px 0;
  font-size: 1.1rem;
}
</style>
