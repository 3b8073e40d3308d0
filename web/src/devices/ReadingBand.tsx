/** A reading as a bar that grows towards the band in which it must end. */
export function ReadingBand({
  value,
  least,
  most,
  full,
  target,
  tooMuch,
}: {
  readonly value: number
  readonly least: number
  readonly most: number
  /** Where the drawing ends. */
  readonly full: number
  readonly target?: number
  readonly tooMuch: boolean
}) {
  const share = (part: number) => `${(100 * Math.min(1, Math.max(0, part / full))).toFixed(2)}%`
  return (
    <div
      className="bg-base-200 border-base-300 relative mt-3 h-8 overflow-hidden rounded-xl border"
      aria-hidden
    >
      <div className="hatched absolute inset-y-0" style={{ left: share(least), right: 0 }} />
      <div
        className="absolute inset-y-0 opacity-60"
        style={{ left: share(least), width: share(most - least), background: 'var(--good)' }}
      />
      <div
        className="absolute inset-y-0 left-0"
        style={{ width: share(value), background: tooMuch ? 'var(--color-error)' : 'var(--stone)' }}
      />
      {target !== undefined && (
        <div className="bg-base-content absolute inset-y-0 w-0.5" style={{ left: share(target) }} />
      )}
    </div>
  )
}
