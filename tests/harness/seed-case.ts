import { v7 as uuidv7 } from 'uuid'
import { readCase } from '#core/files/read-case'
import type { LimbFindings, RoundInput } from '#core/model/observation'
import { bothLegs, fourLimbs, quietNeck, quietSpine } from '../../src/server/demo/findings'
import { exampleOf } from './cases/example-cases'
import type { TestBrowser } from './browser/browser'

/** A case as the browser's own session wrote it, before anything is accepted. */
export interface SeededCase {
  readonly caseId: string
  readonly episodeId: string
  readonly injuryId: string
}

type Findings = Omit<RoundInput, 'atMin' | 'baseline'>

/** Findings of a quiet round for a technique's part of the body. */
export function quietRound(technique: string, change: Partial<LimbFindings> = {}): Findings {
  if (technique.includes('collar') || technique === 'seated-vest') return fourLimbs({ neck: quietNeck })
  if (technique === 'trunk-shell') return fourLimbs({ spine: quietSpine })
  return bothLegs('left', change)
}

/** What is known of the patient of a seeded case, with changes: sent on top of what stands. */
export async function sendPatient(browser: TestBrowser, { caseId, episodeId }: SeededCase, changes: object): Promise<void> {
  const { version, patient } = await browser.evaluateAsync<{ version: number; patient: object }>(
    `const done = arguments[1]
     fetch('/api/cases/' + arguments[0]).then((one) => one.json())
       .then(({ episode, episodeVersion }) => done({ version: episodeVersion, patient: episode.patient }))`,
    caseId,
  )
  await sendEvent(browser, { type: 'episode', id: episodeId }, 'patient', { ...patient, ...changes }, version)
}

/** Sends an event with the page's session, as the application does; throws when it is refused. */
export async function sendEvent(
  browser: TestBrowser,
  stream: { readonly type: 'case' | 'episode'; readonly id: string },
  kind: string,
  body: object,
  base?: number,
  at = new Date(),
): Promise<void> {
  const event = {
    id: uuidv7(),
    stream,
    kind,
    v: 1,
    body,
    at: at.toISOString(),
    offsetMs: 0,
    ...(base === undefined ? {} : { base }),
  }
  const answer = await postEvent(browser, event)
  if (answer.status !== 200) throw new Error(`${kind}: ${answer.status} ${answer.text}`)
}

/** The token of each session that wrote something, by its cookie: asked for once. */
const tokens = new Map<string, Promise<string>>()

async function tokenOf(address: string, cookie: string): Promise<string> {
  const session = await fetch(`${address}/api/session`, { headers: { cookie } })
  return ((await session.json()) as { readonly csrf: string }).csrf
}

/** What the server says to an event sent with the page's session, without troubling the page. */
export async function postEvent({ driver, address }: TestBrowser, event: object): Promise<{ status: number; text: string }> {
  const cookie = (await driver.manage().getCookies()).map((one) => `${one.name}=${one.value}`).join('; ')
  const token = tokens.get(cookie) ?? tokenOf(address, cookie)
  tokens.set(cookie, token)
  const answer = await fetch(`${address}/api/events`, {
    method: 'POST',
    headers: { cookie, 'content-type': 'application/json', 'x-csrf-token': await token },
    body: JSON.stringify(event),
  })
  return { status: answer.status, text: await answer.text() }
}

/** Opens a case with the published example's patient, injury, options and, unless it is to be unread, readings. */
export async function seedCase(
  browser: TestBrowser,
  technique: string,
  changes: { orders?: object; options?: object; isUnread?: boolean } = {},
): Promise<SeededCase> {
  const file = exampleOf(technique)
  const seeded = { caseId: uuidv7(), episodeId: uuidv7(), injuryId: uuidv7() }
  const onCase = { type: 'case', id: seeded.caseId } as const
  const onStay = { type: 'episode', id: seeded.episodeId } as const
  const { flags, ...patient } = file.patient as { flags?: string[]; [key: string]: unknown }
  await sendEvent(browser, onStay, 'episode-opened', {
    patientId: uuidv7(),
    place: 'Bay 9',
    zone: 'Etc/UTC',
    patient: {
      name: `Test ${technique}`,
      isTemporary: false,
      born: '1980-01-01',
      number: 'TS-0001',
      ageYears: null,
      isAgeEstimated: false,
      sex: '',
      heightCm: null,
      massKg: null,
      isMassEstimated: false,
      ...patient,
    },
  })
  await sendEvent(
    browser,
    onStay,
    'injury',
    { injuryId: seeded.injuryId, injury: { region: null, side: null, levelCm: null, flags: [], swelling: 'none', ...file.injury } },
    1,
  )
  if (flags?.length) await sendEvent(browser, onStay, 'flags', { flags }, 2)
  await sendEvent(browser, onCase, 'case-opened', { episodeId: seeded.episodeId, injuryId: seeded.injuryId, technique })
  let version = 1
  await sendEvent(browser, onCase, 'options', { options: { ...file.options, ...changes.options } }, version++)
  const orders = { ...(file['orders'] as object | undefined), ...changes.orders }
  if (Object.keys(orders).length > 0) await sendEvent(browser, onCase, 'orders', { orders }, version++)
  if (file['device']) await sendEvent(browser, onCase, 'device', { device: file['device'] }, version++)
  for (const reading of changes.isUnread ? [] : (readCase(file).clinicalCase?.measurements ?? [])) {
    // A week has no unit in a case file; on the wire every figure has one.
    const unit = typeof reading.value === 'number' ? { unit: 'cm' } : {}
    await sendEvent(browser, onCase, 'reading', { tool: 'tape', typed: '', posture: '', ...unit, ...reading })
    version++
  }
  return seeded
}

/** Writes a round for a seeded case, made so many minutes ago. */
export function sendRound(
  browser: TestBrowser,
  seeded: SeededCase,
  findings: Findings,
  isBaseline: boolean,
  minutesAgo = 0,
): Promise<void> {
  const body = { cases: [seeded.caseId], isBaseline, outcome: 'done', reason: '', findings }
  const at = new Date(Date.now() - minutesAgo * 60_000)
  return sendEvent(browser, { type: 'episode', id: seeded.episodeId }, 'round', body, undefined, at)
}

/** Says that the device of a seeded case went on so many minutes ago. */
export function sendApplied(browser: TestBrowser, seeded: SeededCase, minutesAgo: number): Promise<void> {
  const at = new Date(Date.now() - minutesAgo * 60_000)
  return sendEvent(browser, { type: 'case', id: seeded.caseId }, 'applied', {}, undefined, at)
}

/** Accepts the plan and starts applying, as a clinician would from Choose on. */
export async function startRun(browser: TestBrowser, seeded: SeededCase): Promise<void> {
  await browser.open(`/case/${seeded.caseId}/choose`)
  await browser.click('button', 'Accept the plan')
  await browser.find('heading', 'Make ready')
  await browser.click('button', 'Start applying')
  await browser.find('region', /^Step 1 of/)
}
