/** Parses text; null for what is no JSON, which every reader of files refuses in words. */
export function parseJson(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}
