// npm run dangers: the tables of what each danger raises in docs/hazards.md, made by planning every example with it, and of what is done about it.
import { readFileSync, writeFileSync } from 'node:fs'
import { withDangers } from './danger-table'
import { withMusts } from './must-table'
import { withWhatNow } from './what-now-table'

const page = new URL('../../docs/hazards.md', import.meta.url)
writeFileSync(page, withMusts(withWhatNow(withDangers(readFileSync(page, 'utf8')))))
