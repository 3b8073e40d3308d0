import { type Drawing, type Picture, type RouteTemplate, stages, type TemplateStep } from '../route/index.ts'

/** What a step shows: what is there, and what it adds. */
export const shows = (
  drawing: Drawing,
  there: readonly string[] = [],
  due: readonly string[] = [],
): Picture => ({ drawing, shows: there, due })

/** The three pours of a flask, as they stand once all are in. */
export const POURS = ['first', 'second', 'cap'] as const

const cast = shows('cast', ['stone', 'base'])
const denture = shows('denture')

/** What the parts of the workshop look like in most jobs. */
const usual: RouteTemplate['pictures'] = {
  receive: shows('cast', ['impression']),
  pour: shows('cast', ['impression', 'stone']),
  trim: cast,
  mount: shows('articulator'),
  setUp: shows('articulator'),
  invest: shows('ring'),
  burnOut: shows('ring'),
  cast: shows('ring'),
  flask: shows('flask', [...POURS, 'wax']),
  pack: shows('flask', [...POURS, 'resin']),
  cure: shows('bath', ['water']),
  deflask: shows('flask', [...POURS, 'resin']),
  remount: shows('articulator', ['open']),
}

/** Jobs that end in a cast. */
export const castPictures: RouteTemplate['pictures'] = {
  ...usual,
  check: cast,
  document: cast,
  deliver: cast,
}

/** Jobs that end in a denture. */
export const denturePictures: RouteTemplate['pictures'] = {
  ...usual,
  wax: denture,
  clinic: denture,
  recover: denture,
  finish: denture,
  polish: denture,
  check: denture,
  document: denture,
  deliver: denture,
}

/** Jobs on a die: the bare die until wax lies on it. */
export function diePictures(drawing: 'crown' | 'bridge', ends: Picture): RouteTemplate['pictures'] {
  const die = shows(drawing)
  return {
    ...usual,
    pour: die,
    trim: die,
    mount: die,
    setUp: die,
    wax: die,
    finish: ends,
    polish: ends,
    check: ends,
    document: ends,
    deliver: ends,
  }
}

/** The same whatever is done. */
export const onePicture = (picture: Picture): RouteTemplate['pictures'] =>
  Object.fromEntries(stages.map((stage) => [stage, picture]))

/** The layers of a pattern under its outer wax, and all of it. */
export const UNDER_WAX = ['spacer', 'green', 'resin', 'mound'] as const
export const WAXED = [...UNDER_WAX, 'margin', 'wax'] as const

/** Steps that a bridge shares with a crown, on the drawing of the bridge. */
export const onBridge = (steps: readonly TemplateStep[]): TemplateStep[] =>
  steps.map((step) =>
    step.picture?.drawing === 'crown' ? { ...step, picture: { ...step.picture, drawing: 'bridge' } } : step,
  )
