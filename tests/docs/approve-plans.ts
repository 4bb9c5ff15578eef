import { writeFileSync } from 'node:fs'
import { approvedSheet } from './approved-sheet'
import { approvedPath, exampleFile, exampleNames } from './example-files'

for (const name of exampleNames) writeFileSync(approvedPath(name), approvedSheet(exampleFile(name)))
