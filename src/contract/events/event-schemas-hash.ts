// Made by `npm run formats`: do not edit.

/** The published schemas of events and plans, as one figure: what another version wrote was made by another one. */
export const eventSchemasHash = '30d62e5cd9711890'
