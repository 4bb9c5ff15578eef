import { expect } from 'chai'
import type { ManagedPeopleAnswer } from '#contract/api/people'
import { openClient, password, startHarness, type Answer, type Client, type Harness } from '../../harness/server-harness'

describe('two admins', () => {
  let harness: Harness
  let greta: Client
  before(async () => {
    harness = await startHarness()
    greta = await harness.signIn('greta', ['admin'])
  })
  after(() => harness.stop())

  it('an admin who ends the other one makes no lead or admin alone for a day; ending acts at once', async () => {
    const [first, second] = [await harness.signIn('first-admin', ['admin']), await harness.signIn('second-admin', ['admin'])]
    const friend = await harness.signIn('friend', ['clinician'])
    const old = await harness.signIn('old-lead', ['lead'])
    const act = (id: string, action: string): Promise<Answer> => first.post(`/api/admin/people/${id}/actions`, { action })
    expect((await act(greta.personId, 'end')).status).to.equal(200)
    expect((await act(second.personId, 'end')).status).to.equal(200)
    expect((await second.get('/api/admin/people')).status).to.equal(401)
    const rolesOf = async (id: string): Promise<{ roles: readonly string[]; asked: unknown }> => {
      const { people } = (await first.get('/api/admin/people')).body as unknown as ManagedPeopleAnswer
      const { roles, asked } = people.find((person) => person.id === id)!
      return { roles, asked: asked && asked.roles }
    }
    expect((await first.post(`/api/admin/people/${friend.personId}/roles`, { roles: ['clinician', 'admin'] })).status).to.equal(200)
    expect(await rolesOf(friend.personId)).to.deep.equal({ roles: ['clinician'], asked: ['admin'] })
    await act(old.personId, 'restore')
    expect(await rolesOf(old.personId), 'whoever never went keeps what they are').to.deep.equal({ roles: ['lead'], asked: null })
    await act(first.personId, 'restore')
    expect((await rolesOf(first.personId)).roles).to.deep.equal(['admin'])
    await act(old.personId, 'end')
    await act(old.personId, 'restore')
    expect(await rolesOf(old.personId), 'a lead who comes back is made one again').to.deep.equal({ roles: ['viewer'], asked: ['lead'] })
    harness.now += 25 * 3_600_000
    const later = await openClient(harness.address, first.personId, 'first-admin')
    await later.post('/api/session/prove', { password })
    expect((await later.post(`/api/admin/people/${friend.personId}/roles`, { roles: ['clinician', 'lead'] })).status).to.equal(200)
    const { people } = (await later.get('/api/admin/people')).body as unknown as ManagedPeopleAnswer
    expect(people.find((person) => person.id === friend.personId)?.roles).to.deep.equal(['clinician', 'lead'])
  })
})
