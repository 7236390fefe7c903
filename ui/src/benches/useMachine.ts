import { computed, type Ref } from 'vue'
import { api, type Schemas } from '../api/client'
import { useServer } from '../api/useServer'
import { useShop } from '../shell/shop'
import type { VolumeUnit } from '../units/format'

/** A machine as the server knows it, with what every part of its page shows it by. */
export function useMachine(id: Readonly<Ref<number>>) {
  const { settings } = useShop()
  const server = useServer<Schemas['MachineJson']>(
    () => ['machine', id.value],
    () => api.GET('/api/machines/{machine}', path.value),
    () => [`machine/${id.value}`, 'card/', 'hob'],
  )
  const path = computed(() => ({ params: { path: { machine: id.value } } }))
  return {
    ...server,
    machine: server.data,
    plate: computed(() => server.data.value?.plate),
    path,
    unit: computed(() => (settings.value?.volumeUnit ?? 'mL') as VolumeUnit),
    zone: computed(() => settings.value?.zone ?? 'UTC'),
    /** A plate that was saved answers with its machine as it is then. */
    saved: (next: Schemas['MachineJson']) => server.put(['machine', next.plate.id], next),
  }
}
