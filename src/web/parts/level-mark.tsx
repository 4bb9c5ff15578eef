import type { StandingLevel } from '#core/model/standing'
import { ToneShape, toneInk, type Tone } from './tone-shape'

const levelWords: Record<StandingLevel, { word: string; tone: Tone }> = {
  none: { word: 'No warning entered', tone: 'calm' },
  known: { word: 'Was there before', tone: 'known' },
  owed: { word: 'Owed', tone: 'caution' },
  warn: { word: 'Warning', tone: 'caution' },
  unknown: { word: 'Not looked at yet', tone: 'blank' },
  review: { word: 'Review now', tone: 'caution' },
  stop: { word: 'Stop', tone: 'stop' },
  urgent: { word: 'Urgent', tone: 'stop' },
}

/** The tone in which a level is shown, wherever it is. */
export function toneOf(level: StandingLevel): Tone {
  return levelWords[level].tone
}

/** A level in words, shape and tone. @param isShapeAlone where there is no room: its word is for those who listen */
export function LevelMark({
  level,
  word,
  isShapeAlone = false,
}: {
  level: StandingLevel | null
  word?: string | undefined
  isShapeAlone?: boolean
}) {
  const shown = level === null ? { word: 'Not looked at yet', tone: 'blank' as const } : levelWords[level]
  return (
    <span className={`inline-flex items-center gap-1.5 font-semibold ${toneInk[shown.tone]}`}>
      <ToneShape tone={shown.tone} />
      <span className={isShapeAlone ? 'sr-only' : ''}>{word ?? shown.word}</span>
    </span>
  )
}
