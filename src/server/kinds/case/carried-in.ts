import type { CarriedInBody, CarriedReading } from '#contract/events/case/carried-in'
import { readingsToCarry } from '#ward/rounds/related-cases'
import { refuse } from '../refuse'
import type { CaseRules } from '../rules'

/** Readings that come along, as they were taken: copied from the case they are of, whatever the sender says of them. */
export const rules: CaseRules<CarriedInBody> = {
  async complete(deps, body, { episode }, transaction) {
    const from = await deps.streams.findCase(body.fromCase, transaction)
    const there = from && (await deps.streams.findEpisode(from.record.episodeId, transaction))
    if (there?.record.patientId !== episode.patientId || !from)
      return refuse('not-known', 'body/fromCase', 'There is no such case of this patient: name one of this patient’s cases.')
    const known = new Map(readingsToCarry(from.record).map((reading) => [reading.key, reading]))
    const readings = body.readings.map(
      ({ key }, index): CarriedReading =>
        known.get(key) ??
        refuse(
          'not-known',
          `body/readings/${index}/key`,
          'There is no reading with this key in that case, or a later one stands for it: look it up there.',
        ),
    )
    return { fromCase: body.fromCase, readings }
  },
}
