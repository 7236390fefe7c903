<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import type { Schemas } from '../api/client'
import Choice from '../shell/Choice.vue'
import TextInput from '../shell/TextInput.vue'
import { kitDraft, type KitDraft } from './handling'

/** What is in the box of a bulk feed, part by part. */
const kit = defineModel<KitDraft>({ required: true })
defineProps<{ usual: Schemas['UsualKitJson'][]; parts: Schemas['KitPartsJson'] }>()
const choice = <T extends string>(all: { id: T; label: string }[]) => all.map((o) => ({ value: o.id, text: o.label }))

const present = [
  ['constantHead', 'constant-head tanks, with an air chamber'],
  ['valve', 'a valve that shuts the ribbon'],
  ['plugs', 'solid plugs for the vents'],
  ['sponge', 'cartridges with a sponge and a free side'],
  ['bunged', 'bungs in its vents as it arrives'],
] as const
</script>

<template>
  <section class="kit">
    <b class="head">Bulk feed: what is in the box</b>
    <p class="small quiet">Cards ask for these parts and for no others. Begin with the nearest:</p>
    <div class="usual">
      <BButton
        v-for="one in usual"
        :key="one.id"
        variant="outline-secondary"
        size="sm"
        @click="kit = kitDraft(one.kit)"
        >{{ one.label }}</BButton
      >
    </div>
    <label for="kit-ribbon">Ribbon</label>
    <Choice id="kit-ribbon" v-model="kit.ribbon" :options="choice(parts.ribbons)" />
    <label for="kit-chamber">Tanks</label>
    <Choice id="kit-chamber" v-model="kit.chamber" :options="choice(parts.chambers)" />
    <div v-if="kit.chamber !== 'NONE'" class="doses">
      <div>
        <label for="kit-first">first, mL</label>
        <TextInput id="kit-first" v-model="kit.first" inputmode="decimal" />
      </div>
      <div>
        <label for="kit-tilt">tilted, s</label>
        <TextInput id="kit-tilt" v-model="kit.tilt" inputmode="numeric" />
      </div>
      <div>
        <label for="kit-second">then, mL</label>
        <TextInput id="kit-second" v-model="kit.second" inputmode="decimal" />
      </div>
    </div>
    <label for="kit-bracket">Height</label>
    <Choice id="kit-bracket" v-model="kit.bracket" :options="choice(parts.brackets)" />
    <label v-for="[part, label] in present" :key="part" class="part">
      <input v-model="kit[part]" type="checkbox" class="form-check-input" /> {{ label }}
    </label>
  </section>
</template>

<style scoped>
.kit {
  display: grid;
  gap: 6px;
}

label,
.head {
  font-weight: 600;
}

.part {
  align-items: center;
  display: flex;
  font-weight: 400;
  gap: 10px;
  min-height: 44px;
}

.part input {
  flex: none;
  height: 22px;
  margin: 0;
  width: 22px;
}

.kit p {
  margin: 0;
}

.usual {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-bottom: 6px;
}

.doses {
  display: grid;
  gap: 10px;
  grid-template-columns: repeat(3, 1fr);
}
</style>
