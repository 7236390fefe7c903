import { ref, shallowReadonly } from 'vue'

/** What was just written, and can be undone where it was done. */
export interface Offer {
  entry: number
  until: number
}

const A_MINUTE = 60_000
const offered = ref<Offer>()
let ending: ReturnType<typeof setTimeout> | undefined

export const undoOffer = shallowReadonly(offered)

/** The server wrote an entry for the last act: for a minute one tap takes it back. */
export function offerUndo(entry: number) {
  clearTimeout(ending)
  offered.value = { entry, until: Date.now() + A_MINUTE }
  ending = setTimeout(noUndo, A_MINUTE)
}

export function noUndo() {
  clearTimeout(ending)
  offered.value = undefined
}
