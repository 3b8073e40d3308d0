/** So long at a stretch nobody else is answered, ms (choice). */
const STRETCH_MILLIS = 15

export const letOthersIn = (): Promise<void> => new Promise((resolve) => setImmediate(resolve))

/** Does something with each of many, one after the other, and answers whoever else asks in between. */
export async function inPieces<T>(
  items: readonly T[],
  work: (item: T, index: number) => void,
): Promise<void> {
  let begun = performance.now()
  for (const [index, item] of items.entries()) {
    work(item, index)
    if (performance.now() - begun < STRETCH_MILLIS) continue
    await letOthersIn()
    begun = performance.now()
  }
}
