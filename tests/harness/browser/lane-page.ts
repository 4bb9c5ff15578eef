import { mkdtempSync, rmSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import express from 'express'
import { build } from 'vite'
import { root } from '../root'

/** Builds the page that draws lanes alone, without an application round them, and serves it on loopback. */
export async function startLanePage(): Promise<{ readonly address: string; readonly close: () => Promise<void> }> {
  const outDir = mkdtempSync(join(tmpdir(), 'wren-lanes-'))
  await build({
    configFile: false,
    logLevel: 'error',
    root: fileURLToPath(new URL('tests/harness/browser/lane-page/', root)),
    plugins: [react(), tailwindcss()],
    build: { outDir, emptyOutDir: true, target: 'es2023', minify: false, modulePreload: false },
  })
  const app = express()
  app.use(express.static(outDir))
  const server = app.listen(0, '127.0.0.1')
  await new Promise((resolve) => server.once('listening', resolve))
  return {
    address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    close: async () => {
      server.closeAllConnections()
      await new Promise((resolve) => server.close(resolve))
      rmSync(outDir, { recursive: true, force: true })
    },
  }
}
