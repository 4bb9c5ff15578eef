/** A photo as it is measured on: upright, its size in pixels, an object URL that its user lets go. */
export interface LoadedPhoto {
  readonly url: string
  readonly width: number
  readonly height: number
}

const mostBytes = 30 * 1024 * 1024

/**
 * Reads a picture file and turns it upright by its own mark.
 * @throws Error whose message names the reason and the remedy
 */
export async function loadPhoto(blob: Blob, name: string): Promise<LoadedPhoto> {
  if (blob.size > mostBytes) throw new Error(`The photo has ${Math.round(blob.size / 1_048_576)} MB; 30 is the most: take a smaller one.`)
  const upright = await drawUpright(blob).catch(() => null)
  if (!upright) throw new Error(`${name || 'This file'} is not a picture that can be read: take a JPEG or PNG.`)
  return upright
}

async function drawUpright(blob: Blob): Promise<LoadedPhoto | null> {
  const bitmap = await createImageBitmap(blob, { imageOrientation: 'from-image' })
  const { width, height } = bitmap
  const canvas = document.createElement('canvas')
  canvas.width = width
  canvas.height = height
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0)
  bitmap.close()
  const drawn = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', 0.92))
  return drawn && { url: URL.createObjectURL(drawn), width, height }
}
