/// <reference lib="webworker" />
import { catalogue } from '#core/catalogue/catalogue'
import type { ClinicalCase } from '#core/model/clinical-case'
import { createMemo } from '#core/model/plan-context'
import type { Protocol } from '#core/quantities/defaults'
import { whatIf, type Question, type WhatIf } from '#core/techniques/what-if'

export interface QuestionJob {
  readonly key: string
  readonly clinicalCase: ClinicalCase
  readonly protocol: Protocol
  readonly now: string
  readonly questions: readonly Question[]
}
export interface QuestionAnswer {
  readonly key: string
  readonly results: readonly WhatIf[]
}

const scope = self as unknown as DedicatedWorkerGlobalScope
let newest: QuestionJob | null = null

/** Only the newest job is worked on: what was asked before it is of a case that is no more. */
scope.onmessage = ({ data }: MessageEvent<QuestionJob>) => {
  if (newest === null) setTimeout(work)
  newest = data
}

function work(): void {
  if (!newest) return
  const { key, clinicalCase, protocol, now, questions } = newest
  newest = null
  const results = whatIf(clinicalCase, { catalogue, protocol, seed: 1, now, zone: 'UTC', memo: createMemo() }, questions)
  scope.postMessage({ key, results } satisfies QuestionAnswer)
}
