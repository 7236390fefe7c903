import { onScopeDispose, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { PLACES } from './places'
import { evening } from './theme'
import { typedInto } from './typing'

/** Whether single letters go somewhere on this device: who speaks to it by voice turns them off. */
export const singleKeys = ref(localStorage.getItem('kettle.single-keys') !== 'off')
watch(singleKeys, (on) => localStorage.setItem('kettle.single-keys', on ? 'on' : 'off'))

/** Keys that are no place's. */
export const OTHER_KEYS = [
  { key: '/', words: 'find anything; Ctrl K does the same' },
  { key: '?', words: 'this sheet' },
  { key: 'e', words: 'evening light, and day again' },
  { key: 'z', words: 'undo what was just written, as long as it is offered' },
  { key: 'Esc', words: 'close a dialog, and let go' },
]

/** Single keys, wherever nothing is being typed. @param sheet opens the sheet that lists them */
export function useSingleKeys(sheet: () => void) {
  const router = useRouter()
  function heard(event: KeyboardEvent) {
    if (event.ctrlKey || event.metaKey || event.altKey || event.repeat || typedInto(event.target)) return
    if (document.querySelector('.modal.show')) return
    if (event.key === '?') {
      event.preventDefault()
      sheet()
      return
    }
    if (!singleKeys.value) return
    const place = PLACES.find((p) => p.key === event.key)
    if (place) void router.push(place.to)
    else if (event.key === 'e') evening.value = !evening.value
    else if (event.key === 'z') document.querySelector<HTMLElement>('[data-undo]')?.click()
  }
  window.addEventListener('keydown', heard)
  onScopeDispose(() => window.removeEventListener('keydown', heard))
}
