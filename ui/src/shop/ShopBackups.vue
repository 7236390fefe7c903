<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { api, type Schemas } from '../api/client'
import { oneAtATime } from '../shell/oneAtATime'
import { owns } from '../shell/session'
import { serverNow, useShop } from '../shell/shop'
import { dayAndTime, span } from '../units/format'
import { useBackups } from './backups'
import ShopBlock from './ShopBlock.vue'

/** What is left if this computer is not: copies of the whole shop, and whether each could be read back. */
const { settings } = useShop()
const { data: all, problem, act } = useBackups()
const { run: make } = oneAtATime(async () => void (await act(() => api.POST('/api/backups'))))

const when = (instant: string) => dayAndTime(instant, settings.value?.zone ?? 'UTC')
const ago = (instant: string) => {
  const seconds = (serverNow() - new Date(instant).getTime()) / 1000
  return seconds < 60 ? 'just now' : `${span(seconds)} ago`
}
const size = (bytes: number) =>
  bytes < 1_000_000 ? `${Math.ceil(bytes / 1000)} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`
const says = (b: Schemas['Backup']) =>
  b.said ? b.said : b.provedAt ? 'read back whole' : b.bytes ? 'being read back …' : 'being made …'
</script>

<template>
  <div v-if="all" class="halves">
    <ShopBlock title="Copies of the shop">
      <p class="state" :class="{ act: all.old || !all.provedAt }" role="status">
        <template v-if="all.making">One is being made and read back. You can go on.</template>
        <template v-else-if="all.provedAt">The last one was read back whole {{ ago(all.provedAt) }}.</template>
        <template v-else>There is none yet that was read back.</template>
      </p>
      <p v-if="owns && all.possible">
        <BButton variant="primary" :disabled="all.making" @click="make">Make one now</BButton>
      </p>
      <p v-else-if="!all.possible" class="notice">
        This kettle was not started by its start command, so nothing is saved by itself. On its computer:
        <code>./kettle backup FILE</code>
      </p>
      <p v-if="problem" class="act strong" role="alert">{{ problem.detail }}</p>
      <ul v-if="all.backups.length" class="lines">
        <li v-for="b in all.backups" :key="b.id">
          <span
            ><b>{{ when(b.askedAt) }}</b
            >{{ ' ' }}
            <span class="small" :class="b.said ? 'act strong' : 'quiet'"
              >{{ b.bytes ? size(b.bytes) + ' · ' : '' }}{{ says(b)
              }}{{ b.here || b.said || !b.bytes ? '' : ` · its file is at ${b.server}` }}</span
            ></span
          >
          <a
            v-if="owns && b.here && b.provedAt"
            class="btn btn-outline-secondary btn-sm"
            :href="`/api/backups/${b.id}/file`"
            :aria-label="`Take away the copy of ${when(b.askedAt)}`"
            download
            >Take it away</a
          >
        </li>
      </ul>
    </ShopBlock>
    <div class="stack">
      <ShopBlock title="How to come back">
        <p>
          Every night after three, or as soon as the computer is on, the whole shop is saved, read back into a database
          that is thrown away, and kept for a fortnight beside the shop. A computer that is stolen or burnt takes those
          with it: take one away every now and then.
        </p>
        <p>On a new computer, in the folder of Fair Kettle:</p>
        <p><code>./kettle restore FILE</code></p>
        <p class="small quiet">
          Activation codes come back with the vault’s key, which is in no copy: it stands on the paper that you printed
          under People and keys.
        </p>
      </ShopBlock>
      <ShopBlock v-if="owns" title="For other programs">
        <p>
          The whole shop as tables (CSV), pictures and documents, with a description and sums: any program reads it, and
          an empty installation becomes this shop by it.
        </p>
        <p><a class="btn btn-outline-secondary" href="/api/archive" download>Take away the archive</a></p>
        <p class="small quiet">Who may come in and secret addresses are not in it.</p>
      </ShopBlock>
    </div>
  </div>
</template>

<style scoped>
.state {
  font-size: 1.15rem;
  font-weight: 650;
}
.lines li {
  flex-wrap: wrap;
}
code {
  font-size: 1rem;
}
</style>
