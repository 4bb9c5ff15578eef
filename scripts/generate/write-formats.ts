// npm run formats: the published schemas, made from what the programs check with.
import { writeFileSync } from 'node:fs'
import { schemaFiles } from './schema-files'

for (const { file, text } of await schemaFiles()) writeFileSync(file, text)
