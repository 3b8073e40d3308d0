import type { Of, Shape } from './shape.ts'

/**
 * A question that other programs may ask over the network as well: what goes in, declared once, and the core function that
 * answers. `POST /api/calc/<name>` and its description follow from it.
 */
export interface Calculator<S extends Shape = Shape, A extends object = object> {
  readonly name: string
  readonly summary: string
  readonly input: S
  readonly example: Of<S>
  /** Takes long enough to be worked out apart from everything else. */
  readonly heavy?: boolean
  readonly answer: (input: Of<S>) => A
}

/** Declares a calculator; its types follow from the shape. */
export const calculator = <S extends Shape, A extends object>(declared: Calculator<S, A>): Calculator<S, A> =>
  declared
