import { alloyPieceShape, chargeOf, checkPiece, newMetal } from '../../casting/index.ts'
import { binders, materials } from '../../materials/index.ts'
import { qty, saying } from '../../quantity/index.ts'
import { DomainError } from '../../refusal/index.ts'
import { choice, figure, id, list, maybe, record, text } from '../../shape/index.ts'
import { sheetKind } from '../sheet-kind.ts'

/** A share that was added up: the last digit may stand over the limit. */
const SHARE_GRAIN_PERCENT = 1e-6
/** A balance shows hundredths of a gram: half of one is no shortage. */
const BALANCE_GRAIN_GRAMS = 0.005

const piece = (n: number, grams: number) => ({ id: `by-hand-${n}`, grams, lots: [], history: newMetal })
const goodCharge = { alloyId: 'nickel-chromium', pieces: [piece(1, 30.1), piece(2, 29.8)] }

/** What is melted: pieces of one alloy, by its material. */
export const chargeSheet = sheetKind({
  kind: 'charge',
  data: record({
    alloyId: id('nickel-chromium'),
    product: maybe(text(80, { description: "Name of the lab's product" })),
    pieces: list(alloyPieceShape, 60),
    needGrams: maybe(figure(0, 100_000, { example: 14.1, description: 'As worked out, where it was' })),
  }),
  wants: record({
    /** By rule of the job. */
    mostRemeltPercent: figure(0, 100),
    /** The alloys that order and investment allow; none: no order is held against it. */
    ordered: maybe(list(id(), 20, 1)),
    /** Of the investment in the ring. */
    binder: maybe(choice(binders)),
  }),
  check: ({ alloyId, pieces }) => {
    if (!materials.get(alloyId)?.alloy)
      throw new DomainError('no-such-alloy', `There is no alloy ${alloyId}.`, 'Choose an alloy.', 'alloyId')
    chargeOf(pieces)
    pieces.forEach(checkPiece)
    if (new Set(pieces.map((each) => each.id)).size !== pieces.length)
      throw new DomainError('piece', 'A piece is there twice.', 'Take each piece once.', 'pieces')
  },
  faults: ({ alloyId, pieces, needGrams = 0 }, { mostRemeltPercent, ordered, binder }) => {
    const { grams, remeltShare } = chargeOf(pieces)
    const percent = 100 * remeltShare
    const { name, alloy } = materials.get(alloyId)!
    const most = Math.min(mostRemeltPercent, 100 * alloy!.mostRemeltFraction)
    return [
      ...(binder === 'gypsum' && alloy!.usualBinder !== 'gypsum'
        ? [`${name} is too hot for a gypsum-bonded mould, which breaks down`]
        : ordered && !ordered.includes(alloyId)
          ? [
              `${name} is not what was ordered: ${ordered.map((each) => materials.get(each)?.name ?? each).join(' or ')}`,
            ]
          : []),
      ...(percent > most + SHARE_GRAIN_PERCENT
        ? [saying`${qty.percent(percent, 0)} of it was melted before, at most ${qty.percent(most)} may be`]
        : []),
      ...(grams < needGrams - BALANCE_GRAIN_GRAMS
        ? [saying`${qty.grams(grams, 2)} are less than the ${qty.grams(needGrams, 2)} worked out`]
        : []),
    ]
  },
  words: ({ alloyId, product, pieces }, _sheet, { lotNumber }) => {
    const { grams, remeltShare, lots } = chargeOf(pieces)
    const numbers = lots.map(({ lotId }) => lotNumber(lotId)).join(', ')
    const named = [materials.get(alloyId)?.name ?? alloyId, product].filter(Boolean).join(', ')
    return saying`${qty.grams(grams, 2)} of ${named}, ${qty.percent(100 * remeltShare, 0)} returned, ${numbers ? `lot ${numbers}` : 'no lot noted'}`
  },
  good: ({ ordered = [] }) => ({
    ...goodCharge,
    alloyId: ordered.includes(goodCharge.alloyId) ? goodCharge.alloyId : (ordered[0] ?? goodCharge.alloyId),
  }),
  failingExample: () => ({ ...goodCharge, needGrams: 100 }),
  refusedExample: () => ({ ...goodCharge, alloyId: 'dental-stone' }),
})
