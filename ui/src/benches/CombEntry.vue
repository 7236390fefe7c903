<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed } from 'vue'
import { teeth, verdict } from '../drawings/comb'

/** One channel's comb to be tapped: a tap on a tooth says it is missing. One tap says that all are there. */
const props = defineProps<{ code: string; nozzles: number }>()
/** missing nozzles; undefined while nobody has looked */
const missing = defineModel<number[] | undefined>({ required: true })

const drawn = computed(() => teeth(props.nozzles, missing.value ?? [], 30))

function tap(from: number, to: number) {
  const now = missing.value ?? []
  const inside = now.some((n) => n >= from && n <= to)
  const rest = now.filter((n) => n < from || n > to)
  const run = Array.from({ length: to - from + 1 }, (_, i) => from + i)
  missing.value = (inside ? rest : [...rest, ...run]).sort((a, b) => a - b)
}
</script>

<template>
  <div class="comb-entry" role="group" :aria-label="`Nozzle check of ${code}`">
    <b class="code">{{ code }}</b>
    <div class="teeth">
      <button
        v-for="tooth in drawn"
        :key="tooth.from"
        type="button"
        class="tooth"
        :class="{ gone: tooth.missing }"
        :aria-pressed="tooth.missing > 0"
        :aria-label="`${code} strokes ${tooth.from + 1} to ${tooth.to + 1} missing`"
        @click="tap(tooth.from, tooth.to)"
      ></button>
    </div>
    <BButton
      :variant="missing && !missing.length ? 'secondary' : 'outline-secondary'"
      size="sm"
      :aria-pressed="missing !== undefined && missing.length === 0"
      @click="missing = []"
      >whole</BButton
    >
    <span class="small verdict" :class="missing?.length ? 'act strong' : 'quiet'">{{
      missing === undefined ? 'not looked at' : verdict(nozzles, missing.length)
    }}</span>
  </div>
</template>

<style scoped>
.comb-entry {
  display: grid;
  grid-template-columns: 40px minmax(0, 1fr) auto 122px;
  gap: 12px;
  align-items: center;
}
.code {
  font-size: 1.2rem;
}
.teeth {
  display: flex;
  height: 64px;
}
.tooth {
  flex: 1 1 0;
  min-width: 0;
  padding: 0;
  border: 0;
  background: linear-gradient(var(--text), var(--text)) center top / 55% 46px no-repeat;
}
.tooth.gone {
  background: linear-gradient(var(--act), var(--act)) center bottom / 70% 9px no-repeat;
}
.tooth:hover {
  background-color: var(--wash);
}
@media (max-width: 600px) {
  .comb-entry {
    grid-template-columns: 34px minmax(0, 1fr) auto;
  }
  .verdict {
    grid-column: 2 / -1;
    margin-top: -8px;
  }
}
@container (max-width: 480px) {
  .comb-entry {
    grid-template-columns: 34px auto minmax(0, 1fr);
    gap: 4px 12px;
  }
  .teeth {
    grid-column: 1 / -1;
    grid-row: 2;
    display: grid;
    grid-template-columns: repeat(30, 1fr);
    height: auto;
  }
  .tooth {
    height: 48px;
    background-size: 55% 36px;
  }
  .verdict {
    grid-column: 3;
    margin-top: 0;
  }
}
</style>
