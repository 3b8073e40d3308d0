import { type Of, type Right, type Shape, typedAs } from '@yentrik/core'

/** The parts of the house that the description of the API is ordered by. */
export type Room =
  | 'health'
  | 'people'
  | 'cases'
  | 'bench'
  | 'materials'
  | 'mixing'
  | 'devices'
  | 'set-up'
  | 'equipment'
  | 'casting'
  | 'machines'
  | 'lab'
  | 'planning'
  | 'practice'
  | 'quality'
  | 'backups'
  | 'network'
  | 'clock'
  | 'refusals'

/** What goes over one route, both ways. The server answers by it, the screens ask by it, OpenAPI describes it. */
export interface Declared<
  B extends Shape | undefined = Shape | undefined,
  Q extends Shape | undefined = Shape | undefined,
  A extends Shape = Shape,
  O extends boolean = boolean,
> {
  readonly room: Room
  readonly summary: string
  readonly body: B
  readonly query: Q
  readonly answer: A
  /** Of a good answer: 200 when something is read or worked out, 201 when something new is there, 204 with nothing to say. */
  readonly status: 200 | 201 | 202 | 204
  /** What somebody must be allowed to do. */
  readonly right: Right
  /** Answers without a session. */
  readonly open: O
  /** The largest body, bytes. */
  readonly most: number
  /** The body is looked at by whoever takes it in, not at the door. */
  readonly unchecked: boolean
  /** Says nothing of a case or a person: a browser may keep the answer, and asks each time whether it still holds. */
  readonly keepable: boolean
}

/** Enough for a burnout by the minute with its picture; nothing a bench enters is larger. */
export const USUAL_MOST = 1_000_000

/** Declares a route. */
export function route<
  A extends Shape,
  B extends Shape | undefined = undefined,
  Q extends Shape | undefined = undefined,
  O extends boolean = false,
>(wish: {
  readonly room: Room
  readonly summary: string
  /** Left out: to look is enough. */
  readonly right?: Right
  readonly body?: B
  readonly query?: Q
  readonly answer: A
  readonly status?: Declared['status']
  readonly open?: O
  readonly most?: number
  readonly unchecked?: boolean
  readonly keepable?: boolean
}): Declared<B, Q, A, O> {
  const {
    body,
    query,
    right = 'look',
    status = 200,
    open = false,
    most = USUAL_MOST,
    unchecked = false,
    keepable = false,
    ...said
  } = wish
  return {
    ...said,
    right,
    body: body as B,
    query: query as Q,
    status,
    open: open as O,
    most,
    unchecked,
    keepable,
  }
}

/** An answer that the core declares as a type: a result with more in it than a description would help with. */
export const result = <T>(description: string) => typedAs<T>({ type: 'object', description })
export const results = <T>(description: string) =>
  typedAs<readonly T[]>({ type: 'array', items: { type: 'object', description } })
/** Nothing to say. */
export const nothing = typedAs<void>({})

export type AnswerOf<D> = D extends { readonly answer: infer A extends Shape } ? Of<A> : never
export type BodyOf<D> = D extends { readonly body: infer B extends Shape } ? Of<B> : undefined
export type QueryOf<D> = D extends { readonly query: infer Q extends Shape } ? Of<Q> : undefined
