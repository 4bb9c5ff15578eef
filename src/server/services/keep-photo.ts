import { createHash } from 'node:crypto'
import sharp from 'sharp'
import { ApiError } from '../ground/api-error'

const mostBytes = 2 * 1024 * 1024
const longestPx = 2000

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
 * @throws ApiError 422 `not-a-picture` for anything that does not decode
 */
export async function encodePhoto(bytes: Buffer): Promise<KeptPhoto> {
  try {
    const image = sharp(bytes, { limitInputPixels: 60_000_000, failOn: 'error' }).rotate()
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
