<script setup lang="ts">
import { shallowRef } from 'vue'
import { api, type Schemas } from '../api/client'
import Comb from '../drawings/Comb.vue'

/** What good looks like, and what is taken for a clog and is none. */
const help = shallowRef<Schemas['EyeHelpJson'][]>([])
/** Asked for when it is opened: most days nobody does. */
async function opened(event: Event) {
  if ((event.target as HTMLDetailsElement).open && !help.value.length)
    help.value = (await api.GET('/api/checks/help')).data ?? []
}

const EXAMPLES = [
  { word: 'perfect', says: 'every stroke there', missing: [] },
  { word: 'acceptable', says: 'one gap here and there, none side by side: text, most solids', missing: [19, 47] },
  { word: 'bad', says: 'runs of neighbours: every solid shows it', missing: [8, 9, 10, 11, 30, 31, 52, 53, 54] },
]
</script>

<template>
  <details class="fold" @toggle="opened">
    <summary>What good looks like, and what is no clog</summary>
    <div v-for="e in EXAMPLES" :key="e.word" class="example">
      <b>{{ e.word }}</b>
      <Comb code="an example" :nozzles="59" :missing="e.missing" :width="240" :height="24" :tooth-width="4" />
      <span class="small quiet">{{ e.says }}</span>
    </div>
    <dl class="small">
      <template v-for="h in help" :key="h.question">
        <dt>{{ h.question }}</dt>
        <dd class="quiet">{{ h.answer }}</dd>
      </template>
    </dl>
  </details>
</template>

<style scoped>
.example {
  display: grid;
  grid-template-columns: 96px minmax(0, 240px) minmax(0, 1fr);
  gap: 12px;
  align-items: center;
  padding: 4px 0;
}
dl {
  margin: 12px 0 0;
}
dd {
  margin: 0 0 10px;
}
@media (max-width: 600px) {
  .example {
    grid-template-columns: 86px minmax(0, 1fr);
  }
  .example .small {
    grid-column: 2;
  }
}
</style>
