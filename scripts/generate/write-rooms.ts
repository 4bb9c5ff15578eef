// npm run rooms: the picture of the rooms in docs/architecture.md, made from the imports.
import { readFileSync, writeFileSync } from 'node:fs'
import { withPicture } from './rooms'

const page = new URL('../../docs/architecture.md', import.meta.url)
writeFileSync(page, withPicture(readFileSync(page, 'utf8')))
