import { onScopeDispose, ref, watch, type Ref } from 'vue'
import { typedInto } from '../shell/typing'

/** The key, or pedal, that says “Done” on this device: its `code`, empty for none. */
export const doneKey = ref(localStorage.getItem('kettle.done-key') ?? '')
/** Whether each step is read aloud as it comes. */
export const readsAloud = ref(localStorage.getItem('kettle.reads-aloud') === '1')
watch(doneKey, (code) => localStorage.setItem('kettle.done-key', code))
watch(readsAloud, (on) => localStorage.setItem('kettle.reads-aloud', on ? '1' : ''))

/** Keys that mean something else to whoever finds their way with them. */
const TAKEN = new Set([
  'Tab',
  'Escape',
  'ShiftLeft',
  'ShiftRight',
  'ControlLeft',
  'ControlRight',
  'AltLeft',
  'MetaLeft',
])

/** Whether what was pressed was meant for a field, a button or a dialog. */
function meantElsewhere(target: EventTarget | null): boolean {
  return (
    typedInto(target) ||
    document.querySelector('.modal.show') !== null || // why not by its role: a closed one has that too
    (target instanceof Element && target.closest('button, a, summary') !== null)
  )
}

/**
 * Listens for that key while a card is open, before anything else does: here it means nothing but “Done”.
 *
 * @param learning while it is true, the next key becomes that key
 * @param pressed told of each press that was meant for the step
 */
export function useDoneKey(learning: Ref<boolean>, pressed: () => void) {
  function heard(event: KeyboardEvent) {
    // why the first: a tablet's keys on the screen have no code
    if (
      !learning.value &&
      (!doneKey.value || event.code !== doneKey.value || event.repeat || meantElsewhere(event.target))
    )
      return
    event.preventDefault()
    event.stopImmediatePropagation()
    if (!learning.value) {
      pressed()
      return
    }
    if (!TAKEN.has(event.code)) doneKey.value = event.code
    learning.value = false
  }
  window.addEventListener('keydown', heard, { capture: true })
  onScopeDispose(() => window.removeEventListener('keydown', heard, { capture: true }))
}

export const canSpeak = () => 'speechSynthesis' in window

/** By the browser's own voice; what was being said is broken off. */
export function speak(words: string) {
  if (!canSpeak()) return
  window.speechSynthesis.cancel()
  if (!words) return
  const said = new SpeechSynthesisUtterance(words)
  said.lang = 'en-GB'
  window.speechSynthesis.speak(said)
}
