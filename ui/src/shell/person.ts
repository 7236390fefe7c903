import { ref } from 'vue'

const KEPT = 'kettle.person'

/** Who is at this bench; kept on this device. */
export const person = ref<number | undefined>(Number(localStorage.getItem(KEPT)) || undefined)

export function currentPerson(): number | undefined {
  return person.value
}

export function pick(id: number | undefined): void {
  person.value = id
  if (id) localStorage.setItem(KEPT, String(id))
  else localStorage.removeItem(KEPT)
}
