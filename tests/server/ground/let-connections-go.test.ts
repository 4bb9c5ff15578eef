import { expect } from 'chai'
import express from 'express'
import { Agent, request } from 'node:http'
import type { AddressInfo } from 'node:net'
import { letConnectionsGo } from '../../../src/server/middleware/let-connections-go'

/** What is said of the connection by an answer, and whether the socket is kept for the next one. */
function ask(port: number, agent: Agent): Promise<string | undefined> {
  return new Promise((resolve, reject) => {
    request({ port, host: '127.0.0.1', agent }, (answer) => {
      answer.resume()
      answer.on('end', () => resolve(answer.headers.connection))
    })
      .on('error', reject)
      .end()
  })
}

describe('a server that was asked to stop', () => {
  it('keeps connections while it works, and closes each with its next answer once it is asked to stop', async () => {
    const leaving = new AbortController()
    const app = express().use(letConnectionsGo(leaving.signal), (_request, response) => void response.send('well'))
    const server = app.listen(0, '127.0.0.1')
    const agent = new Agent({ keepAlive: true })
    try {
      await new Promise((resolve) => server.once('listening', resolve))
      const { port } = server.address() as AddressInfo
      expect(await ask(port, agent)).to.equal('keep-alive')
      leaving.abort()
      expect(await ask(port, agent), 'down the connection that was open').to.equal('close')
      expect(await ask(port, agent), 'and down a new one').to.equal('close')
    } finally {
      agent.destroy()
      server.close()
    }
  })

  it('that is never told when it leaves closes nothing', async () => {
    const server = express()
      .use(letConnectionsGo(undefined), (_request, response) => void response.send('well'))
      .listen(0, '127.0.0.1')
    const agent = new Agent({ keepAlive: true })
    try {
      await new Promise((resolve) => server.once('listening', resolve))
      expect(await ask((server.address() as AddressInfo).port, agent)).to.equal('keep-alive')
    } finally {
      agent.destroy()
      server.close()
    }
  })
})
