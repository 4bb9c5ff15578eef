import { request } from '../server-harness'

/** Signs in with a password that was printed, and chooses one in its place, as the first lead has to. @returns the chosen one */
export async function chooseOwnPassword(address: string, name: string, printed: string): Promise<string> {
  const json = { 'content-type': 'application/json' }
  const signedIn = await request(address, '/api/session', {
    method: 'POST',
    headers: json,
    body: JSON.stringify({ name, password: printed }),
  })
  const cookie = (signedIn.headers.get('set-cookie') ?? '').split(';')[0] ?? ''
  const next = `${printed} of my own`
  const headers = { ...json, cookie, 'x-csrf-token': String(signedIn.body['csrf']) }
  const chosen = await request(address, '/api/session/password', {
    method: 'POST',
    headers,
    body: JSON.stringify({ current: printed, next }),
  })
  if (chosen.status !== 200) throw new Error(`choosing a password: ${chosen.status} ${JSON.stringify(chosen.body)}`)
  return next
}
