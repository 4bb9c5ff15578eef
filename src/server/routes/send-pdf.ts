import type { Response } from 'express'

/** Sends a PDF to be read in the browser's own viewer. */
export function sendPdf(response: Response, name: string, bytes: Buffer): void {
  // The viewer draws inside the answer: a policy that allows nothing would leave it blank. No script can run in it.
  response.removeHeader('content-security-policy')
  response.type('application/pdf').set('content-disposition', `inline; filename="${name}.pdf"`).send(bytes)
}
