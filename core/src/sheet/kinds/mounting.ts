import { articulatorCards, articulatorShape, checkArticulator } from '../../mounting/index.ts'
import { qty, saying } from '../../quantity/index.ts'
import { DomainError } from '../../refusal/index.ts'
import { figure, maybe, record, text, yesNo } from '../../shape/index.ts'
import { sheetKind } from '../sheet-kind.ts'

/** How near zero the pin must stand, mm (choice). */
const PIN_TOLERANCE_MILLIMETRES = 0.1
/** Further than this no pin goes either way, mm (choice). */
const PIN_ENDS_MILLIMETRES = 20
/** Of a picture on record, characters: about 80 kB, enough to see the casts by. */
const LONGEST_PHOTO = 110_000

const goodMounting = () => {
  const { name, articulator } = articulatorCards[0]!
  return { name, articulator, pinMillimetres: 0, facebow: false }
}

/** The articulator that casts are mounted on, its settings, the pin. */
export const mountingSheet = sheetKind({
  kind: 'mounting',
  data: record({
    /** Of the articulator, as the lab calls it. */
    name: text(120, { example: 'Average-value, fixed guides' }),
    articulator: articulatorShape,
    /** Off zero, mm; longer is above 0. */
    pinMillimetres: figure(-1000, 1000, { example: 0 }),
    facebow: yesNo(),
    photo: maybe(text(200_000, { description: 'Data URL of a small JPEG of the mounted casts' })),
  }),
  wants: record({}),
  check: ({ articulator, pinMillimetres, photo }) => {
    checkArticulator(articulator)
    if (!(Math.abs(pinMillimetres) <= PIN_ENDS_MILLIMETRES))
      throw new DomainError(
        'reading-not-plausible',
        saying`A pin reading of ${qty.mm(pinMillimetres)} cannot be right.`,
        saying`Read the scale again; enter at most ${qty.mm(PIN_ENDS_MILLIMETRES)} either way.`,
        'pinMillimetres',
      )
    const jpeg = photo?.startsWith('data:image/jpeg;base64,')
    if (photo !== undefined && !(jpeg && photo.length <= LONGEST_PHOTO))
      throw new DomainError(
        'photo-too-large',
        'The picture cannot be kept.',
        'Take it again, as a JPEG of at most 80 kB.',
        'photo',
      )
  },
  faults: ({ pinMillimetres }) =>
    Math.abs(pinMillimetres) > PIN_TOLERANCE_MILLIMETRES
      ? [saying`Pin at ${qty.mm(pinMillimetres)}, not at zero`]
      : [],
  words: ({ name, articulator, pinMillimetres, facebow, photo }) => {
    const { condylarDegrees, incisalDegrees } = articulator
    const { right, left } = condylarDegrees
    const more = `${facebow ? ', by facebow' : ''}${photo ? ', with a picture' : ''}`
    return saying`${name}, pin ${qty.mm(pinMillimetres)}, condylar ${qty.degrees(right)} and ${qty.degrees(left)}, table ${qty.degrees(incisalDegrees)}${more}`
  },
  good: goodMounting,
  failingExample: () => ({ ...goodMounting(), pinMillimetres: 0.4 }),
  refusedExample: () => ({ ...goodMounting(), pinMillimetres: 25 }),
})
