/** How long a browser may take to know its voices, ms. */
const voicesMs = 1_500

/**
 * A voice that speaks on this device: one that lives on the net would send what is done to a patient to a stranger.
 * @returns null where there is none
 */
export async function localVoice(): Promise<SpeechSynthesisVoice | null> {
  if (!('speechSynthesis' in window)) return null
  const find = (): SpeechSynthesisVoice | null => {
    const own = window.speechSynthesis.getVoices().filter((voice) => voice.localService)
    return own.find((one) => one.lang.startsWith('en')) ?? null
  }
  const known = find()
  if (known) return known
  return new Promise((resolve) => {
    const end = (): void => {
      clearTimeout(timer)
      window.speechSynthesis.removeEventListener('voiceschanged', look)
      resolve(find())
    }
    const look = (): void => {
      if (find()) end()
    }
    const timer = setTimeout(end, voicesMs)
    window.speechSynthesis.addEventListener('voiceschanged', look)
  })
}

/** Says some texts one after another, in place of what is being said. */
export function say(texts: readonly string[], voice: SpeechSynthesisVoice): void {
  hush()
  addToSaid(texts, voice)
}

/** Says some texts after what is being said. */
export function addToSaid(texts: readonly string[], voice: SpeechSynthesisVoice): void {
  for (const text of texts) {
    const words = new SpeechSynthesisUtterance(text)
    words.voice = voice
    words.lang = voice.lang
    window.speechSynthesis.speak(words)
  }
}

/** Ends whatever is being said. */
export function hush(): void {
  if ('speechSynthesis' in window) window.speechSynthesis.cancel()
}
