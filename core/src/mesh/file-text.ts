/** Bytes as text, one character a byte (Latin-1): enough for the numbers and words of mesh files. */
export function fileText(file: ArrayBuffer, from = 0, to = file.byteLength): string {
  const bytes = new Uint8Array(file, from, Math.min(to, file.byteLength) - from)
  let text = ''
  // In pieces: one call takes only so many arguments.
  for (let at = 0; at < bytes.length; at += 8192)
    text += String.fromCharCode(...bytes.subarray(at, at + 8192))
  return text
}
