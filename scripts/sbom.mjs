// npm run sbom: the bill of materials (CycloneDX) of all that the application is made of and built with, from the lock file; --check compares.
import { spawnSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { root } from './build.mjs'
import { needNode, PlainError } from './needs.mjs'

needNode()

/** What npm says of the lock file, without what is another at each asking: number, time, tool. */
function readBill() {
  const asked = spawnSync('npm', ['sbom', '--sbom-format=cyclonedx', '--package-lock-only'], {
    cwd: root,
    encoding: 'utf8',
    maxBuffer: 64 * 1024 * 1024,
  })
  if (asked.status !== 0) throw new PlainError(`npm sbom failed: ${asked.stderr.trim().split('\n').at(-1)}. It needs npm 9.5 or later.`)
  const { serialNumber: _number, metadata, ...bill } = JSON.parse(asked.stdout)
  const component = { ...metadata.component, name: 'zesty-wren' }
  return { ...bill, metadata: { component }, components: bill.components.map(({ externalReferences: _, ...one }) => one) }
}

/** What is in one bill and not in the other, by name, version and checksum: how an npm writes it down is its own. */
function differences(one, other) {
  const keyOf = ({ name, version, hashes }) => [`${name}@${version}`, ...(hashes ?? []).map(({ content }) => content)].join(' ')
  const known = new Set(other.components.map(keyOf))
  return one.components.filter((component) => !known.has(keyOf(component))).map(({ name, version }) => `${name}@${version}`)
}

try {
  const file = join(root, 'docs/bill-of-materials.cdx.json')
  const bill = readBill()
  if (process.argv.includes('--check')) {
    const kept = JSON.parse(readFileSync(file, 'utf8'))
    const [missing, gone] = [differences(bill, kept), differences(kept, bill)]
    if (missing.length + gone.length > 0)
      throw new PlainError(
        `The bill of materials is not of this lock file: run npm run sbom. Missing: ${missing.join(', ')}. Gone: ${gone.join(', ')}.`,
      )
    process.stdout.write(`${bill.components.length} packages, as the lock file has them.\n`)
  } else {
    writeFileSync(file, `${JSON.stringify(bill, null, 1)}\n`)
    process.stdout.write(`${file}: ${bill.components.length} packages.\n`)
  }
} catch (error) {
  process.stderr.write(`${error instanceof PlainError ? error.message : (error.stack ?? error)}\n`)
  process.exit(1)
}
