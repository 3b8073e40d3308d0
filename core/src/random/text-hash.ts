/** A number from 0 to 2^32 - 1 of a text: another one for nearly any other text (FNV-1a, 32 bit; public domain). */
export function textHash(text: string): number {
  let hash = 0x811c9dc5
  for (const letter of text) hash = Math.imul(hash ^ letter.codePointAt(0)!, 0x01000193)
  return hash >>> 0
}
