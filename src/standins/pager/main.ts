import { createServer, type IncomingMessage, type ServerResponse } from 'node:http'
import { isOurHost, isOurOrigin, listenForSupervisor, readBody } from '../local-server'
import { createPageBook, pagerModes, readPage, signatureOf, type PagerMode, type Receipt } from './page-book'
import { pagerPage } from './pager-page'

const mostBodyBytes = 4_000
const delayMs = 4_000
const answerMs = 5_000

const secret = process.env['WREN_PAGER_SECRET'] ?? ''
const receiptsAt = process.env['WREN_PAGER_RECEIPTS'] ?? ''
const book = createPageBook()
let mode: PagerMode = 'deliver'

/** A pager of its own process: takes pages over HTTP, sends signed receipts back, and misbehaves when it is told to. */
const server = createServer((request, response) => void answer(request, response))
server.on('clientError', (_error, socket) => socket.destroy())
listenForSupervisor(server)

async function answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
  const send = (status: number, type: string, body: string): void => void response.writeHead(status, { 'content-type': type }).end(body)
  if (!isOurHost(server, request) || !isOurOrigin(request, []))
    return send(403, 'text/plain', 'Only this pager’s own page, and programs on this machine, may ask.')
  const at = `${request.method ?? ''} ${request.url ?? ''}`
  if (at === 'GET /') return send(200, 'text/html; charset=utf-8', pagerPage)
  if (at === 'GET /health') return mode === 'down' ? send(503, 'text/plain', 'down') : send(200, 'text/plain', 'up')
  if (at === 'GET /pages') return send(200, 'application/json', JSON.stringify({ mode, pages: book.all() }))
  const text = await readBody(request, mostBodyBytes)
  if (text === null) return send(413, 'text/plain', `Send at most ${mostBodyBytes} bytes.`)
  if (at === 'POST /pages') return send(take(text), 'text/plain', '')
  if (at === 'POST /state') return send(setMode(text) ? 204 : 422, 'text/plain', '')
  if (at === 'POST /receipts') return send((await press(text)) ? 204 : 422, 'text/plain', '')
  send(404, 'text/plain', 'There is nothing here.')
}

/** @returns the status of the answer */
function take(text: string): number {
  const page = readPage(text, new Date().toISOString())
  if (!page) return 422
  if (mode === 'down') return 503
  if (mode === 'refuse') return 409
  book.take(page)
  const deliver = (): void => void tell({ pageId: page.id, what: 'delivered', who: '', at: new Date().toISOString() })
  if (mode === 'deliver' || mode === 'duplicate') deliver()
  if (mode === 'duplicate') setTimeout(deliver, 100)
  if (mode === 'delay') setTimeout(deliver, delayMs)
  return 202
}

function setMode(text: string): boolean {
  const wanted = parse(text)['mode']
  const found = pagerModes.find((pagerMode) => pagerMode === wanted)
  if (found) mode = found
  return found !== undefined
}

/** Somebody reads or answers a page on it. */
async function press(text: string): Promise<boolean> {
  const { pageId, what } = parse(text)
  const page = book.find(String(pageId))
  if (!page || (what !== 'read' && what !== 'answered')) return false
  return tell({ pageId: page.id, what, who: page.to, at: new Date().toISOString() })
}

async function tell(receipt: Receipt): Promise<boolean> {
  const response = await fetch(receiptsAt, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'x-signature': signatureOf(receipt, secret) },
    body: JSON.stringify(receipt),
    signal: AbortSignal.timeout(answerMs),
  }).catch(() => null)
  if (response?.ok) book.note(receipt.pageId, receipt.what)
  return response?.ok ?? false
}

function parse(text: string): Record<string, unknown> {
  try {
    return JSON.parse(text) as Record<string, unknown>
  } catch {
    return {}
  }
}
