// usage: node --import tsx tests/zz-look.ts NAME  (browser against app on 4300)
import { writeFileSync } from 'node:fs'
import { closeShared } from './harness/shared'
import { signIn, startBrowser } from './harness/browser'
import { seedCase, sendRound, quietRound, startRun, sendApplied } from './harness/seed-case'
import { walkTo } from './harness/run-steps'
const address = 'http://127.0.0.1:4300'
const browser = await startBrowser(address)
const size = async (w: number, h: number) => {
  await browser.setViewport(w, h)
  await browser.driver.sendAndGetDevToolsCommand('Emulation.setTouchEmulationEnabled', { enabled: w < 500 })
}
const dark = (on: boolean) =>
  browser.driver.sendAndGetDevToolsCommand('Emulation.setEmulatedMedia', {
    features: [{ name: 'prefers-color-scheme', value: on ? 'dark' : 'light' }],
  })
const shot = async (name: string) => {
  await browser.driver.sleep(500)
  writeFileSync(`/tmp/x/shots/${name}.png`, await browser.driver.takeScreenshot(), 'base64')
}
try {
  await size(1280, 800)
  await signIn(browser, 'isolde', 'gale over tern sound')
  const { default: run } = (await import(`/tmp/x/${process.argv[2]}.ts`)) as { default: (t: object) => Promise<void> }
  await run({ browser, size, dark, shot, seedCase, sendRound, quietRound, startRun, sendApplied, walkTo })
} catch (error) {
  console.error(error)
} finally {
  await closeShared()
}
process.exit(0)
