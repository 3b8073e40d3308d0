import { sizeErrorMicrometres } from '../../ceramic/index.ts'
import { resinLadder } from '../../finishing/index.ts'
import { qty, saying } from '../../quantity/index.ts'
import type { Cause } from './cause.ts'
import { at } from './shows-later.ts'

/** Sheets on which the learner decided, and that passed, though a careful hand would not have. */
export const decidedWrongly: Cause = ({ event }) => {
  if (event.type !== 'sheetRecorded') return []
  const { sheet } = event
  if (sheet.kind === 'wheel' && sheet.remark) {
    const stage = resinLadder.stages.find(({ id }) => id === sheet.written)
    return [
      {
        kind: 'wheel-of-another',
        named: 'Scratches from another compound',
        why: saying`The wheel had carried ${stage?.name.toLowerCase() ?? 'another compound'}: its coarser grain stays in the cloth.`,
        better: 'One wheel for one compound, for life.',
        shows: [at.looks('shine', 'A scratch: only dry, with a lens'), at.looks('polished', 'Scratches')],
      },
    ]
  }
  if (sheet.kind === 'enlargement' && sheet.usedFactor !== sheet.lotFactor) {
    const off = sizeErrorMicrometres(10, sheet.usedFactor, sheet.lotFactor)
    return [
      {
        kind: 'other-factor',
        named: off > 0 ? 'Open, milled too large' : 'Tight, milled too small',
        size: saying`${qty.micrometres(off, 0)} on 10 mm`,
        why: saying`Milled with ${sheet.usedFactor}, the blank shrinks by ${sheet.lotFactor}: ${qty.micrometres(off, 0)} on 10 mm.`,
        better: 'The factor of this lot, off its own label.',
        shows: [at.looks('seats', 'Held up'), at.looks('contacts-polished', off > 0 ? 'Too tight' : 'Open')],
      },
    ]
  }
  return []
}
