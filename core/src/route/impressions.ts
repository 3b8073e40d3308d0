import { COMMON_PRACTICE } from '../materials/index.ts'
import { choice, figure, id, instant, list, maybe, type Of, record, text, yesNo } from '../shape/index.ts'

/** What impressions are taken in. */
export const impressionMaterials = [
  'alginate',
  'condensation-silicone',
  'addition-silicone',
  'polyether',
  'other',
] as const
export type ImpressionMaterial = (typeof impressionMaterials)[number]

interface Keeping {
  readonly name: string
  /** From the mouth to the stone, min; none: it keeps. */
  readonly window?: { readonly bestMinutes: number; readonly latestMinutes: number }
  /** What becomes of it, and how it is kept. */
  readonly say: string
  readonly source: string
}

/** How long an impression keeps, by its material. The pack wins. */
export const impressionKeeping: Readonly<Record<ImpressionMaterial, Keeping>> = {
  alginate: {
    name: 'Alginate',
    window: { bestMinutes: 10, latestMinutes: 15 },
    say: 'Alginate has changed its shape by now.',
    source: `${COMMON_PRACTICE}: within about 15 min of the mouth unless the pack says it keeps longer`,
  },
  'condensation-silicone': {
    name: 'Condensation silicone',
    window: { bestMinutes: 45, latestMinutes: 60 },
    say: 'It shrinks as its alcohol goes off.',
    source: `${COMMON_PRACTICE}: its cast within about an hour`,
  },
  'addition-silicone': {
    name: 'Addition silicone',
    say: 'It keeps.',
    source: `${COMMON_PRACTICE}: stable`,
  },
  polyether: {
    name: 'Polyether',
    say: 'It keeps dry; it takes up water, so no damp wrap.',
    source: `${COMMON_PRACTICE}: stable while it is dry`,
  },
  other: { name: 'Something else', say: 'By its maker.', source: 'the pack' },
}

/** An impression that a step pours. */
const pouredShape = record({
  id: id('impression'),
  name: text(80),
  usual: choice(impressionMaterials),
  /** It counts only where somebody said that it came. */
  ifGiven: maybe(yesNo()),
})
export type PouredImpression = Of<typeof pouredShape>

/** What a step pours: each impression has its clock from the mouth, else from the step in which it was looked at. */
export const poursShape = record({
  impressions: list(pouredShape, 4, 1),
  lookedAtIn: id('inspect-impression'),
  /** What can still be done when it is past: look at it once more. */
  say: text(1000),
})

const impressionShape = record({
  /** Which of those that the route pours. */
  of: id('impression'),
  material: choice(impressionMaterials),
  /** When it came out of the mouth: disinfection and transport count. */
  takenAt: maybe(instant()),
  /** From the mouth, min, where its pack says that it keeps longer. */
  keepsMinutes: maybe(figure(1, 20_160)),
})
export const impressionsShape = list(impressionShape, 8)
export type Impression = Of<typeof impressionShape>
