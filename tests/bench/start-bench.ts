import { spawn } from 'node:child_process'
import { cpSync, mkdtempSync, rmSync, symlinkSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Figure } from './figure'

/** The second npm start of a copy of the project: from the command to "ready". */
export async function benchStart(root: string): Promise<readonly Figure[]> {
  const copy = mkdtempSync(join(tmpdir(), 'wren-start-'))
  try {
    for (const part of ['scripts', 'src', 'dist', 'docs/formats', 'package.json', 'package-lock.json', 'vite.config.ts']) {
      cpSync(join(root, part), join(copy, part), { recursive: true, preserveTimestamps: true })
    }
    symlinkSync(join(root, 'node_modules'), join(copy, 'node_modules'))
    await timeStart(copy)
    return [{ name: 'second npm start until ready', value: (await timeStart(copy)) / 1000, unit: 's', limit: 5 }]
  } finally {
    rmSync(copy, { recursive: true, force: true, maxRetries: 5 })
  }
}

function timeStart(folder: string): Promise<number> {
  return new Promise((resolve, reject) => {
    const start = performance.now()
    const child = spawn(process.execPath, ['scripts/start.mjs', '--port', '4199'], { cwd: folder })
    let output = ''
    let took = 0
    child.stdout.on('data', (chunk: Buffer) => {
      output += chunk.toString()
      if (took > 0 || !output.includes('is ready at')) return
      took = performance.now() - start
      child.kill('SIGTERM')
    })
    child.on('exit', () => (took > 0 ? resolve(took) : reject(new Error(output))))
  })
}
