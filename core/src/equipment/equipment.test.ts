import { describe, expect, it } from '@jest/globals'
import { type ArmCard, usualRings } from '../casting/index.ts'
import { checkEquipment, checkFlasks, checkPieces, type LabEquipment } from './index.ts'

describe('equipment of the lab', () => {
  const arm: ArmCard = {
    name: 'Arm',
    innerMillimetres: 220,
    outerMillimetres: 250,
    measuredRpm: 400,
    measuredTurns: 3,
    source: 'measured',
  }
  const bath = { kind: 'bath', name: 'B', timeConstantMinutes: 150, mostFlasks: 4, source: 'timed' } as const
  const flask = {
    kind: 'flask',
    name: 'F',
    lowerMillilitres: 160,
    ringMillilitres: 180,
    ringMillimetres: 30,
    source: 'weighed with water',
  } as const
  const wheel = {
    kind: 'wheel',
    name: 'Felt, fine pumice',
    grainMicrometres: 30,
    depthRatio: 0.025,
    cubicMillimetresPerSecond: 0.15,
    diameterMillimetres: 100,
    rpm: 1500,
    source: 'test plate',
  } as const
  it.each<[LabEquipment, string]>([
    [{ kind: 'arm', ...arm, outerMillimetres: 200 }, 'equipment'],
    [{ kind: 'arm', ...arm, measuredTurns: 0 }, 'equipment'],
    [{ kind: 'arm', ...arm, name: ' ' }, 'name-missing'],
    [{ kind: 'furnace', name: 'F', timeConstantMinutes: -1, mostRings: 6, source: 'timed' }, 'equipment'],
    [{ kind: 'ring', ...usualRings[0]!, formerMillimetres: 90 }, 'ring'],
    [{ ...bath, timeConstantMinutes: 2000 }, 'equipment'],
    [{ ...bath, mostFlasks: Number.NaN }, 'equipment'],
    [{ ...flask, lowerMillilitres: 5 }, 'reading-not-plausible'],
    [{ ...flask, ringMillimetres: Number.NaN }, 'reading-not-plausible'],
    [{ ...wheel, grainMicrometres: 0 }, 'equipment'],
    [{ ...wheel, rpm: 100_000 }, 'equipment'],
  ])('refuses %j', (equipment, code) =>
    expect(() => checkEquipment(equipment)).toThrow(expect.objectContaining({ code })),
  )
  it.each([
    ['2026-03-02T08:00:00Z', '2026-03-02T08:00:01Z', undefined],
    ['2026-03-02T08:00:00Z', '2026-03-02T08:00:00Z', 'spell'],
    ['2026-03-02T08:00:00Z', '2026-03-01T08:00:00Z', 'spell'],
  ])('out of order from %s until %s: %s', (from, until, code) => {
    const refuse = () => checkEquipment({ ...bath, outOfOrder: [{ from, until }] })
    if (code === undefined) expect(refuse).not.toThrow()
    else expect(refuse).toThrow(expect.objectContaining({ code, field: 'outOfOrder' }))
  })
  it('a bath takes as many flasks as go in, and no more', () => {
    checkFlasks(bath, 4)
    expect(() => checkFlasks(bath, 5)).toThrow(expect.objectContaining({ code: 'bath-full' }))
  })
  it('a furnace takes as many pieces as go in, and no more; a tab is a colour; a silver test is near its heat', () => {
    const kiln = { kind: 'kiln', name: 'K', timeConstantMinutes: 15, mostUnits: 6, source: 'timed' } as const
    const tab = { kind: 'tab', name: 'Oat', L: 80, a: 2, b: 17, source: 'measured' } as const
    checkPieces(kiln, 6)
    expect(() => checkPieces(kiln, 7)).toThrow(expect.objectContaining({ code: 'furnace-full' }))
    checkEquipment(tab)
    checkEquipment({ ...kiln, silverShownCelsius: 967 })
    checkEquipment({ ...kiln, kind: 'sinter', mostUnits: 200 })
    for (const [wrong, code] of [
      [{ ...kiln, silverShownCelsius: 700 }, 'reading-not-plausible'],
      [{ ...kiln, mostUnits: 61 }, 'equipment'],
      [{ ...kiln, kind: 'sinter', timeConstantMinutes: 0 }, 'equipment'],
      [{ ...tab, L: 101 }, 'lightness-out-of-range'],
    ] as const)
      expect(() => checkEquipment(wrong as LabEquipment)).toThrow(expect.objectContaining({ code }))
  })
  it('takes the usual rings, an arm and a bath and a flask as they are', () => {
    for (const ring of usualRings) checkEquipment({ kind: 'ring', ...ring })
    checkEquipment({ kind: 'arm', ...arm })
    checkEquipment(bath)
    checkEquipment(flask)
    checkEquipment(wheel)
  })
})
