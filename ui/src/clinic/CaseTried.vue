<script setup lang="ts">
import { computed } from 'vue'
import { useShop } from '../shell/shop'
import { dayAndTime, minutes, volume, type VolumeUnit } from '../units/format'
import { asMoney, useCase } from './useCase'

/** What was done in this case, what each of it did, and what it came to. */
const props = defineProps<{ id: number }>()
const { settings } = useShop()
const zone = computed(() => settings.value?.zone ?? 'UTC')
const unit = computed(() => (settings.value?.volumeUnit ?? 'mL') as VolumeUnit)
const { found } = useCase(() => props.id)
const spent = computed(() => {
  const it = found.value?.spent
  if (!it) return []
  return [
    { what: 'Ink', came: volume(it.mL, unit.value) },
    { what: 'of it into the pad', came: volume(it.padML, unit.value) },
    { what: 'Hands', came: minutes(Math.round(it.hands)) },
    { what: 'Since it was opened', came: minutes(Math.round(it.hours * 60)) },
    { what: 'Money', came: asMoney(it.money, settings.value?.currency ?? 'GBP') },
  ]
})
</script>

<template>
  <div v-if="found" class="halves">
    <section>
      <h2>Tried so far</h2>
      <ol v-if="found.tried.length" class="tried">
        <li v-for="t in found.tried" :key="t.at + t.what">
          <span class="quiet small when">{{ dayAndTime(t.at, zone) }}</span>
          <span
            >{{ t.what }}<template v-if="t.channels.length">: {{ t.channels.join(' ') }}</template></span
          >
          <b class="small">{{ t.result ?? 'not looked at yet' }}</b>
        </li>
      </ol>
      <p v-else class="quiet">Nothing yet. What is done stands here, with what the next check said of it.</p>
    </section>
    <section>
      <h2>Spent</h2>
      <dl class="spent">
        <template v-for="s in spent" :key="s.what">
          <dt>{{ s.what }}</dt>
          <dd>{{ s.came }}</dd>
        </template>
      </dl>
    </section>
  </div>
</template>

<style scoped>
.halves {
  display: grid;
  grid-template-columns: minmax(0, 1.8fr) minmax(260px, 1fr);
  gap: 22px 40px;
  align-items: start;
}
.tried {
  list-style: none;
  margin: 8px 0 14px;
  padding: 0;
}
.tried li {
  display: grid;
  grid-template-columns: 120px minmax(0, 1fr) auto;
  gap: 12px;
  border-top: 1.5px solid var(--line);
  padding: 7px 0;
}
.spent {
  display: grid;
  grid-template-columns: 1fr auto;
  margin: 8px 0 0;
}
.spent dt,
.spent dd {
  border-top: 1.5px solid var(--line);
  padding: 7px 0;
  margin: 0;
}
.spent dt {
  font-weight: normal;
}
.spent dd {
  text-align: right;
  font-weight: 650;
  font-variant-numeric: tabular-nums;
}
@media (max-width: 760px) {
  .halves {
    grid-template-columns: minmax(0, 1fr);
  }
  .tried li {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  .when {
    grid-column: 1 / -1;
  }
}
</style>
