// npm run dangers: the tables of what each danger raises in docs/hazards.md, made by planning every example with it.
import { readFileSync, writeFileSync } from 'node:fs'
import { withDangers } from './danger-table'

const page = new URL('../../docs/hazards.md', import.meta.url)
writeFileSync(page, withDangers(readFileSync(page, 'utf8')))
