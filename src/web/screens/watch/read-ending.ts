import type { RemovedBody } from '#contract/events/case/removed'
import { endingWays, type EndingBody, type EndingWay, type HomeAdvice } from '#contract/records/ending'
import { missingIn } from '../../parts/required'

/** The sheet as it is being filled. */
export type EndingFields = Partial<
  Readonly<Record<'way' | 'skin' | 'moves' | 'note' | 'helper' | 'stairs' | 'phone' | 'callNumber' | 'walkingAid' | 'taughtBack', string>>
>

export type ReadEnding =
  | { readonly ok: true; readonly off: RemovedBody; readonly ended: null }
  | { readonly ok: true; readonly off: null; readonly ended: EndingBody }
  | { readonly ok: false; readonly message: string }

/** What was entered as it is kept, or what is missing in words. */
export function readEnding(fields: EndingFields): ReadEnding {
  const note = fields.note?.trim() ?? ''
  const { way } = fields
  const noWay = missingIn('ending', { way })
  if (noWay || !way) return { ok: false, message: noWay ?? '' }
  if (fields.way === 'off') {
    const lacking = missingIn('ending-off', { skin: fields.skin, moves: fields.moves, note })
    if (lacking) return { ok: false, message: lacking }
    return { ok: true, off: { reason: note, skin: fields.skin, moves: fields.moves } as RemovedBody, ended: null }
  }
  const how = endingWays.find((endingWay) => endingWay === fields.way) as EndingWay
  const untold = how === 'died' ? missingIn('ending-died', { note }) : null
  if (untold) return { ok: false, message: untold }
  if (how !== 'home') return { ok: true, off: null, ended: { how, note } }
  const home = readHome(fields)
  return typeof home === 'string' ? { ok: false, message: home } : { ok: true, off: null, ended: { how, note, home } }
}

function readHome(fields: EndingFields): HomeAdvice | string {
  const said = (id: keyof EndingFields): string => fields[id]?.trim() ?? ''
  const { stairs, walkingAid } = fields
  const missing = missingIn('ending-home', {
    helper: said('helper'),
    stairs,
    phone: said('phone'),
    callNumber: said('callNumber'),
    walkingAid,
    taughtBack: said('taughtBack'),
  })
  if (missing) return missing
  return {
    helper: said('helper'),
    stairs: fields.stairs as HomeAdvice['stairs'],
    phone: said('phone'),
    callNumber: said('callNumber'),
    walkingAid: fields.walkingAid as HomeAdvice['walkingAid'],
    taughtBack: said('taughtBack'),
  }
}
