import { choice, list, maybe, named, type Of, record, text } from '../shape/index.ts'

/**
 * The drawings of what a step works on, each with the parts that it can show. A route says which of them a step shows and
 * which are due, hatched; how they look is the screen's.
 */
export const drawings = {
  /** Impression and cast in section. */
  cast: ['impression', 'stone', 'base', 'cones'],
  /** A pair of study models from the side. */
  pair: [],
  /** The implant cast from above. */
  implants: ['tissue', 'jig', 'cuts', 'tray'],
  /** A cast post and core in its root. */
  post: ['sprue'],
  /** A ceramic crown, from its block to its glaze. */
  ceramic: ['stub', 'chalk', 'keep', 'support', 'stain', 'glaze', 'heat'],
  /** A clear clasp on its tooth. */
  clasp: ['protection', 'joint'],
  /** Die and pattern in section, of one crown or of a bridge. */
  crown: ['spacer', 'green', 'resin', 'mound', 'margin', 'wax', 'metal'],
  bridge: ['spacer', 'green', 'resin', 'mound', 'margin', 'wax', 'clearance', 'pontic', 'joints', 'metal'],
  /** The casting ring in section. */
  ring: [],
  /** The flask in section. */
  flask: [
    'first',
    'second',
    'cap',
    'castSeparator',
    'firstSeparator',
    'secondSeparator',
    'mouldSeparator',
    'wax',
    'resin',
  ],
  /** Where the saw goes through the middle of the flask. */
  sawCuts: [],
  /** The flask in its bath, or on the bench. */
  bath: ['water'],
  /** The articulator from the side, closed or open. */
  articulator: ['open'],
  /** The denture from the front. */
  denture: [],
} as const satisfies Readonly<Record<string, readonly string[]>>
export type Drawing = keyof typeof drawings
const names = Object.keys(drawings) as readonly Drawing[]

/** The matters of a route whose choice a drawing follows. */
const followed: { readonly [D in Drawing]?: readonly string[] } = { implants: ['implants', 'arch'] }

const part = text(40)
export const pictureShape = record({
  drawing: choice(names),
  /** What is there. */
  shows: list(part, 20),
  /** What this step adds. */
  due: list(part, 20),
  /** The choices that the drawing follows; put in when the route is made. */
  choices: maybe(named(text(80), 10)),
})
export type Picture = Of<typeof pictureShape>

/** A picture with the choices of its route that it follows. */
export function pictureFor(picture: Picture, made: Readonly<Record<string, string>>): Picture {
  const choices = (followed[picture.drawing] ?? []).flatMap((matter) =>
    made[matter] === undefined ? [] : [[matter, made[matter]] as const],
  )
  return choices.length === 0 ? picture : { ...picture, choices: Object.fromEntries(choices) }
}

/** The parts of a picture that its drawing does not have, as sentences. */
export function pictureFaults({ drawing, shows, due }: Picture): string[] {
  const known: readonly string[] | undefined = drawings[drawing]
  if (!known) return [`there is no drawing ${drawing}`]
  return [...shows, ...due]
    .filter((each) => !known.includes(each))
    .map((each) => `${drawing} shows no ${each}`)
}
