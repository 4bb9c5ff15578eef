import { Fragment } from 'react'
import { patientLabel } from '#contract/records/episode'
import type { OpenCase } from '../../sync/case-store'

/** What is read aloud: name and a second identifier. */
export function Identifiers({ open }: { open: OpenCase }) {
  const { patient } = open.episode
  const facts = [patientLabel(open.episode), patient.born ? `born ${patient.born}` : '', patient.number].filter(Boolean)
  return (
    <p className="rounded-2xl bg-well px-4 py-3 text-lg font-bold">
      {facts.map((fact, index) => (
        // A date or a number that breaks over two lines is read wrongly.
        <Fragment key={fact}>
          {index > 0 ? ' · ' : ''}
          <span className={index > 0 ? 'whitespace-nowrap' : ''}>{fact}</span>
        </Fragment>
      ))}
      {patient.isTemporary ? (
        <span className="block text-base font-semibold text-caution">
          Temporary name: check the wristband, and the side with the patient.
        </span>
      ) : null}
    </p>
  )
}
