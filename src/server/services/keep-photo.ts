import { createHash } from 'node:crypto'
import pLimit from 'p-limit'
import sharp from 'sharp'
import { ApiError } from '../ground/api-error'

const mostBytes = 2 * 1024 * 1024
const longestPx = 2000
/** What cameras and scanners make; a drawing that is worked out pixel by pixel is none of it. */
const formats = ['jpeg', 'png', 'webp', 'heif', 'gif', 'tiff']
/** The largest that a camera makes is read in steps; anything else lies whole in memory. */
const mostPixels = { jpeg: 110_000_000, other: 30_000_000 } as const
const atOnce = 2
const mostWaiting = 20
const turns = pLimit(atOnce)

export interface KeptPhoto {
  readonly bytes: Buffer
  readonly sha256: string
  readonly width: number
  readonly height: number
}

/**
 * Encodes a photo again: turned upright by its own mark, no larger than needed, and without anything but pixels, so that
 * place and device are gone.
 * @param bytes as sent; at most 8 MB came through the door
 * @throws ApiError 422 `not-a-picture` for anything that does not decode, or is larger than a camera makes; 503 while too many wait
 */
export function encodePhoto(bytes: Buffer): Promise<KeptPhoto> {
  if (turns.pendingCount >= mostWaiting)
    throw new ApiError(503, 'unavailable', 'Too many photos come at this moment: wait a little, then send it again.')
  return turns(() => encode(bytes))
}

async function encode(bytes: Buffer): Promise<KeptPhoto> {
  try {
    // Only its head is read for this.
    const { format, width, height } = await sharp(bytes).metadata()
    const most = format === 'jpeg' ? mostPixels.jpeg : mostPixels.other
    if (!formats.includes(format) || width * height > most) throw new Error(format)
    const image = sharp(bytes, { limitInputPixels: most, failOn: 'error', sequentialRead: true }).rotate()
    let quality = 85
    for (;;) {
      const { data, info } = await image
        .clone()
        .resize({ width: longestPx, height: longestPx, fit: 'inside', withoutEnlargement: true })
        .flatten({ background: '#ffffff' })
        .jpeg({ quality })
        .toBuffer({ resolveWithObject: true })
      if (data.length <= mostBytes || quality <= 45) {
        return { bytes: data, sha256: createHash('sha256').update(data).digest('hex'), width: info.width, height: info.height }
      }
      quality -= 15
    }
  } catch {
    throw new ApiError(422, 'not-a-picture', 'This file is not a picture that can be read: take a JPEG or PNG.', {
      errors: [{ code: 'format', path: 'photo', message: 'The photo is not a picture that can be read: take a JPEG or PNG.' }],
    })
  }
}
