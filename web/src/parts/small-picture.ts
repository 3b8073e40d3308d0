/** Longest side of a picture on record, px: enough to see casts by, small enough for an event. */
const LONGEST_SIDE = 640
/** Characters of its data URL at most; the core refuses more than a little above this. */
const MOST = 100_000

/**
 * A picture as a small JPEG in a data URL, made coarser until it is small enough.
 * @returns undefined when the file is no picture that this browser can read
 */
export async function smallPicture(file: File): Promise<string | undefined> {
  const bitmap = await createImageBitmap(file).catch(() => undefined)
  if (!bitmap) return undefined
  for (let side = LONGEST_SIDE; side >= 160; side /= 2) {
    const scale = Math.min(1, side / Math.max(bitmap.width, bitmap.height))
    const canvas = document.createElement('canvas')
    canvas.width = Math.max(1, Math.round(bitmap.width * scale))
    canvas.height = Math.max(1, Math.round(bitmap.height * scale))
    canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
    for (const quality of [0.8, 0.6, 0.4]) {
      const url = canvas.toDataURL('image/jpeg', quality)
      if (url.length <= MOST) return url
    }
  }
  return undefined
}
