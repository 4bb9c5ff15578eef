import { useEffect, useState } from 'react'
import { addToSaid, hush, localVoice, say } from '../parts/speaker'
import { saveSettings } from '../sync/save-settings'
import { useSession } from '../sync/session-store'

/** Whether reading aloud is wanted and can be had. */
export interface ReadAloud {
  readonly isOn: boolean
  /** Null until it is known. */
  readonly hasVoice: boolean | null
  readonly toggle: () => void
  /** Says something now, in place of what is being said. */
  readonly sayNow: (texts: readonly string[]) => void
  /** Says something when it is its turn. */
  readonly sayNext: (texts: readonly string[]) => void
}

/** Reading aloud by a voice of this device: off until it is asked for, then remembered for the person. */
export function useReadAloud(): ReadAloud {
  // Timers show before anybody has signed in too: then nothing is read.
  const settings = useSession(({ state }) => (state.status === 'signed-in' ? state.person.settings : null))
  const isOn = settings?.readsAloud === true
  const [voice, setVoice] = useState<SpeechSynthesisVoice | null | undefined>(undefined)
  useEffect(() => {
    if (!isOn) return
    let isHere = true
    void localVoice().then((found) => {
      if (isHere) setVoice(found)
    })
    return () => {
      isHere = false
      hush()
    }
  }, [isOn])
  return {
    isOn,
    hasVoice: voice === undefined ? null : voice !== null,
    toggle: () => {
      if (settings) saveSettings({ ...settings, readsAloud: !isOn })
    },
    sayNow: (texts) => {
      if (isOn && voice) say(texts, voice)
    },
    sayNext: (texts) => {
      if (isOn && voice) addToSaid(texts, voice)
    },
  }
}
