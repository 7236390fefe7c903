<script setup lang="ts">
import { reactive, ref, watch } from 'vue'
import { api, type Schemas } from '../api/client'
import Choice from '../shell/Choice.vue'

/** For a machine that no profile describes: the nearest ones, with what will differ. It is shown, never assumed. */
const emit = defineEmits<{ chosen: [profile: string, differs: string] }>()

const seen = reactive({ channels: 4, architecture: 'TANK', screen: '', headsByUser: 'false', largestSheet: 'A4' })
const near = ref<Schemas['NearJson'][]>([])
const KINDS = [
  { value: 'TANK', text: 'fixed tanks' },
  { value: 'CARTRIDGE', text: 'cartridges' },
  { value: 'FILM', text: 'built for film' },
  { value: 'SNAP_IN', text: 'tanks, heads snapped in' },
]
let asked = 0
watch(
  seen,
  async () => {
    const mine = ++asked
    const { data } = await api.GET('/api/reckoning/similar', {
      params: {
        query: {
          channels: Number(seen.channels),
          architecture: seen.architecture as 'TANK',
          screen: seen.screen === '' ? undefined : seen.screen === 'true',
          headsByUser: seen.headsByUser === 'true',
          largestSheet: seen.largestSheet,
        },
      },
    })
    if (mine === asked) near.value = data ?? [] // a slow answer must not overwrite the next
  },
  { immediate: true },
)
</script>

<template>
  <div class="thin look">
    <div class="fields">
      <div>
        <label for="similar-kind">It has</label
        ><Choice id="similar-kind" v-model="seen.architecture" :options="KINDS" />
      </div>
      <div>
        <label for="similar-slots">slots</label
        ><Choice id="similar-slots" v-model="seen.channels" :options="[4, 5, 6, 8]" />
      </div>
      <div>
        <label for="similar-screen">a screen?</label
        ><Choice
          id="similar-screen"
          v-model="seen.screen"
          :options="[
            { value: '', text: 'not sure' },
            { value: 'true', text: 'yes' },
            { value: 'false', text: 'lamps only' },
          ]"
        />
      </div>
      <div>
        <label for="similar-heads">heads</label
        ><Choice
          id="similar-heads"
          v-model="seen.headsByUser"
          :options="[
            { value: 'false', text: 'stay in' },
            { value: 'true', text: 'snapped in by hand' },
          ]"
        />
      </div>
      <div>
        <label for="similar-sheet">largest sheet</label
        ><Choice id="similar-sheet" v-model="seen.largestSheet" :options="['A4', 'A3+', 'roll, 33 cm']" />
      </div>
    </div>
    <ol>
      <li v-for="n in near" :key="n.profile">
        <button type="button" @click="emit('chosen', n.profile, n.differs.join(' '))">
          <b>{{ n.name }}</b> <span class="small">{{ Math.round(n.likeness * 100) }} % alike</span>
          <span v-for="d in n.differs" :key="d" class="small quiet differs">{{ d }}</span>
          <span v-if="!n.differs.length" class="small quiet differs">Nothing that was asked differs.</span>
        </button>
      </li>
    </ol>
    <p class="small quiet">What differs is kept with the machine: look there before each step it touches.</p>
  </div>
</template>

<style scoped>
.look {
  padding: 12px 16px;
  margin-top: 14px;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(130px, 1fr));
  gap: 10px;
}
ol {
  list-style: none;
  padding: 0;
  margin: 12px 0 6px;
  display: grid;
  gap: 8px;
}
button {
  width: 100%;
  text-align: left;
  border: 2px solid var(--line);
  border-radius: 10px;
  background: var(--ground);
  color: var(--text);
  padding: 8px 14px;
  min-height: 56px;
}
.differs {
  display: block;
}
</style>
