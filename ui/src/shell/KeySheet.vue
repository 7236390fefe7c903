<script setup lang="ts">
import { BModal } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { OTHER_KEYS, singleKeys, useSingleKeys } from './keys'
import { PLACES } from './places'
import Tick from './Tick.vue'

/** All the keys on one sheet. */
const open = ref(false)
useSingleKeys(() => (open.value = !open.value))
</script>

<template>
  <BModal v-model="open" title="Keys" no-footer>
    <dl>
      <template v-for="place in PLACES" :key="place.to">
        <dt>
          <kbd>{{ place.key }}</kbd>
        </dt>
        <dd>{{ place.label }}</dd>
      </template>
    </dl>
    <dl class="other">
      <template v-for="other in OTHER_KEYS" :key="other.key">
        <dt>
          <kbd>{{ other.key }}</kbd>
        </dt>
        <dd>{{ other.words }}</dd>
      </template>
    </dl>
    <p class="quiet small">
      On a card, a key or a pedal of your choice says “Done”: under “Hands free”, below the step.
    </p>
    <Tick v-model="singleKeys">single letters go somewhere on this device</Tick>
  </BModal>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: auto 1fr auto 1fr;
  gap: 8px 14px;
  align-items: center;
  margin: 0 0 14px;
}
.other {
  grid-template-columns: auto 1fr;
}
dd {
  margin: 0;
}
kbd {
  background: none;
  color: inherit;
  border: 1.5px solid currentcolor;
  border-radius: 6px;
  padding: 2px 9px;
  font-size: 0.9rem;
}
</style>
