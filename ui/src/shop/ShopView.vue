<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, onMounted } from 'vue'
import { useRoute } from 'vue-router'
import ArrivingPart from '../shell/ArrivingPart.vue'
import { owns } from '../shell/session'
import PageParts, { type Part } from '../shell/PageParts.vue'
import { useShop } from '../shell/shop'
import { dayAndTime } from '../units/format'
import { useBackups } from './backups'
import { useShopForm } from './useShopForm'

/** How we do it here, in parts. What is typed in one is kept while one looks at another. */
const PARTS: Part[] = [
  { to: '/shop', label: 'House' },
  { to: '/shop/ways', label: 'Ways' },
  { to: '/shop/prices', label: 'Prices' },
  { to: '/shop/people', label: 'People and keys' },
  { to: '/shop/bring-in', label: 'From files' },
  { to: '/shop/backups', label: 'Backups' },
]
const route = useRoute()
const { form, changed, saved, problem, save, reload } = useShopForm()
onMounted(() => (saved.value = false))
const { settings } = useShop()
const { data: backups } = useBackups()
const single = computed(() => ['/shop/people', '/shop/bring-in', '/shop/backups'].includes(route.path))
const settled = computed(() => !changed.value && !saved.value && !problem.value)
</script>

<template>
  <div class="page">
    <h1>Shop</h1>
    <p class="quiet">
      How we do it here. Every figure is a default until you say otherwise.
      <template v-if="backups?.provedAt && route.path !== '/shop/backups'"
        >The last proved copy is of {{ dayAndTime(backups.provedAt, settings?.zone ?? 'UTC') }}.
      </template>
      <template v-if="!owns">What is settled here is the owner’s: you may look.</template>
    </p>
    <p v-if="backups?.old && route.path !== '/shop/backups'" class="act strong" role="alert">
      The last proved copy of the shop is too old, or the last one failed.
      <RouterLink to="/shop/backups">See why</RouterLink>
    </p>
    <PageParts :parts="PARTS" label="Parts of the shop’s page" />
    <p v-if="!form" class="quiet loading">Fetching the shop …</p>
    <!-- why: the others are kept one by one, by forms of their own; a form within a form is none -->
    <component :is="single ? 'div' : 'form'" v-else novalidate @submit.prevent="save">
      <ArrivingPart><RouterView /></ArrivingPart>
      <div v-if="!single || !settled" class="send" :class="{ waits: changed }">
        <BButton type="submit" variant="primary" size="lg" :disabled="!changed" @click.prevent="save">Keep</BButton>
        <BButton v-if="changed" variant="outline-secondary" @click="reload">Let it be as it was</BButton>
        <span v-if="saved" class="strong" role="status">Kept.</span>
        <span v-if="problem" class="act strong" role="alert"
          >{{ problem.detail }}
          <BButton v-if="problem.status === 409" variant="link" @click="reload">Load again</BButton></span
        >
      </div>
    </component>
  </div>
</template>

<style scoped>
.send {
  display: flex;
  flex-wrap: wrap;
  gap: 16px;
  align-items: center;
  margin-top: 18px;
  padding: 10px 0;
}
.waits {
  position: sticky;
  bottom: calc(var(--places) + var(--hob));
  background: var(--ground);
  /* why beyond the plates: their rims must not run on beside the bar that lies over them */
  margin-inline: -7px;
  padding-inline: 7px;
}
</style>
