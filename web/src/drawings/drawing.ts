import type { Drawing, drawings } from '@yentrik/core'

/** The parts that a drawing can show. */
type PartOf<D extends Drawing> = (typeof drawings)[D][number]

/** How a part stands at a step: in place, or what the step adds; undefined: not there. */
type Standing = 'there' | 'due' | undefined

export interface DrawingProps<D extends Drawing> {
  readonly part: (name: PartOf<D>) => Standing
  /** Of the work authorisation, in FDI notation; none where it is not known. */
  readonly teeth: readonly number[]
  /** Those that the drawing follows. */
  readonly choices: Readonly<Record<string, string>>
}

export const ink = 'var(--color-base-content)'

/** The fill of a part: its colour once it is there, hatched while it is due. @param hatch the id of a `Hatch` */
export function fillOf(standing: Standing, colour: string, hatch: string, missing = 'none'): string {
  if (standing === 'there') return colour
  return standing === 'due' ? `url(#${hatch})` : missing
}

/** The line round a part: broken until it is there. */
export const lineOf = (standing: Standing) => ({
  stroke: ink,
  strokeWidth: 1.5,
  strokeDasharray: standing === 'there' ? undefined : '6 4',
})
