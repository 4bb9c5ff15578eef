// Made by `npm run formats`: do not edit.

/** The published schema of case files, as one figure: a file that another version saved carries another one. */
export const caseSchemaHash = 'f63d00ca46e93386'
