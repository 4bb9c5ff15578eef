import { writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { makeReference } from '../../src/server/self-check/check-core'
import { approvedSheet } from './approved-sheet'
import { foldedSample } from './folded-sample'
import { approvedPath, exampleFile, exampleNames } from './example-files'

for (const name of exampleNames) writeFileSync(approvedPath(name), approvedSheet(exampleFile(name)))

const { version, text } = foldedSample()
writeFileSync(new URL('../../tests/contract/events/approved-fold.txt', import.meta.url), `version ${version}\n\n${text}`)

const formats = new URL('../../docs/formats/', import.meta.url)
writeFileSync(new URL('self-check.json', formats), `${JSON.stringify(makeReference(fileURLToPath(formats)), null, 1)}\n`)
