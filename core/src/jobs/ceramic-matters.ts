import { glazeExpansions } from '../ceramic/index.ts'
import { blockOf, type CeramicClass, ceramicClasses, ceramicFigures } from '../materials/index.ts'
import type { Matter, TemplateStep } from '../route/index.ts'
import { askDentist, look, measure } from './checks.ts'

/** The class decides steps, limits and programs; it stands on the label and on the order. */
export const classMatter = (classes: readonly CeramicClass[], usual: CeramicClass): Matter => ({
  id: 'ceramic',
  name: 'Class of the ceramic',
  choices: classes.map((id) => ({ id, name: ceramicFigures[id].name })),
  usual,
  why: 'As its label and the order say.',
  prescribed: true,
})

export const pieceMatter: Matter = {
  id: 'piece',
  name: 'Piece',
  choices: [
    { id: 'crown', name: 'Crown' },
    { id: 'veneer', name: 'Veneer' },
  ],
  usual: 'crown',
  why: 'As prescribed.',
  prescribed: true,
}

export const firingsMatter = (when?: Readonly<Record<string, readonly string[]>>): Matter => ({
  id: 'firings',
  name: 'Stain and glaze',
  choices: [
    { id: 'two', name: 'Two firings', ...(when ? { when } : {}) },
    { id: 'one', name: 'One firing', ...(when ? { when } : {}) },
    ...(when ? [{ id: 'none', name: 'Not fired' }] : []),
  ],
  usual: 'two',
  why: 'Two: the colour can be read and added to before the glaze.',
})

export const fired = ceramicClasses.filter((each) => ceramicFigures[each].fires)

/** The block of the class in hand, its lot, and what its label says. */
export function blockStep(classes: readonly CeramicClass[], blank: boolean): TemplateStep {
  const what = blank ? 'blank' : 'block'
  return {
    id: 'class-and-block',
    name: `Class and ${what}`,
    stage: 'receive',
    kind: 'attended',
    how: [
      `Label of the ${what} beside the order: class, shade, lot.`,
      ...(blank ? ['Its enlargement factor into the shelf, with the lot.'] : []),
    ],
    why: 'The class decides how it is ground, blasted and fired. Another one burns or bursts.',
    handsOnMinutes: 3,
    amounts: classes.map((ceramic) => ({
      id: 'block',
      kind: 'use' as const,
      materialId: blockOf(ceramic),
      count: 1,
      unit: what,
      source: 'its label',
      when: { ceramic: [ceramic] },
    })),
    checks: [
      look('class-agrees', 'Class', 'Label and order, word by word.', 'The same on both', {
        'Something differs': askDentist(
          'The class of the block is not what was ordered. Mill again, or accept it?',
        ),
      }),
    ],
  }
}

/** The thinnest wall by class and piece, with a gauge. */
export const wallChecks = (classes: readonly CeramicClass[], pieces: readonly ('crown' | 'veneer')[]) =>
  classes.flatMap((ceramic) =>
    pieces.map((piece) => {
      const { walls, name } = ceramicFigures[ceramic]
      const { least, good } = walls[piece]
      return measure({
        id: 'thinnest-wall',
        name: 'Thinnest wall',
        how: `Gauge all round; ${good} mm and more is good. ${name}.`,
        quantity: 'millimetres',
        min: least,
        below: askDentist(`The wall is thinner than ${least} mm. Mill again, or accept it?`),
        plausible: { min: 0.1, max: 10 },
        perTooth: 'each',
        means: 'thinnestWall',
        source: 'materials textbooks and ISO 6872, recalled',
        when: { ceramic: [ceramic], ...(pieces.length > 1 ? { piece: [piece] } : {}) },
      })
    }),
  )

/** The expansion of the glaze on its pack, by class; where the sheet of the block must say, a look. */
export const glazeChecks = (classes: readonly CeramicClass[]) =>
  classes.map((ceramic) => {
    const limits = glazeExpansions(ceramic)
    const when = { ceramic: [ceramic] }
    return limits
      ? measure({
          id: 'glaze-expansion',
          name: 'Expansion of the glaze, ppm/K',
          how: 'On its pack: 0.5 to 1 below its ceramic.',
          quantity: 'count',
          ...limits,
          below: askDentist(
            'The glaze shrinks too little for this ceramic and would flake. Is there another glaze?',
          ),
          above: askDentist(
            'The glaze shrinks more than this ceramic and would craze. Is there another glaze?',
          ),
          plausible: { min: 5, max: 20 },
          source: 'glaze 0.5 to 1 ppm/K below its ceramic, recalled',
          when,
        })
      : {
          ...look(
            'glaze-expansion',
            'Glaze',
            'The sheet of the block names the glazes that go with it.',
            'Named there',
            {
              'Not named': askDentist('No sheet names this glaze for this block. Another glaze?'),
            },
          ),
          when,
        }
  })
