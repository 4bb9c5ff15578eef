import { useMemo } from 'react'
import { toClinicalCase } from '#ward/case/clinical-case'
import { casesServed } from '#ward/rounds/related-cases'
import { RoundEntry } from '../../round/round-entry'
import type { RoundProps } from '../../round/round-frame'
import type { OpenCase } from '../../sync/case-store'
import { usePlanInForce } from '../plan/use-plan'

/** A round of an open case, entered on its own limb with what it wears. */
export function CaseRound({ open, ...round }: Omit<RoundProps, 'cases' | 'limb'> & { open: OpenCase }) {
  const { record, episode } = open
  const { geometry } = usePlanInForce(open)
  const injury = episode.injuries[record.injuryId]
  const isBare = round.isBare === true
  const limb = useMemo(
    () => ({ geometry, clinicalCase: toClinicalCase(record, episode), layers: isBare ? ([] as const) : (['slab'] as const) }),
    [geometry, record, episode, isBare],
  )
  return injury ? <RoundEntry injury={injury} episode={episode} cases={casesServed(record)} limb={limb} {...round} /> : null
}
