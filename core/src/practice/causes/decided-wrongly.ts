import { sheetOfOrder } from '../../case/index.ts'
import { sizeErrorMicrometres } from '../../ceramic/index.ts'
import { resinLadder } from '../../finishing/index.ts'
import { archOf, isSupportingTip } from '../../occlusion/index.ts'
import { qty, saying } from '../../quantity/index.ts'
import type { Cause } from './cause.ts'
import { at } from './shows-later.ts'

/** Sheets on which the learner decided, and that passed, though a careful hand would not have. */
export const decidedWrongly: Cause = ({ event, step, after }) => {
  if (event.type === 'stepFinished' && event.outOfTime === 'tooSoon' && step.wait?.contactOf !== undefined)
    return [
      {
        kind: 'not-disinfected',
        named: 'Not disinfected when it left',
        why: `"${step.name}" was ended before its label allows: nobody sees that, the record proves it.`,
        better: 'Wet for as long as the label says.',
        shows: [],
      },
    ]
  if (event.type !== 'sheetRecorded') return []
  const { sheet } = event
  if (sheet.kind === 'remount') {
    const ground = sheet.rounds.flatMap((round) => (round.ground ? [round.ground] : []))
    const tip = ground.find(({ tooth, region }) =>
      isSupportingTip(archOf(tooth), region, sheet.situation.crossbite),
    )
    return tip && sheet.situation.tipConsent !== true
      ? [
          {
            kind: 'supporting-tip-ground',
            named: 'Height of the bite lost',
            size: saying`${{ tooth: tip.tooth }}, ${qty.mm(tip.millimetres)}`,
            why: saying`The tip that carries at ${{ tooth: tip.tooth }} was ground by ${qty.mm(tip.millimetres)}: what holds the height is gone, and nothing brings it back.`,
            better: 'Deepen the fossa, or grind the incline; the carrying tip stays.',
            shows: [at.below('pin-again')],
          },
        ]
      : []
  }
  if (sheet.kind === 'parts') {
    const wanted = step.sheets?.find(({ id }) => id === event.sheetId)
    const there = wanted && sheetOfOrder(wanted, after.working.state.authorisation)
    const wrong =
      there?.kind === 'parts' &&
      there.parts.find(({ name, count }) => sheet.parts.find((part) => part.name === name)?.count !== count)
    return wrong
      ? [
          {
            kind: 'parts-miscounted',
            named: 'A part is missing from the delivery',
            size: wrong.name,
            why: `${wrong.count} of "${wrong.name}" lay there; another number stands on the list.`,
            better: 'Count them out loud, twice, against what lies there.',
            shows: [at.looks('labelled', 'Something is missing')],
          },
        ]
      : []
  }
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
