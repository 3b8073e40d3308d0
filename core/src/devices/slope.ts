/**
 * How fast a reading changes: the slope of a least-squares line through the last moments, per second; 0 with fewer than two.
 * @param samples in time order, `at` in ms, the newest last
 */
export function perSecond<T extends { readonly at: number }>(
  samples: readonly T[],
  read: (sample: T) => number,
  windowMillis: number,
): number {
  const newest = samples.at(-1)?.at ?? 0
  const recent = samples.filter(({ at }) => newest - at <= windowMillis)
  if (recent.length < 2) return 0
  const mean = (of: (sample: T) => number) => recent.reduce((sum, each) => sum + of(each), 0) / recent.length
  const meanAt = mean(({ at }) => at)
  const meanValue = mean(read)
  let [top, bottom] = [0, 0]
  for (const each of recent) {
    top += (each.at - meanAt) * (read(each) - meanValue)
    bottom += (each.at - meanAt) ** 2
  }
  return bottom === 0 ? 0 : (1000 * top) / bottom
}
