import { programShape } from '../program/index.ts'
import { DomainError } from '../refusal/index.ts'
import { calculator, figure, list, maybe, record } from '../shape/index.ts'
import { cure, quotedFineness } from './cure.ts'
import { resinSectionShape, setStone, usualFlask } from './cure-bodies.ts'
import { curePresets } from './cure-programs.ts'
import { cureVerdict } from './cure-verdict.ts'

export const cureCalculator = calculator({
  name: 'cure',
  summary: 'What a bath does inside the resin: peak, boiling, monomer left, when it is cold',
  input: record({
    sections: list(resinSectionShape, 8),
    program: programShape,
    waterPowderRatio: maybe(
      figure(-10, 10, { example: 0.3, description: 'Stone of the mould, mL/g; left out: wet stone' }),
    ),
  }),
  example: { sections: [{ shape: 'sheet', millimetres: 3 }], program: curePresets[0]!.program },
  heavy: true,
  answer: ({ sections, program, waterPowderRatio }) => {
    const flask =
      waterPowderRatio === undefined ? usualFlask : { ...usualFlask, stone: setStone(waterPowderRatio) }
    const followed = sections.map((section) => ({
      section,
      outcome: cure({ section, program, flask }, quotedFineness),
    }))
    if (followed.length === 0)
      throw new DomainError('too-few-places', 'No section was named.', 'Name one place or more.', 'sections')
    const { standing, say } = cureVerdict(followed)
    return { standing, say, sections: followed }
  },
})
