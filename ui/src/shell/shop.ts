import { computed, shallowRef } from 'vue'
import { api, read, type Schemas } from '../api/client'
import type { LengthUnit, VolumeUnit } from '../units/format'

const shop = shallowRef<Schemas['ShopJson']>()
const clockAhead = shallowRef(0)

/** What the shop has settled, shared by all screens. */
export async function loadShop(): Promise<void> {
  const asked = Date.now()
  const { data } = await api.GET('/api/shop')
  if (data) {
    shop.value = data
    read.value = {
      volume: data.settings.volumeUnit as VolumeUnit,
      length: data.settings.lengthUnit as LengthUnit,
    }
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
