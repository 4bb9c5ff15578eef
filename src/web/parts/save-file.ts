/** How long a browser may take to fetch what it is handed, ms. */
const fetchedMs = 60_000

/** Hands something to the person as a JSON file of that name. */
export function saveJson(name: string, content: object): void {
  const address = URL.createObjectURL(new Blob([`${JSON.stringify(content, null, 2)}\n`], { type: 'application/json' }))
  const link = document.createElement('a')
  link.href = address
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(address), fetchedMs)
}
