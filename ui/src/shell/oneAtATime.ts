import { ref, shallowReadonly } from 'vue'

/** Work that is not begun again while it runs: a double tap on its button is one tap. */
export function oneAtATime<A extends unknown[]>(work: (...args: A) => Promise<void>) {
  const busy = ref(false)
  async function run(...args: A) {
    if (busy.value) return
    busy.value = true
    try {
      await work(...args)
    } finally {
      busy.value = false
    }
  }
  return { run, busy: shallowReadonly(busy) }
}
