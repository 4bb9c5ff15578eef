import { codeTexts } from '#ward/story/qr-modules'
import { cardLines, cardTitle, receiversCard } from '#ward/story/receivers-card'
import { planInForce } from '#ward/case/plan-in-force'
import { isHandedOver } from '#contract/records/crew-hand-over'
import { inUnits } from '#core/quantities/words-in-units'
import { PaperLinks } from '../../case/plan/paper-links'
import { usePlan } from '../../case/plan/use-plan'
import { formatDayAndClock } from '../../parts/format-time'
import { StagePage } from '../../parts/stage-page'
import { TextField } from '../../parts/text-field'
import { useOpenCase } from '../../sync/case-store'
import { useSettings } from '../../sync/session-store'
import { useNow } from '../../sync/use-now'
import { GiveOver, useGivenTo, useSides } from './give-over'
import { ScanCode } from './scan-code'

/** Times on it are read again so often. */
const everyMs = 30_000

/** What a crew tells whoever takes the patient: to be read aloud, scanned, or printed; and where both sides say that it was done. */
export function CardScreen() {
  const open = useOpenCase()
  const { record, episode } = open
  const { units } = useSettings()
  const now = useNow(everyMs)
  const [to, setTo] = useGivenTo(record.id)
  const { mayGive, mayReceive, isCrew } = useSides(open)
  const plan = inUnits(planInForce(record, usePlan(open)), units)
  const at = (iso: string): string => formatDayAndClock(Date.parse(iso))
  const card = receiversCard(record, episode, plan, now, at)
  const told = cardLines(card)
  const texts = codeTexts(told)
  const waits = isCrew && episode.crewHandOver?.given && !episode.crewHandOver.received
  return (
    <StagePage title={cardTitle(record)} next={mayGive || mayReceive ? <GiveOver open={open} told={told} /> : undefined}>
      <div className="mx-auto grid max-w-6xl gap-6 lg:grid-cols-[minmax(0,1fr)_24rem]">
        <div className="grid content-start gap-4">
          {isHandedOver(episode.crewHandOver) ? <p className="font-bold">Both sides have said so.</p> : null}
          {waits ? <p className="font-bold">It waits for “I have the patient” on the other side; until then you keep the case.</p> : null}
          <p className="text-xl leading-snug font-bold">{card.who}</p>
          <dl className="grid gap-3">
            {card.sections.map(({ title, lines }) => (
              <div key={title} className="border-t border-line pt-2 sm:grid sm:grid-cols-[10rem_minmax(0,1fr)] sm:gap-x-4">
                <dt className="font-bold text-soft">{title}</dt>
                {lines.map((line) => (
                  <dd key={line} className="leading-snug sm:col-start-2 [overflow-wrap:anywhere]">
                    {line}
                  </dd>
                ))}
              </div>
            ))}
          </dl>
        </div>
        <div className="grid content-start gap-6">
          {mayGive ? (
            <TextField label="To whom or where, if you like" value={to} maxLength={120} onChange={(event) => setTo(event.target.value)} />
          ) : null}
          <Codes texts={texts} />
          <PaperLinks caseId={record.id} papers={['receivers-card']} />
        </div>
      </div>
    </StagePage>
  )
}

function Codes({ texts }: { texts: readonly string[] }) {
  return (
    <ul aria-label="Codes to scan" className="grid gap-4">
      {texts.map((text, index) => (
        <li key={text} className="grid gap-1">
          <ScanCode text={text} label={`Code to scan, ${index + 1} of ${texts.length}`} />
          {texts.length > 1 ? (
            <p className="text-sm text-soft">
              Part {index + 1} of {texts.length}
            </p>
          ) : null}
        </li>
      ))}
    </ul>
  )
}
