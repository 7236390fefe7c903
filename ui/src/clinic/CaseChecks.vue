<script setup lang="ts">
import { computed, watch } from 'vue'
import { useChecks } from '../checks/useReading'
import CombStack from '../drawings/CombStack.vue'
import { useShop } from '../shell/shop'
import { useCase } from './useCase'

/** Every channel's checks beneath each other, those that fail first. */
const props = defineProps<{ id: number }>()
const { settings } = useShop()
const zone = computed(() => settings.value?.zone ?? 'UTC')
const { found } = useCase(() => props.id)
const { checks, load } = useChecks(() => found.value?.machine ?? 0)
watch(found, (now) => now && load(), { immediate: true })
const failing = computed(() => new Set(found.value?.channels.filter((c) => c.failing).map((c) => c.channel)))
const channels = computed(() =>
  [...(checks.value?.channels ?? [])].sort((a, b) => +failing.value.has(b.channel) - +failing.value.has(a.channel)),
)
</script>

<template>
  <div v-if="found">
    <p v-if="!checks" class="quiet loading">Fetching the checks …</p>
    <template v-else>
      <p class="quiet small">
        Standing gaps make columns, air scatters, healing fills.
        <RouterLink :to="`/checks/${found.machine}`">Look now</RouterLink>
      </p>
      <p v-if="!channels.some((c) => c.past.length)" class="quiet">No check yet.</p>
      <div v-else class="stacks">
        <details v-for="(c, i) in channels" :key="c.channel" :open="failing.has(c.channel) || i === 0">
          <summary>
            <b>{{ c.channel }}</b> <span class="quiet small">{{ failing.has(c.channel) ? 'fails' : 'good' }}</span>
          </summary>
          <CombStack
            :code="c.channel"
            :checks="
              c.past.slice(0, 7).map((p) => ({ at: p.at, nozzles: c.strokes, missing: p.missing, since: p.since }))
            "
            :zone="zone"
          />
        </details>
      </div>
    </template>
  </div>
</template>

<style scoped>
.stacks {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 480px), 1fr));
  gap: 12px 34px;
  align-items: start;
}
summary {
  min-height: 46px;
  display: list-item;
  padding: 10px 0;
  font-size: 1.1rem;
}
</style>
