import { writeFileSync } from 'node:fs'
import { approvedSheet } from './approved-sheet'
import { foldedSample } from './folded-sample'
import { approvedPath, exampleFile, exampleNames } from './example-files'

for (const name of exampleNames) writeFileSync(approvedPath(name), approvedSheet(exampleFile(name)))

const { version, hash } = foldedSample()
writeFileSync(new URL('../contract/events/approved-fold.txt', import.meta.url), `${version} ${hash}\n`)
