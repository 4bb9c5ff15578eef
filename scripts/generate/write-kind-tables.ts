// npm run kinds: the tables of the kinds of events, made from their files.
import { writeFileSync } from 'node:fs'
import { kindTables } from './kind-tables'

for (const { file, text } of kindTables()) writeFileSync(file, text)
