import { connect } from 'node:net'
import { expect } from 'chai'
import sharp from 'sharp'
import type { PhotoInfo } from '#contract/api/photo'
import { openCase, request, startHarness, type Client, type Harness } from '../../harness/server-harness'

describe('photos of a case', () => {
  let harness: Harness
  let client: Client
  let path: string
  before(async () => {
    harness = await startHarness()
    client = await harness.signIn('ada', ['clinician'])
    path = `/api/cases/${(await openCase(client)).caseStream.id}/photos`
  })
  after(() => harness.stop())

  const picture = (width: number, height: number) => sharp({ create: { width, height, channels: 3, background: '#c9a' } })
  const fetchPhoto = async (id: string): Promise<Buffer> => {
    const signedIn = await fetch(`${harness.address}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'ada', password: 'a test password' }),
    })
    const cookie = (signedIn.headers.get('set-cookie') ?? '').split(';')[0] ?? ''
    return Buffer.from(await (await fetch(`${harness.address}/api/photos/${id}`, { headers: { cookie } })).arrayBuffer())
  }

  it('are kept turned upright, without place and device, no longer than 2000 pixels', async () => {
    const bytes = await picture(3000, 1500)
      .withExif({ IFD0: { Make: 'Cam', Orientation: '6' }, IFD3: { GPSLatitude: '50/1 7/1 0/1', GPSLatitudeRef: 'N' } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer()
    const answer = await client.sendRaw(path, bytes, 'image/jpeg')
    expect(answer.status).to.equal(200)
    const info = answer.body as unknown as PhotoInfo
    expect([info.width, info.height]).to.deep.equal([1000, 2000])
    const kept = await fetchPhoto(info.id)
    const { exif, orientation, width, height } = await sharp(kept).metadata()
    expect({ exif, orientation, width, height }).to.deep.equal({ exif: undefined, orientation: undefined, width: 1000, height: 2000 })
    expect(kept.length).to.be.below(2 * 1024 * 1024)
    const { photos } = (await client.get(path)).body as { photos: PhotoInfo[] }
    expect(photos.map((photo) => photo.id)).to.include(info.id)
    expect(photos[0]?.by).to.equal('ada')
  })

  it('stay under 2 MB, however noisy', async () => {
    const noise = Buffer.alloc(2400 * 2400 * 3)
    for (let at = 0; at < noise.length; at++) noise[at] = (at * 2654435761) >>> 24
    const bytes = await sharp(noise, { raw: { width: 2400, height: 2400, channels: 3 } })
      .jpeg({ quality: 80 })
      .toBuffer()
    const answer = await client.sendRaw(path, bytes, 'image/jpeg')
    expect(answer.status).to.equal(200)
    expect((await fetchPhoto(String(answer.body['id']))).length).to.be.at.most(2 * 1024 * 1024)
  })

  it('are kept once, however often they are sent, and never by a browser', async () => {
    const bytes = await picture(40, 30).png().toBuffer()
    const [first, again] = [await client.sendRaw(path, bytes, 'image/png'), await client.sendRaw(path, bytes, 'image/png')]
    expect(again.body).to.deep.equal(first.body)
    expect((await client.get(`/api/photos/${String(first.body['id'])}`)).headers.get('cache-control')).to.equal('no-store')
  })

  it('a drawing that would be worked out for seconds is refused at its head, and so is a picture larger than a camera makes', async () => {
    const svg =
      '<svg xmlns="http://www.w3.org/2000/svg" width="7000" height="7000"><filter id="f"><feTurbulence numOctaves="9"/></filter><rect width="7000" height="7000" filter="url(#f)"/></svg>'
    const huge = await sharp({ create: { width: 7000, height: 7000, channels: 3, background: '#fff' } })
      .png()
      .toBuffer()
    for (const [bytes, type] of [
      [Buffer.from(svg), 'image/svg+xml'],
      [Buffer.from(svg), 'image/png'],
      [huge, 'image/png'],
    ] as const) {
      const answer = await client.sendRaw(path, bytes, type)
      expect([answer.status, answer.body['type']]).to.deep.equal([422, 'urn:zesty-wren:error:not-a-picture'])
    }
  })

  it('an upload of nobody is refused before it is read', async () => {
    const upload = await new Promise<{ status: number; read: number }>((resolve, reject) => {
      const { hostname, port } = new URL(harness.address)
      const socket = connect(Number(port), hostname)
      let read = 0
      let answer = ''
      socket.on('error', () => undefined)
      socket.on('data', (chunk) => (answer += chunk.toString()))
      socket.on('close', () => (answer ? resolve({ status: Number(answer.split(' ')[1]), read }) : reject(new Error('no answer'))))
      socket.write(`POST ${path} HTTP/1.1\r\nhost: x\r\ncontent-type: image/jpeg\r\ncontent-length: 8000000\r\n\r\n`)
      const send = (): void => {
        if (socket.destroyed || read >= 8_000_000) return
        read += 10_000
        socket.write(Buffer.alloc(10_000), () => setImmediate(send))
      }
      send()
    })
    expect(upload.status).to.equal(401)
    expect(upload.read).to.be.lessThan(8_000_000)
  })

  for (const [name, bytes, type] of [
    ['text', Buffer.from('this is no picture'), 'image/jpeg'],
    ['a broken picture', Buffer.from('ffd8ffe000104a46494600010100000100010000ffdb', 'hex'), 'image/jpeg'],
    ['a drawing that could run', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script>'), 'image/svg+xml'],
    ['nothing', Buffer.alloc(0), 'image/png'],
  ] as const) {
    it(`refuse ${name}, and say why`, async () => {
      const answer = await client.sendRaw(path, bytes, type)
      expect(answer.status).to.equal(422)
      expect(answer.body).to.include({ type: 'urn:zesty-wren:error:not-a-picture' })
      expect(answer.body['detail']).to.match(/picture/)
    })
  }

  it('refuse 40 MB at the door', async () => {
    const answer = await client.sendRaw(path, Buffer.alloc(40 * 1024 * 1024, 1), 'image/jpeg')
    expect(answer.status).to.equal(413)
    expect(answer.body['detail']).to.match(/larger than 8 MB/)
  })

  it('refuse text where bytes belong, an unknown case and a case id that is none', async () => {
    expect((await client.post(path, { photo: 'x' })).status).to.equal(422)
    const bytes = await picture(20, 20).png().toBuffer()
    expect((await client.sendRaw('/api/cases/00000000-0000-4000-8000-000000000000/photos', bytes, 'image/png')).status).to.equal(404)
    expect((await client.sendRaw('/api/cases/nonsense/photos', bytes, 'image/png')).status).to.equal(422)
  })

  it('are shown to nobody who is not signed in, and added by nobody who may only look', async () => {
    const answer = await client.sendRaw(path, await picture(20, 20).png().toBuffer(), 'image/png')
    const id = String(answer.body['id'])
    expect((await request(harness.address, `/api/photos/${id}`)).status).to.equal(401)
    expect((await request(harness.address, path)).status).to.equal(401)
    const viewer = await harness.signIn('anselm', ['viewer'])
    expect((await viewer.sendRaw(path, await picture(20, 20).png().toBuffer(), 'image/png')).status).to.equal(403)
    expect((await viewer.get(path)).status).to.equal(200)
  })
})
