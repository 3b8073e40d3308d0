/** The hatching of what is not there yet, or must be left alone: a pattern for `fill="url(#id)"`, `size` in the drawing's own unit. */
export function Hatch({ id, size = 9 }: { id: string; size?: number }) {
  return (
    <pattern id={id} width={size} height={size} patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
      <rect width={size} height={size} fill="var(--color-base-200, #eee)" />
      <rect width={0.44 * size} height={size} fill="var(--color-base-300, #ccc)" />
    </pattern>
  )
}
