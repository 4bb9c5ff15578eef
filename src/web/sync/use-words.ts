import { useCallback } from 'react'
import { wordsInUnits } from '#core/quantities/words-in-units'
import { useSettings } from './session-store'

/** Says a text with its lengths in the units of whoever reads it. */
export function useWords(): (text: string) => string {
  const { units } = useSettings()
  return useCallback((text: string) => wordsInUnits(text, units), [units])
}
