import { onScopeDispose, readonly, ref, watch, type Ref } from 'vue'

/** The same text once nobody has typed for a while. */
export function useSettled(typed: Ref<string>, milliseconds: number): Readonly<Ref<string>> {
  const settled = ref(typed.value)
  let waiting: ReturnType<typeof setTimeout> | undefined
  watch(typed, (now) => {
    clearTimeout(waiting)
    waiting = setTimeout(() => (settled.value = now), milliseconds)
  })
  onScopeDispose(() => clearTimeout(waiting))
  return readonly(settled)
}
