import type { RemovedBody } from '#contract/events/case/removed'
import { endingWays, type EndingBody, type EndingWay, type HomeAdvice } from '#contract/records/ending'

/** The sheet as it is being filled. */
export type EndingFields = Partial<
  Readonly<Record<'way' | 'skin' | 'moves' | 'note' | 'helper' | 'stairs' | 'phone' | 'callNumber' | 'walkingAid' | 'taughtBack', string>>
>

export type ReadEnding =
  | { readonly ok: true; readonly off: RemovedBody; readonly ended: null }
  | { readonly ok: true; readonly off: null; readonly ended: EndingBody }
  | { readonly ok: false; readonly message: string }

/** What was entered as it is kept, or what is missing in words. */
export function readEnding(fields: EndingFields, { livesAlone }: { readonly livesAlone: boolean }): ReadEnding {
  const note = fields.note?.trim() ?? ''
  if (!fields.way) return missing('Choose what happens')
  if (fields.way === 'off') {
    if (!fields.skin) return missing('Skin under it was not said: look, and say it')
    if (!fields.moves) return missing('Movement and feeling were not said: test, and say it')
    if (note.length < 3) return missing('A reason is missing: say in a few words why it came off')
    return { ok: true, off: { reason: note, skin: fields.skin, moves: fields.moves } as RemovedBody, ended: null }
  }
  const how = endingWays.find((endingWay) => endingWay === fields.way) as EndingWay
  if (how === 'died' && note.length < 3) return missing('A reason is missing: say in a few words what happened')
  if (how !== 'home') return { ok: true, off: null, ended: { how, note } }
  const home = readHome(fields, livesAlone)
  return typeof home === 'string' ? missing(home) : { ok: true, off: null, ended: { how, note, home } }
}

function readHome(fields: EndingFields, livesAlone: boolean): HomeAdvice | string {
  const said = (id: keyof EndingFields): string => fields[id]?.trim() ?? ''
  if (said('helper').length < 2)
    return livesAlone ? 'Lives alone: name who helps at home, or keep the patient' : 'Who helps at home is missing: name somebody'
  if (!fields.stairs) return 'Stairs were not said: try them, or say that there are none'
  if (said('phone').length < 2) return 'The phone of the patient is missing: the call of the next day needs it'
  if (said('callNumber').length < 2) return 'The number to call is missing: say which the patient was given'
  if (!fields.walkingAid) return 'The walking aid was not said: choose one, or none'
  if (said('taughtBack').length < 2) return 'Taught back is missing: ask what the patient will come back for, and write that down'
  return {
    helper: said('helper'),
    stairs: fields.stairs as HomeAdvice['stairs'],
    phone: said('phone'),
    callNumber: said('callNumber'),
    walkingAid: fields.walkingAid as HomeAdvice['walkingAid'],
    taughtBack: said('taughtBack'),
  }
}

function missing(words: string): ReadEnding {
  return { ok: false, message: `${words}.` }
}
