import { computed } from 'vue'
import { api, type Schemas } from '../api/client'
import { useServer, type Answer } from '../api/useServer'
import { oneAtATime } from '../shell/oneAtATime'
import { useShop } from '../shell/shop'
import { bare, volume, type VolumeUnit } from '../units/format'

export type Article = Schemas['ArticleJson']
export type Supplier = Schemas['SupplierJson']
export type Purchase = Schemas['BoughtJson']
type Buying = Schemas['BuyingJson']

/** Articles, suppliers and orders: one picture, which every act answers with. */
export function useBuying() {
  const { settings } = useShop()
  const server = useServer<Buying>(
    () => ['buying'],
    () => api.GET('/api/buying'),
    () => ['shelf', 'machine/'],
  )
  const { run, busy } = oneAtATime(async (send: () => Promise<Answer<Buying>>, then?: () => void) => {
    if (await server.act(send)) then?.()
  })
  const unit = computed(() => (settings.value?.volumeUnit ?? 'mL') as VolumeUnit)
  const amount = (of: { liquid: boolean }, much: number) => amountOf(much, of.liquid, unit.value)
  return {
    buying: server.data,
    problem: server.problem,
    forget: server.forget,
    act: run,
    busy,
    amount,
    unit,
    zone: computed(() => settings.value?.zone ?? 'UTC'),
    currency: computed(() => settings.value?.currency ?? 'GBP'),
  }
}

/** “57 mL” of what is poured, “12” of what is counted. */
export function amountOf(much: number, liquid: boolean, unit: VolumeUnit): string {
  return liquid ? volume(much, unit) : bare(much)
}

/** What somebody would look for: used, wanted, wanting, or on its way. */
export function matters(article: Article): boolean {
  return article.low || article.perWeek > 0 || article.minimum > 0 || article.onTheWay > 0 || article.own
}

/** The cheapest first, by what one mL or piece of an article costs singly. */
export function ranked(suppliers: Supplier[], article: string) {
  return suppliers
    .flatMap((s) => s.offers.map((o) => ({ supplier: s.name, offer: o.name, perUnit: o.perUnit[article] })))
    .filter((o): o is typeof o & { perUnit: number } => o.perUnit !== undefined)
    .sort((a, b) => a.perUnit - b.perUnit)
}
