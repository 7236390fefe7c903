<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, onScopeDispose, watch } from 'vue'
import { askAgain, outage } from '../api/client'
import { drop, taps, type Tap } from '../api/taps'
import { clock } from '../units/format'
import { catchUp, disconnected } from './live'
import { serverNow, useShop } from './shop'

/** The kettle out of reach: that it is, which taps are kept here meanwhile, and what it did not take when it came back. */
const SHOWN = 3
const ASK_EVERY = 3000 // ms, whether what failed answers again

let asking: ReturnType<typeof setInterval> | undefined
const rest = () => clearInterval(asking)
watch(outage, (is, was) => {
  rest()
  if (is) asking = setInterval(() => void askAgain(), ASK_EVERY)
  else if (was) catchUp()
})
onScopeDispose(rest)

const { shop, settings } = useShop()
const waiting = computed(() => taps.value.filter((tap) => !tap.refused))
const refused = computed(() => taps.value.filter((tap) => tap.refused))
const at = (tap: Tap) => clock(new Date(tap.at + serverNow() - Date.now()).toISOString(), settings.value?.zone ?? 'UTC')
</script>

<template>
  <div v-if="disconnected || outage || shop?.clockTrouble || taps.length" class="away" role="status">
    <p v-if="disconnected">No connection to the kettle. What you see may be old; it catches up by itself.</p>
    <p v-else-if="outage">{{ outage }}</p>
    <p v-else-if="shop?.clockTrouble">{{ shop.clockTrouble }}</p>
    <template v-if="waiting.length">
      <p>
        <strong>{{ waiting.length === 1 ? '1 tap is kept here' : `${waiting.length} taps are kept here` }}</strong>,
        sent as soon as the kettle hears:
      </p>
      <ul>
        <li v-if="waiting.length > SHOWN">{{ waiting.length - SHOWN }} earlier, and</li>
        <li v-for="tap in waiting.slice(-SHOWN)" :key="tap.key" data-tap>
          <span
            >“{{ tap.what }}”<span class="where"> · {{ tap.where }}</span> · {{ at(tap) }}</span
          >
          <BButton size="sm" variant="link" :aria-label="`Do not send “${tap.what}”`" @click="drop(tap)">Drop</BButton>
        </li>
      </ul>
    </template>
    <ul v-if="refused.length">
      <li v-for="tap in refused" :key="tap.key">
        <span><strong>Not taken:</strong> “{{ tap.what }}” · {{ tap.where }} · {{ at(tap) }}. {{ tap.refused }}</span>
        <BButton size="sm" variant="link" @click="drop(tap)">Seen</BButton>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.away {
  position: sticky;
  top: 0;
  z-index: 1040;
  padding: 8px 24px;
  background: var(--warm);
}
p,
ul {
  margin: 0;
  padding: 0;
}
p {
  font-weight: 600;
}
li {
  display: flex;
  align-items: center;
  gap: 12px;
  line-height: 1.3;
}
@media (max-width: 600px) {
  [data-tap] .where {
    display: none;
  }
}
</style>
