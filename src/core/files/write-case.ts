import type { ClinicalCase } from '../model/clinical-case'
import { fileSchemas } from './file-schemas'

/** A case as a file: what `readCase` reads. */
export interface CaseFileData extends ClinicalCase {
  readonly format: 'zesty-wren/case'
  readonly version: 1
  /** Of the version that wrote it. */
  readonly schemas: string
}

/** Writes a case as a file, so that reading it gives the same case. */
export function caseFile(clinicalCase: ClinicalCase): CaseFileData {
  return { format: 'zesty-wren/case', version: 1, ...fileSchemas, ...clinicalCase }
}
