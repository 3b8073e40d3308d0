import { DomainError } from '../refusal/index.ts'
import type { Point } from '../trimming/index.ts'
import { type ArchForm, type ArchPlace, halfWidthAt } from './arch-form.ts'

/** How the back teeth leave the rim for the ridge. */
interface PosteriorRule {
  readonly rim: ArchForm
  readonly crest: ArchForm
  /** Height of the plan at which the canine ends. */
  readonly startY: number
  /** So far along the path the teeth stand over the crest. */
  readonly crestAfterMillimetres: number
}

/** Of the march along the path, mm: its error is far below what anybody can set. */
const STRIDE = 0.02
const LONGEST = 60

/**
 * The line on which the back teeth stand, left side: from the rim at the canine it moves in evenly until it runs on the
 * crest, x = (1 - w) x_rim + w x_crest with w from 0 to 1 in a smooth step (3 w² - 2 w³) along the way.
 *
 * @returns the place so far along it, its direction towards the back
 * @throws {DomainError} `beyond-arch`
 * Source: common practice, premolars follow from the canine toward the middle of the ridge; the smooth step our choice.
 */
export function posteriorPath({
  rim,
  crest,
  startY,
  crestAfterMillimetres,
}: PosteriorRule): (lengthMillimetres: number) => ArchPlace {
  const at = (y: number, length: number): Point => {
    const share = Math.min(1, length / crestAfterMillimetres)
    const w = share * share * (3 - 2 * share)
    const onRim = w < 1 ? halfWidthAt(rim, y) : 0
    const onCrest = w > 0 ? halfWidthAt(crest, y) : 0
    if (onRim === undefined || onCrest === undefined) throw ends(w < 0.5 ? 'rim' : 'crest')
    return { x: (1 - w) * onRim + w * onCrest, y }
  }
  const walked: { readonly length: number; readonly point: Point }[] = [{ length: 0, point: at(startY, 0) }]
  return (wanted) => {
    while (walked.at(-1)!.length < wanted + STRIDE) {
      const last = walked.at(-1)!
      if (last.length > LONGEST) throw ends('crest')
      const next = at(last.point.y - STRIDE, last.length)
      walked.push({
        length: last.length + Math.hypot(next.x - last.point.x, next.y - last.point.y),
        point: next,
      })
    }
    const after = walked.findIndex(({ length }) => length > wanted)
    const [a, b] = [walked[after - 1]!, walked[after]!]
    const share = (wanted - a.length) / (b.length - a.length)
    const [dx, dy] = [b.point.x - a.point.x, b.point.y - a.point.y]
    const size = Math.hypot(dx, dy)
    return {
      at: { x: a.point.x + share * dx, y: a.point.y + share * dy },
      along: { x: dx / size, y: dy / size },
    }
  }
}

function ends(field: 'rim' | 'crest'): DomainError {
  return new DomainError(
    'beyond-arch',
    `The ${field} as measured ends before the last molar.`,
    'Measure further back, or set fewer teeth.',
    field,
  )
}
