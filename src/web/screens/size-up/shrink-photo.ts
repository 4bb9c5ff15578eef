const mostBytes = 30 * 1024 * 1024
const longestPx = 2000

/**
 * A photo as a JPEG of at most 2000 px, upright, with nothing but its pixels: drawn anew, so place and device are gone.
 * @returns the JPEG, or the sentence that says why not
 */
export async function shrinkPhoto(file: File): Promise<Blob | string> {
  if (file.size > mostBytes) return `The photo has ${Math.round(file.size / 1_048_576)} MB; 30 is the most: take a smaller one.`
  try {
    const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' })
    const scale = Math.min(1, longestPx / Math.max(bitmap.width, bitmap.height))
    const canvas = document.createElement('canvas')
    canvas.width = Math.max(1, Math.round(bitmap.width * scale))
    canvas.height = Math.max(1, Math.round(bitmap.height * scale))
    canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
    bitmap.close()
    const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', 0.86))
    return blob ?? 'The photo could not be made smaller here: try another one.'
  } catch {
    return `${file.name || 'This file'} is not a picture that can be read: take a JPEG or PNG.`
  }
}
