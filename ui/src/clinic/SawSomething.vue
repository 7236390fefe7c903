<script setup lang="ts">
import { BButton, BModal } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import type { Case, Said } from './useCase'

/** What nobody asked for and somebody saw or felt: it counts like any other evidence. */
const props = defineProps<{ found: Case; busy: boolean }>()
const emit = defineEmits<{ say: [said: Said] }>()
const shown = defineModel<boolean>({ required: true })

const looks = computed(() => LOOKS.filter((l) => !props.found.notThere.some((gone) => gone === l.kind)))
type What = { label: string; kind: string; yes: string; no: string; whole?: boolean }
const LOOKS: What[] = [
  { label: 'Bubbles in the tube', kind: 'BUBBLES', yes: 'bubbles', no: 'none' },
  { label: 'Threads, slime or lumps', kind: 'THREAD', yes: 'threads', no: 'clean' },
  { label: 'Crust on the inlet', kind: 'CRUST', yes: 'crusted', no: 'clear' },
  { label: 'The waste, after a cleaning', kind: 'WASTE_ROSE', yes: 'it rose', no: 'it did not', whole: true },
  { label: 'Lines beside their place', kind: 'SHIFTED', yes: 'shifted', no: 'straight', whole: true },
]
const FEELS: { feel: NonNullable<Said['feel']>; label: string; means: string }[] = [
  { feel: 'NOTHING_EASY', label: 'no resistance, no ink', means: 'air, or the head is off its dock' },
  { feel: 'NOTHING_HARD', label: 'resistance, nothing moves', means: 'blocked: stop' },
  { feel: 'INK_HARD', label: 'resistance, ink comes', means: 'sealed and flowing' },
  { feel: 'INK_EASING', label: 'easier and easier', means: 'it recovers' },
]
const channel = ref<string>()
const of = computed(
  () => channel.value ?? props.found.channels.find((c) => c.failing)?.channel ?? props.found.channels[0]?.channel,
)
function say(said: Said) {
  emit('say', said)
  shown.value = false
}
</script>

<template>
  <BModal v-model="shown" title="Seen or felt" no-footer centered size="lg">
    <p class="strong">Which channel?</p>
    <div class="chips" role="group" aria-label="Channel">
      <button
        v-for="c in found.channels"
        :key="c.channel"
        type="button"
        class="code chip"
        :class="{ on: c.channel === of }"
        :aria-pressed="c.channel === of"
        @click="channel = c.channel"
      >
        {{ c.channel }}
      </button>
    </div>
    <ul class="lines">
      <li v-for="l in looks" :key="l.kind">
        <span>{{ l.label }}<span v-if="l.whole" class="quiet small"> (the machine)</span></span>
        <span class="two">
          <BButton
            variant="outline-secondary"
            :disabled="busy"
            @click="say({ kind: l.kind, channels: l.whole ? [] : [of!], yes: true })"
            >{{ l.yes }}</BButton
          >
          <BButton
            variant="outline-secondary"
            :disabled="busy"
            @click="say({ kind: l.kind, channels: l.whole ? [] : [of!], yes: false })"
            >{{ l.no }}</BButton
          >
        </span>
      </li>
    </ul>
    <p class="strong">How the draw felt</p>
    <div class="feels">
      <BButton
        v-for="f in FEELS"
        :key="f.feel"
        variant="outline-secondary"
        :disabled="busy"
        @click="say({ kind: 'FELT', channels: [of!], feel: f.feel })"
        >{{ f.label }} <span class="small">{{ f.means }}</span></BButton
      >
    </div>
  </BModal>
</template>

<style scoped>
.two {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.lines {
  margin-top: 12px;
}
.feels {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 8px;
}
.feels .btn {
  display: grid;
  min-height: 56px;
}
</style>
