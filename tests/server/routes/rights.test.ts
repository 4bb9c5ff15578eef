import { expect } from 'chai'
import type { Express } from 'express'
import { v7 as uuidv7 } from 'uuid'
import { mayAsk, routeRights, ruleOf, type RouteId } from '#contract/api/route-rights'
import { eventKinds, type EventKindId } from '#contract/events/index'
import { roles, type Role } from '#contract/rights'
import { request, startHarness, type Client, type Harness } from '../../harness/server-harness'

const routeIds = Object.keys(routeRights) as RouteId[]
/** A path with something in each of its places. */
const filled = (id: RouteId): string =>
  id
    .split(' ')[1]!
    .replace(':paper', 'case-summary')
    .replaceAll(/:\w+/g, () => uuidv7())

/** Who may, as the clinics agreed it: v viewer, t trainee, c clinician, l lead, a admin, e emergency. */
const agreed: Readonly<Record<string, string>> = {
  'GET /api/board': 'vtcl e',
  'GET /api/cases/:id': 'vtcl',
  'GET /api/history': 'vtcl',
  'GET /api/recall': 'vtcl',
  'GET /api/looks-in': 'l',
  'GET /api/photos/:id': 'vtcl',
  'POST /api/cases/:id/photos': 'tcl',
  'GET /api/cases/:id/papers/:paper.pdf': 'vtcl',
  'GET /api/hand-over': 'vtcl',
  'POST /api/plans': 'vtcl',
  'GET /api/store': 'vtcl e',
  'GET /api/ward': 'vtclae',
  'POST /api/store/:placeId/stock.csv': 'l',
  'GET /api/admin/people': 'a',
  'POST /api/admin/people': 'a',
  'POST /api/admin/devices': 'a',
  'GET /api/admin/audit': 'a',
  'GET /api/people': 'vtclae',
  'POST /api/session/password': 'vtclae',
}
const agreedKinds: Partial<Record<EventKindId, string>> = {
  reading: 'tcl',
  'looked-in': 'vtcl',
  confidential: 'cl',
  round: 'tcl',
  step: 'tcl',
  'run-started': 'tcl',
  'side-answered': 'tcl',
  'side-answer-undone': 'tcl',
  underneath: 'tcl',
  'taken-off': 'tcl',
  plan: 'cl',
  overrule: 'cl',
  removed: 'cl',
  claimed: 'cl',
  'moved-out': 'l',
  merged: 'l',
  'protocol-drafted': 'l',
  'teams-set': 'la',
  access: '',
  paged: '',
}
const letterOf = (role: Role): string => role[0]!

/** What Express has, as `GET /api/board`. */
function routesOf(app: Express): readonly string[] {
  interface Layer {
    readonly route?: { readonly path: string; readonly stack: readonly { readonly method: string }[] }
    readonly handle?: { readonly stack?: readonly Layer[] }
  }
  const walk = (stack: readonly Layer[]): string[] =>
    stack.flatMap(({ route, handle }) =>
      route ? [...new Set(route.stack.map((one) => `${one.method.toUpperCase()} ${route.path}`))] : walk(handle?.stack ?? []),
    )
  return walk((app as unknown as { router: { stack: readonly Layer[] } }).router.stack)
}

describe('the table of rights', () => {
  let harness: Harness
  const clients = {} as Record<Role, Client>
  before(async () => {
    harness = await startHarness()
    for (const role of roles) clients[role] = await harness.signIn(`one-${role}`, [role])
  })
  after(() => harness.stop())

  const ask = async (client: Client, id: RouteId) => (id.startsWith('GET ') ? client.get(filled(id)) : client.post(filled(id), {}))

  it('has a row for every route that the server has, and no other', () => {
    const registered = routesOf(harness.app).filter((route) => route.includes('/api/'))
    expect([...registered].sort()).to.deep.equal([...routeIds].sort())
  })

  it('lets nobody in without a session where its row asks for one', async () => {
    for (const id of routeIds.filter((one) => ruleOf(one).who !== 'anybody')) {
      const [method = ''] = id.split(' ')
      const answer = await request(harness.address, filled(id), { method })
      expect([id, answer.status]).to.deep.equal([id, 401])
    }
  })

  it('refuses each role what its row does not allow, and nothing else', async () => {
    // The stream goes on for ever, and what ends the session has an end of its own.
    const asked = routeIds.filter((one) => ruleOf(one).who !== 'anybody' && !/stream|session\//.test(one))
    for (const id of asked) {
      for (const role of roles) {
        const { status, body } = await ask(clients[role], id)
        const isRefused = status === 403 && String(body['type']).endsWith('no-right')
        // What is theirs alone is no strange case's: an emergency entry sees none of these.
        const isOwn = !id.includes(':id')
        expect([id, role, isRefused, status < 500]).to.deep.equal([id, role, !mayAsk(id, [role], isOwn), true])
      }
    }
  }).timeout(60_000)

  it('says what was agreed', () => {
    for (const [id, letters] of Object.entries(agreed)) {
      const may = roles.filter((role) => mayAsk(id as RouteId, [role], !id.includes(':id'))).map(letterOf)
      expect([id, may.join('')]).to.deep.equal([id, letters.replace(' ', '')])
    }
  })

  it('asks for the token of the page wherever something is changed', async () => {
    const { cookie } = clients.lead
    const changing = routeIds.filter((one) => !one.startsWith('GET ') && ruleOf(one).who !== 'anybody' && !ruleOf(one).withoutToken)
    expect(changing).to.have.length.above(8)
    for (const id of changing) {
      const client = mayAsk(id, ['lead'], true) ? cookie : clients.admin.cookie
      const { status, body } = await request(harness.address, filled(id), { method: 'POST', headers: { cookie: client } })
      expect([id, status, body['type']]).to.deep.equal([id, 403, 'urn:zesty-wren:error:csrf'])
    }
  })

  it('lets each role write the kinds of event that it may, and no other', async () => {
    for (const kind of Object.keys(eventKinds) as EventKindId[]) {
      const { stream, right, example } = eventKinds[kind]
      for (const role of roles) {
        const id = right === 'self' ? clients[role].personId : uuidv7()
        // Without an account a stay is opened only for somebody who is not known.
        const body = 'patientId' in example ? { ...example, patientId: uuidv7() } : example
        const { status, body: answer } = await clients[role].sendAs({ type: stream, id }, kind, body, { base: 0 })
        const isRefused = status === 403 && String(answer['type']).endsWith('no-right')
        const mayWrite = right === 'self' || (right !== 'server' && mayWriteAs(role, kind))
        expect([kind, role, isRefused, status < 500]).to.deep.equal([kind, role, !mayWrite, true])
      }
    }
    const other = await clients.lead.sendAs({ type: 'person', id: clients.viewer.personId }, 'settings', eventKinds.settings.example, {
      base: 1,
    })
    expect(other.status).to.equal(403)
  }).timeout(60_000)

  const mayWriteAs = (role: Role, kind: EventKindId): boolean => {
    const letters = agreedKinds[kind]
    if (letters !== undefined) return letters.includes(letterOf(role))
    const byRight: Readonly<Record<string, string>> = { add: 'tcl', decide: 'cl', 'manage-protocols': 'l', move: 'l' }
    // An emergency entry begins a stay; whatever else it adds goes to one that it began.
    return (byRight[eventKinds[kind].right] ?? '').includes(letterOf(role)) || (role === 'emergency' && kind === 'episode-opened')
  }
})
