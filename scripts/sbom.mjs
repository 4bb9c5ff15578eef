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

/** What the lock file has, each by name, version and checksum: how an npm writes a bill down is its own. */
function locked() {
  const { packages } = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8'))
  return Object.entries(packages).flatMap(([path, { version, integrity, link }]) => {
    if (path === '' || link) return []
    const hash = integrity ? ` ${Buffer.from(integrity.replace(/^sha512-/, ''), 'base64').toString('hex')}` : ''
    return [`${path.split('node_modules/').at(-1)}@${version}${hash}`]
  })
}

/** The same of a bill. */
function billed({ components }) {
  return components.map(({ name, group, version, hashes }) =>
    [`${group ? `${group}/` : ''}${name}@${version}`, ...(hashes ?? []).map(({ content }) => content)].join(' '),
  )
}

/** What is in one list and not in the other, by name and version. */
function missingFrom(list, other) {
  const known = new Set(other)
  return [...new Set(list.filter((one) => !known.has(one)).map((one) => one.split(' ')[0]))]
}

try {
  const file = join(root, 'docs/bill-of-materials.cdx.json')
  if (process.argv.includes('--check')) {
    const [wanted, kept] = [locked(), billed(JSON.parse(readFileSync(file, 'utf8')))]
    const [missing, gone] = [missingFrom(wanted, kept), missingFrom(kept, wanted)]
    if (missing.length + gone.length > 0)
      throw new PlainError(
        `The bill of materials is not of this lock file: run npm run sbom. Missing: ${missing.join(', ')}. Gone: ${gone.join(', ')}.`,
      )
    process.stdout.write(`${kept.length} packages, as the lock file has them.\n`)
  } else {
    const bill = readBill()
    writeFileSync(file, `${JSON.stringify(bill, null, 1)}\n`)
    process.stdout.write(`${file}: ${bill.components.length} packages.\n`)
  }
} catch (error) {
  process.stderr.write(`${error instanceof PlainError ? error.message : (error.stack ?? error)}\n`)
  process.exit(1)
}
