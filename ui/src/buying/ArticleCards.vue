<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { api, problemOf, type Schemas } from '../api/client'
import { asFile } from '../api/upload'
import { oneAtATime } from '../shell/oneAtATime'

/** Who sells an article, and the cards of instruction that came with it. */
const props = defineProps<{ article: string; sellers: string[] }>()
const cards = ref<Schemas['ArticleCard'][]>([])
const problem = ref('')
const file = ref<HTMLInputElement>()

function settle({ data, error }: { data?: Schemas['ArticleCard'][]; error?: unknown }) {
  problem.value = error ? problemOf(error).detail : ''
  if (data) cards.value = data.filter((c) => c.article === props.article)
}
void (async () => settle(await api.GET('/api/articles/cards')))()
const { run: keep, busy } = oneAtATime(async (card: File) =>
  settle(
    await api.POST('/api/articles/cards', {
      params: { query: { article: props.article, name: card.name.replace(/\.[a-z]+$/i, '').slice(0, 80) } },
      ...asFile(card),
    }),
  ),
)
const { run: discard } = oneAtATime(async (card: number) =>
  settle(await api.POST('/api/articles/cards/{leaflet}/discarded', { params: { path: { leaflet: card } } })),
)
function chosen(event: Event) {
  const input = event.target as HTMLInputElement
  if (input.files?.[0]) void keep(input.files[0])
  input.value = ''
}
</script>

<template>
  <div class="cards">
    <span class="small">{{ sellers.length ? `Sold by ${sellers.join(', ')}.` : 'No supplier of it is known.' }}</span>
    <span v-for="card in cards" :key="card.id" class="small">
      <a :href="`/api/articles/cards/${card.id}`">{{ card.name }}</a>
      <BButton size="sm" variant="link" :aria-label="`Throw away ${card.name}`" @click="discard(card.id)"
        >Throw away</BButton
      >
    </span>
    <BButton size="sm" variant="outline-secondary" :disabled="busy" @click="file?.click()"
      >Keep its card of instruction</BButton
    >
    <input
      ref="file"
      type="file"
      accept="application/pdf,image/jpeg,image/png"
      class="visually-hidden"
      tabindex="-1"
      aria-label="A card of instruction"
      @change="chosen"
    />
    <span v-if="problem" class="act strong small" role="alert">{{ problem }}</span>
  </div>
</template>

<style scoped>
.cards {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
}
</style>
