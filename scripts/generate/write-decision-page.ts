import { writeFileSync } from 'node:fs'
import { decisionPage } from './decision-page'

writeFileSync(new URL('../../docs/formulas.md', import.meta.url), decisionPage())
