import type { CaseRecord } from '../../records/case'
import type { PageBody } from '../../records/page'
import { exampleId } from '../example-ids'
import { caseKind } from '../kind'

/** Somebody was paged about what is urgent: written by the server, with the page itself, in one transaction. */
export const paged = caseKind<PageBody>({
  nature: 'additive',
  right: 'server',
  fold: (record, { at, actorName: by, body }): CaseRecord => ({
    ...record,
    pages: [...(record.pages ?? []), { ...body, at, by, receipts: [] }],
  }),
  example: {
    pageId: exampleId,
    step: 0,
    role: 'Nurse in charge',
    name: 'Wenna Trewin',
    text: 'Ward A, bed 2: left ankle, pulse absent since 03:04',
    findings: ['leg-left/pulse'],
  },
})
