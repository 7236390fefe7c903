import { onScopeDispose, readonly, ref, watch, type Ref } from 'vue'
import { reading } from '../api/client'

const MOST = 500 // ms: whoever waits longer sees what there is

const frame = () => new Promise((go) => requestAnimationFrame(go))

/**
 * Whether a page that was just opened still gets its first data: it is shown as a whole once they are there, so that nothing
 * jumps under a thumb.
 *
 * @param of what page it is; another one arrives anew
 */
export function useArriving(of: () => string): Readonly<Ref<boolean>> {
  const arriving = ref(true)
  let left = false
  onScopeDispose(() => (left = true))
  watch(
    of,
    async (page) => {
      arriving.value = true
      const until = performance.now() + MOST
      for (let quiet = 0; quiet < 2 && performance.now() < until && !left; quiet = reading() ? 0 : quiet + 1)
        await frame()
      if (page === of()) arriving.value = false
    },
    { immediate: true },
  )
  return readonly(arriving)
}
