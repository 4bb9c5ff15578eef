import { actionTexts } from '#core/model/finding'
import type { RoundVerdict } from '#core/rounds/judge-rounds'
import { LevelMark } from './level-mark'
import type { Tone } from '../parts/tone-shape'

const washes: Record<RoundVerdict['level'], string> = {
  none: 'border-calm bg-calm-wash',
  known: 'border-known bg-well',
  warn: 'border-caution bg-caution-wash',
  review: 'border-caution bg-caution-wash',
  urgent: 'border-stop bg-stop-wash',
}
const heads: Record<RoundVerdict['level'], { words: string; tone: Tone }> = {
  none: { words: 'No warning in what was entered', tone: 'calm' },
  known: { words: 'Only what was there at baseline', tone: 'known' },
  warn: { words: 'A warning: look again early', tone: 'caution' },
  review: { words: 'Review: senior at the bedside within 30 minutes', tone: 'caution' },
  urgent: { words: 'Urgent: act now', tone: 'stop' },
}

/** What a round says and what to do about it. */
export function VerdictPanel({ verdict, device }: { verdict: RoundVerdict; device: readonly string[] }) {
  return (
    <section
      aria-label="Verdict"
      role={verdict.level === 'urgent' ? 'alert' : undefined}
      className={`grid gap-3 rounded-3xl border-2 p-5 ${washes[verdict.level]}`}
    >
      <h2 className="text-xl font-bold">{heads[verdict.level].words}</h2>
      {verdict.complete ? null : (
        <p className="font-semibold">
          Not complete, so it stays due:{' '}
          {verdict.missing
            .slice(0, 4)
            .map((one) => one.replaceAll(/[-/]/g, ' '))
            .join(', ')}
          {verdict.missing.length > 4 ? ` and ${verdict.missing.length - 4} more` : ''}.
        </p>
      )}
      {verdict.findings.length > 0 ? (
        <ul className="grid gap-1">
          {verdict.findings.map((finding) => (
            <li key={`${finding.side ?? ''}${finding.item}`} className="flex flex-wrap gap-x-3">
              <LevelMark level={finding.level} />
              <span>
                {finding.side ? `${finding.side}: ` : ''}
                {finding.text}
              </span>
            </li>
          ))}
        </ul>
      ) : null}
      {verdict.actions.length > 0 ? (
        <ol className="grid gap-2 text-[1.05rem]">
          {verdict.actions.map((action, index) => (
            <li key={action} className="flex gap-3">
              <span className="numeral w-6 shrink-0 text-right">{index + 1}</span>
              <span className="font-semibold">{actionTexts[action]}</span>
            </li>
          ))}
        </ol>
      ) : null}
      {verdict.level === 'urgent' ? (
        <ul className="list-disc pl-8">
          {device.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      ) : null}
    </section>
  )
}
