import { ref } from 'vue'

const allowed = ref(false)
let audio: AudioContext | undefined

/** Whether the whistle may sound on this device: browsers want one tap for it. */
export const whistleAllowed = allowed

export async function allowWhistle(): Promise<void> {
  audio ??= new AudioContext()
  await audio.resume()
  allowed.value = audio.state === 'running'
  tone(0.12)
  if ('Notification' in window && window.isSecureContext && Notification.permission === 'default') {
    await Notification.requestPermission()
  }
}

/** Where the page is not on a secure origin, notifications do not exist; sound and title still do. */
export function notificationsPossible(): boolean {
  return 'Notification' in window && window.isSecureContext
}

export function whistle(words: string): void {
  if (allowed.value) {
    tone(0.9)
    if ('vibrate' in navigator) navigator.vibrate([200, 100, 200])
  }
  if (notificationsPossible() && Notification.permission === 'granted' && document.hidden) {
    new Notification('Fair Kettle', { body: words, tag: words })
  }
}

/** A kettle beginning to sing: a tone that rises. */
function tone(seconds: number) {
  if (!audio) return
  const start = audio.currentTime
  const pitch = audio.createOscillator()
  const loudness = audio.createGain()
  pitch.type = 'sine'
  pitch.frequency.setValueAtTime(900, start)
  pitch.frequency.exponentialRampToValueAtTime(1900, start + seconds)
  loudness.gain.setValueAtTime(0.0001, start)
  loudness.gain.exponentialRampToValueAtTime(0.25, start + seconds / 3)
  loudness.gain.exponentialRampToValueAtTime(0.0001, start + seconds)
  pitch.connect(loudness).connect(audio.destination)
  pitch.start(start)
  pitch.stop(start + seconds)
}
