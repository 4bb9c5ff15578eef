import { spoken } from '#core/model/vocabulary'
import type { LimbFindings } from '#core/model/observation'
import type { Bed, DrillState } from '#core/practice/drill/drill-state'
import { msOf } from '#core/practice/drill/judge-bed'
import { Dialog } from '../../../parts/dialog'
import { entriesOf, lastEntries } from '../../../round/last-entries'
import { everEntered } from '../../../round/rest-is-normal'
import { RoundForm } from '../../../round/round-form'
import { cannot, roundItems } from '../../../round/round-items'
import { limbOfBed } from './drill-limb'

/** The real round screen, with what is found above it: what is written down is the player's. */
export function DrillRound({
  state,
  bed: { body, record, look },
  onWrite,
  onClose,
}: {
  state: DrillState
  bed: Bed
  onWrite: (analgesia: boolean, limbs: readonly LimbFindings[]) => void
  onClose: () => void
}) {
  if (!look) return null
  const geometry = limbOfBed(body)
  const rounds = record.rounds.map(({ atMin, limbs, analgesia }) => ({
    at: new Date(msOf(state.night, atMin)).toISOString(),
    findings: { limbs, ...(analgesia === undefined ? {} : { analgesia }) },
  }))
  return (
    <Dialog title={`Round, bed ${body.bed}`} isWhole isOpen onClose={onClose}>
      <section aria-label="What you find" className="mb-2 grid gap-1 rounded-2xl border border-line bg-sheet px-4 py-2 lg:mr-104">
        {look.seen.map((one) => (
          <p key={one} className="font-semibold">
            {one}
          </p>
        ))}
        {look.limbs.map((limb) => (
          <p key={limb.side}>
            <strong>{limb.side.toUpperCase()}</strong> {wordsOf(limb, limb.side === body.side)}
          </p>
        ))}
      </section>
      <RoundForm
        watched={body.limb}
        {...(geometry ? { limb: { geometry, clinicalCase: body.clinicalCase, layers: ['slab'] } } : {})}
        injured={body.side}
        draftKey={`practice/drill/round/${state.night.id}/${state.seed}/${body.bed}/${look.atMin}`}
        isBaseline={false}
        isTimed
        cases={[]}
        submitLabel="Write it down"
        last={lastEntries(rounds, false)}
        ever={everEntered(
          rounds.map((round) => round.findings),
          false,
        )}
        onSubmit={({ findings }) => onWrite(findings.analgesia === true, findings.limbs)}
      />
    </Dialog>
  )
}

/** What is found on one limb, in the words of the round: what is not as it should be is named. */
function wordsOf(limb: LimbFindings, isInjured: boolean): string {
  const entries = entriesOf({ limbs: [limb] }, false)
  const items = roundItems(limb.limb).filter((item) => isInjured || !item.injuredOnly)
  const entryOf = (key: string): string => entries[`${limb.side}/${key}`] ?? ''
  const asked = items.filter((item) => entryOf(item.key) !== cannot)
  const said = asked
    .filter((item) => entryOf(item.key) !== item.normal && entryOf(item.key) !== '')
    .map((item) => `${item.label.toLowerCase()} ${spoken(entryOf(item.key))}${item.figure?.unit ? ` ${item.figure.unit}` : ''}`)
  const skin = entryOf('skin')
  return `${[
    ...said,
    ...(isInjured && skin !== '' && skin !== 'intact' ? [`skin ${spoken(skin)}`] : []),
    ...(asked.length < items.length ? [`${items.length - asked.length} things that cannot be asked`] : []),
    said.length === 0 ? 'all as it should be' : 'the rest as it should be',
  ].join('; ')}.`
}
