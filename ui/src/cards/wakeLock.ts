import { onScopeDispose, ref, shallowReadonly } from 'vue'

/** Keeps the tablet's screen on while a card is open. Browsers offer it on secure origins alone. */
export function useWakeLock(nav: Navigator = navigator) {
  const possible = 'wakeLock' in nav && window.isSecureContext
  const on = ref(false)
  let lock: WakeLockSentinel | undefined

  async function hold() {
    if (!on.value || document.hidden) return
    try {
      lock = await nav.wakeLock.request('screen')
    } catch {
      on.value = false // the system refused, e.g. for a low battery
    }
  }
  async function toggle() {
    on.value = !on.value
    if (on.value) await hold()
    else await lock?.release()
  }
  // The browser lets go when the tab is hidden; hold again when it comes back.
  document.addEventListener('visibilitychange', hold)
  onScopeDispose(() => {
    document.removeEventListener('visibilitychange', hold)
    void lock?.release()
  })
  return { possible, on: shallowReadonly(on), toggle }
}
