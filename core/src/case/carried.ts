import { recordedMix } from '../route/index.ts'
import {
  choice,
  figure,
  id,
  instant,
  list,
  maybe,
  type Of,
  record,
  text,
  whole,
  words,
  yesNo,
} from '../shape/index.ts'
import { sheetDataShape } from '../sheet/index.ts'
import { fdiInUniversalOrder } from '../teeth/index.ts'

const entry = { sequence: whole(1, 1e6), at: instant(), by: text(120) }
/** It did not pass, and the dentist took it as it is. */
const accepted = maybe(yesNo())

/** A step that was done in an earlier case and still holds, with what was entered on it there. Sequences count its entries. */
const carriedStepShape = record({
  stepId: id(),
  startedAt: maybe(instant()),
  startedBy: maybe(text(120)),
  finishedAt: instant(),
  finishedBy: text(120),
  outOfTimeReason: maybe(words()),
  /** It was left out, and why. */
  skipReason: maybe(words()),
  readings: list(
    record({
      ...entry,
      checkId: id(),
      tooth: maybe(choice(fdiInUniversalOrder)),
      value: maybe(figure(-1e6, 1e6)),
      answer: maybe(words()),
      accepted,
    }),
    1000,
  ),
  mixes: list(record({ ...entry, ...recordedMix }), 200),
  sheets: list(record({ ...entry, sheetId: id(), sheet: sheetDataShape, accepted }), 200),
})
export type CarriedStep = Of<typeof carriedStepShape>
export const carriedShape = list(carriedStepShape, 300)
export type Carried = Of<typeof carriedShape>
