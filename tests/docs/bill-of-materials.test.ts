import { expect } from 'chai'
import { spawnSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'

const root = join(import.meta.dirname, '../..')

describe('the bill of materials', () => {
  const text = readFileSync(join(root, 'docs/bill-of-materials.cdx.json'), 'utf8')
  const { dependencies } = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8')) as {
    dependencies: Readonly<Record<string, string>>
  }

  it('is of this lock file (npm run sbom)', () => {
    const checked = spawnSync(process.execPath, ['scripts/sbom.mjs', '--check'], { cwd: root, encoding: 'utf8' })
    expect(checked.status, checked.stderr).to.equal(0)
  }).timeout(30_000)

  it('names whatever the application asks for, with version and licence', () => {
    const { bomFormat, components } = JSON.parse(text) as {
      bomFormat: string
      components: readonly { name: string; version: string; licenses?: readonly unknown[] }[]
    }
    expect(bomFormat).to.equal('CycloneDX')
    for (const name of Object.keys(dependencies)) {
      const found = components.find((component) => component.name === name)
      expect(found?.version, name).to.match(/^\d+\.\d+\.\d+/)
      expect(found?.licenses?.length, name).to.be.greaterThan(0)
    }
  })

  it('names no machine and no address of a registry', () => {
    expect(text).not.to.match(/registry\.|\/home\/|file:|\/work\//)
  })
})
