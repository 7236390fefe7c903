import { computed, shallowRef } from 'vue'
import { api, type Schemas } from '../api/client'

const shop = shallowRef<Schemas['ShopJson']>()
const clockAhead = shallowRef(0)

/** What the shop has settled, shared by all screens. */
export async function loadShop(): Promise<void> {
  const asked = Date.now()
  const { data } = await api.GET('/api/shop')
  if (data) {
    shop.value = data
    clockAhead.value = new Date(data.now).getTime() - (asked + Date.now()) / 2
  }
}

export function useShop() {
  return { shop, settings: computed(() => shop.value?.settings) }
}

/** Now, by the server's clock: waits run there. */
export function serverNow(): number {
  return Date.now() + clockAhead.value
}
