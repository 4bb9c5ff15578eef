import { closeSync, openSync } from 'node:fs'

/**
 * Whether anchors can be written where they are to be; the file is made where it is not there.
 * @throws with a sentence that names the setting and why not
 */
export function tryAnchorFile(file: string): void {
  try {
    closeSync(openSync(file, 'a'))
  } catch (error) {
    const isGone = (error as NodeJS.ErrnoException).code === 'ENOENT'
    const why = isGone ? 'its folder is not there' : 'the server may not write there'
    throw new Error(
      `WREN_ANCHORS names ${file}, which cannot be written: ${why}. Make it writable for the server, or leave the setting out.`,
    )
  }
}
