import { calculator, choice, figure, maybe, record, yesNo } from '../shape/index.ts'
import { articulatorCards, articulatorShape } from './articulator.ts'
import { moveJaw, movements, travelDirection } from './jaw-movement.ts'
import { toothOpening } from './pin-opening.ts'

export const articulatorCalculator = calculator({
  name: 'articulator',
  summary: 'Where a lower point goes in a movement, which way it travels, and what the pin does there',
  input: record({
    articulator: articulatorShape,
    point: record({
      x: figure(-1000, 1000, { example: 50, description: 'Forwards' }),
      y: figure(-1000, 1000, { example: 25, description: "To the patient's left" }),
      z: figure(-1000, 1000, { example: -35, description: 'Up' }),
    }),
    movement: choice(movements, { example: 'protrusion' }),
    advanceMillimetres: figure(-1000, 1000, { example: 4 }),
    pinMillimetres: maybe(figure(-1000, 1000, { example: 0 })),
    workingFixed: maybe(yesNo({ example: false })),
  }),
  example: {
    articulator: articulatorCards[0]!.articulator,
    point: { x: 50, y: 25, z: -35 },
    movement: 'protrusion',
    advanceMillimetres: 4,
  },
  answer: ({ articulator, point, ...movement }) => ({
    moved: moveJaw(articulator, movement).move(point),
    travel: travelDirection(articulator, movement, point),
    ...(movement.pinMillimetres ? { atPin: toothOpening(articulator, movement.pinMillimetres, point) } : {}),
  }),
})
