<script setup lang="ts">
import { computed, onScopeDispose, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { clock, day } from '../units/format'
import KettleMark from '../drawings/KettleMark.vue'
import FindAnything from './FindAnything.vue'
import PersonPicker from './PersonPicker.vue'
import { singleKeys } from './keys'
import { aroundKey, PLACES } from './places'
import { serverNow, useShop } from './shop'
import { evening } from './theme'

const route = useRoute()
const { settings } = useShop()
const now = ref(serverNow())
const ticking = setInterval(() => (now.value = serverNow()), 5000)
onScopeDispose(() => clearInterval(ticking))
watch(settings, () => (now.value = serverNow()))
const time = computed(() => {
  const instant = new Date(now.value).toISOString()
  const zone = settings.value?.zone ?? 'UTC'
  return `${day(instant, zone).split(' ')[0]} ${clock(instant, zone)}`
})
</script>

<template>
  <header class="band">
    <RouterLink to="/" class="brand" aria-label="Fair Kettle, to the bench">
      <KettleMark />
      <span class="brand-name">Fair Kettle</span>
    </RouterLink>
    <nav aria-label="Views">
      <RouterLink
        v-for="view in PLACES"
        :key="view.to"
        :to="view.to"
        class="view"
        :class="{ 'router-link-exact-active': route.path.startsWith(`${view.to}/`) }"
        :aria-keyshortcuts="singleKeys ? view.key : undefined"
        ><span v-if="singleKeys"
          >{{ aroundKey(view.label, view.key)[0] }}<u>{{ aroundKey(view.label, view.key)[1] }}</u
          >{{ aroundKey(view.label, view.key)[2] }}</span
        ><template v-else>{{ view.label }}</template></RouterLink
      >
    </nav>
    <div class="right">
      <FindAnything />
      <PersonPicker />
      <button type="button" class="bare" :aria-pressed="evening" @click="evening = !evening">
        <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
          <circle v-if="evening" cx="10" cy="10" r="5" fill="none" stroke="currentColor" stroke-width="2" />
          <path v-else d="M13 3a7 7 0 1 0 4 10A6 6 0 0 1 13 3z" fill="none" stroke="currentColor" stroke-width="2" />
        </svg>
        <span class="visually-hidden">Evening light</span>
      </button>
      <span class="time">{{ time }}</span>
    </div>
  </header>
</template>

<style scoped>
.band {
  background: var(--band);
  color: var(--band-text);
  display: flex;
  align-items: stretch;
  min-height: 52px;
  padding: 0 20px;
}
.brand {
  font:
    700 1.25rem 'Besley Variable',
    serif;
  color: inherit;
  text-decoration: none;
  display: flex;
  gap: 10px;
  align-items: center;
  margin-right: 18px;
  white-space: nowrap;
}
nav {
  display: flex;
  overflow-x: auto;
  scrollbar-width: none;
}
.view {
  color: var(--band-quiet);
  text-decoration: none;
  font-weight: 500;
  padding: 0 12px;
  min-width: 44px;
  flex: none;
  display: flex;
  align-items: center;
  border-block: 4px solid transparent;
}
.view u {
  text-decoration-thickness: 1px;
  text-underline-offset: 3px;
}
.view:hover,
.view.router-link-active {
  color: #fff;
}
.view.router-link-exact-active {
  border-bottom-color: var(--band-text);
  font-weight: 650;
}
.right {
  margin-left: auto;
  display: flex;
  gap: 10px;
  align-items: center;
  color: var(--band-quiet);
  font-size: 0.9rem;
  white-space: nowrap;
}
.bare {
  background: none;
  border: 0;
  color: inherit;
  width: 44px;
  height: 44px;
  border-radius: 10px;
}
.band :focus-visible {
  outline-color: #fff;
}
@media (max-width: 900px) {
  .band {
    padding: 0 10px;
  }
  .brand {
    margin-right: 6px;
  }
  .brand-name,
  .time {
    display: none;
  }
  nav {
    display: none; /* why: they stand under the thumb then */
  }
}
</style>
