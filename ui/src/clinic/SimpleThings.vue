<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { reactive } from 'vue'
import type { Schemas } from '../api/client'
import { useUnits } from '../units/useUnits'

/** Level, vent, valve, seating, family, pad: a tap says that all is well, or where it was not. */
const props = defineProps<{
  channels: readonly Schemas['CaseChannelJson'][]
  simple: readonly Schemas['SimpleJson'][]
  pad?: string
  busy: boolean
}>()
const emit = defineEmits<{ found: [channels: string[]] }>()

const amiss = reactive(new Set<string>())
const toggle = (code: string) => (amiss.has(code) ? amiss.delete(code) : amiss.add(code))
const send = () =>
  emit(
    'found',
    props.channels.map((c) => c.channel).filter((c) => amiss.has(c)),
  )
const { volumeOf } = useUnits()
</script>

<template>
  <div>
    <ul class="looks">
      <li v-for="s in simple.filter((s) => !s.known)" :key="s.label">
        <b>{{ s.label }}</b> {{ s.look }}
      </li>
    </ul>
    <p v-if="simple.some((s) => s.known)" class="small quiet">
      Known already:
      <template v-for="(s, i) in simple.filter((s) => s.known)" :key="s.label"
        >{{ i ? '; ' : '' }}<b>{{ s.label }}</b> {{ s.known }}</template
      >.
    </p>
    <p class="small quiet">
      By the account:
      <template v-for="(c, i) in channels" :key="c.channel"
        >{{ i ? ', ' : '' }}{{ c.channel }} {{ volumeOf(c.level, c.capacity) }}</template
      ><template v-if="pad">; {{ pad }}</template
      >.
    </p>
    <p class="strong">Something was amiss with:</p>
    <div class="chips">
      <button
        v-for="c in channels"
        :key="c.channel"
        type="button"
        class="code chip"
        :class="{ on: amiss.has(c.channel) }"
        :aria-pressed="amiss.has(c.channel)"
        @click="toggle(c.channel)"
      >
        {{ c.channel }}
      </button>
    </div>
    <BButton variant="primary" size="lg" class="wide" :disabled="busy" @click="send">{{
      amiss.size ? 'Found, and put right' : 'All is well'
    }}</BButton>
  </div>
</template>

<style scoped>
.looks {
  margin: 0 0 8px;
  padding-left: 18px;
}
.looks b {
  display: inline-block;
  min-width: 64px;
}
.wide {
  width: 100%;
}
</style>
