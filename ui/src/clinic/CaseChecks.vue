<script setup lang="ts">
import { computed } from 'vue'
import { useChecks } from '../checks/useReading'
import ChannelStacks, { type ChannelStack } from '../drawings/ChannelStacks.vue'
import { useShop } from '../shell/shop'
import { useCase } from './useCase'

/** Every channel's checks beneath each other, those that fail first. */
const props = defineProps<{ id: number }>()
const { settings } = useShop()
const zone = computed(() => settings.value?.zone ?? 'UTC')
const { found } = useCase(() => props.id)
const { checks } = useChecks(() => found.value?.machine ?? 0)
const failing = computed(() => new Set(found.value?.channels.filter((c) => c.failing).map((c) => c.channel)))
const channels = computed<ChannelStack[]>(() =>
  (checks.value?.channels ?? []).map((c) => ({
    code: c.channel,
    note: failing.value.has(c.channel) ? 'fails' : 'good',
    fails: failing.value.has(c.channel),
    checks: c.past.slice(0, 7).map((p) => ({ ...p, nozzles: c.strokes })),
  })),
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
      <p v-if="!channels.some((c) => c.checks.length)" class="quiet">No check yet.</p>
      <ChannelStacks v-else :channels="channels" :zone="zone" />
    </template>
  </div>
</template>
