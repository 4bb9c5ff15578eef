/** The sections of a guide page, in the order in which they stand. */
export const guideSections: Readonly<Record<string, string>> = {
  purpose: 'Purpose',
  cautions: 'Stops and cautions',
  schools: 'Schools',
  measure: 'Measure',
  steps: 'Steps, and the mistakes they prevent',
  fit: 'Fit',
  care: 'Care',
  troubles: 'When something is wrong',
  sources: 'Our sources',
}
