import type { Level } from '#core/model/finding'
import { ToneShape, toneInk, type Tone } from '../parts/tone-shape'

const levelWords: Record<Level, { word: string; tone: Tone }> = {
  none: { word: 'No warning entered', tone: 'calm' },
  known: { word: 'Known from before', tone: 'known' },
  warn: { word: 'Warning', tone: 'caution' },
  review: { word: 'Review now', tone: 'caution' },
  urgent: { word: 'Urgent', tone: 'stop' },
}

/** A level in words, shape and tone. */
export function LevelMark({ level }: { level: Level | null }) {
  const { word, tone } = level === null ? { word: 'Not looked at yet', tone: 'blank' as const } : levelWords[level]
  return (
    <span className={`inline-flex items-center gap-1.5 font-semibold ${toneInk[tone]}`}>
      <ToneShape tone={tone} />
      {word}
    </span>
  )
}
