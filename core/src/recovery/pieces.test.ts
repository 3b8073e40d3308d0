import { describe, expect, it } from '@jest/globals'
import type { SurveyMesh } from '../survey/index.ts'
import { metric } from '../testing/words.ts'
import { heightsOfPieces, sawPlan, stonePieces } from './index.ts'

/**
 * A horseshoe of stone on a plate: its labial wall leans out by u going up, its palatal wall in by v; 12 high, the crest 20 from the
 * middle, over a half circle and a straight end to each side.
 */
function ridge(u: number, v: number, plate = 5): SurveyMesh {
  const [up, down] = [Math.tan((u * Math.PI) / 180), Math.tan((v * Math.PI) / 180)]
  const profile: (readonly [number, number])[] = []
  const add = (from: readonly [number, number], to: readonly [number, number], steps: number) => {
    for (let n = 0; n < steps; n++)
      profile.push([from[0] + ((to[0] - from[0]) * n) / steps, from[1] + ((to[1] - from[1]) * n) / steps])
  }
  const [foot, crest] = [25 - 7 * up, 12]
  add([0, plate], [15 - 7 * down, plate], 10)
  add([15 - 7 * down, plate], [15, crest], 10)
  add([15, crest], [25, crest], 8)
  add([25, crest], [foot, plate], 10)
  add([foot, plate], [foot, 0], 4)
  profile.push([foot, 0])
  const rounds = 121
  const positions: number[] = []
  const triangles: number[] = []
  for (let k = 0; k < rounds; k++) {
    const turn = ((k / (rounds - 1)) * 300 - 150) * (Math.PI / 180)
    for (const [radius, z] of profile) positions.push(radius * Math.sin(turn), radius * Math.cos(turn), z)
  }
  const wide = profile.length
  for (let k = 0; k + 1 < rounds; k++)
    for (let n = 0; n + 1 < wide; n++) {
      const a = k * wide + n
      triangles.push(a, a + wide, a + wide + 1, a, a + wide + 1, a + 1)
    }
  return { positions: Float32Array.from(positions), triangles: Uint32Array.from(triangles) }
}
const pieces = (u: number, v: number, arch: 'upper' | 'lower' = 'upper') =>
  stonePieces({ mesh: ridge(u, v), arch, floorMillimetres: 5.5 })

describe('the stone of a cured denture in pieces', () => {
  it('with more draft inside than undercut outside every piece comes whole, inwards', () => {
    const found = pieces(8, 20)
    expect(found.pieces.map(({ name }) => name)).toEqual([
      'Right end',
      'Right side',
      'Front',
      'Left side',
      'Left end',
    ])
    expect(found.pieces.map(({ out }) => out.whole)).toEqual([true, true, true, true, true])
    expect(found.pieces.every(({ out }) => out.straightLockedDegrees > 5 && out.offStraightDegrees > 7)).toBe(
      true,
    )
    expect(found.cuts.map(({ at }) => at)).toEqual(['canine', 'canine', 'end', 'end'])
    // A cut on the right has its like on the left.
    const [right, left, rightEnd, leftEnd] = found.cuts.map(({ degrees }) => degrees)
    expect([right, rightEnd]).toEqual([-left!, -leftEnd!])
    expect(right).not.toBe(left)
    // The front moves back, towards the palate.
    expect(found.pieces[2]!.out.way[1]).toBeLessThan(-0.1)
  })
  it('the flange that stone holds is never pried against', () => {
    // 6.5 mm of wall over the floor, at 8 degrees: 0.91 mm.
    const [held] = pieces(8, 20).pieces.filter(({ name }) => name === 'Front')
    expect(Math.abs(held!.flangeUndercutMillimetres - 6.5 * Math.tan((8 * Math.PI) / 180))).toBeLessThan(0.15)
    expect(held!.neverPry).toBe(true)
    expect(metric(held!.say)).toMatch(
      /^Front: undercut 0\.\d mm straight down\. Middle out first, then this piece inwards at \d+°: it comes whole\. Do not lever outwards\.$/,
    )
    const [free] = pieces(0, 20).pieces.filter(({ name }) => name === 'Front')
    expect(free!.neverPry).toBe(false)
    expect(metric(free!.say)).not.toContain('lever')
  })
  it('a front that stays locked is cut at the midline too', () => {
    const found = pieces(25, 3)
    expect(found.cuts.map(({ at }) => at)).toContain('midline')
    const [locked] = found.pieces.filter(({ name }) => name === 'Left front')
    expect(locked!.out.whole).toBe(false)
    expect(metric(locked!.say)).toContain('split it along the crest')
  })
  it('gives the saw plan what it asks of the stone', () => {
    const found = pieces(25, 3)
    const heights = heightsOfPieces(found)
    const thinnest = Math.min(
      ...found.cuts.filter(({ at }) => at === 'canine').map(({ stoneMillimetres }) => stoneMillimetres),
    )
    expect(Math.abs(heights.canines - thinnest)).toBeLessThan(0.051)
    // Deep in front: what is held there is cut at the midline too.
    expect(heights.labialUndercut).toBeGreaterThan(0.5)
    expect(sawPlan('upper', heights).cuts.map(({ at }) => at)).toContain('midline')
    expect(sawPlan('upper', heightsOfPieces(pieces(0, 20))).flangeHeld).toBe(false)
  })
  it('left and right are those of the patient', () =>
    expect(pieces(8, 20, 'lower').pieces[0]!.name).toBe('Left end'))
  it('the saw leaves 3 mm before the denture; the plate is the thinnest', () => {
    const { cuts, middleMillimetres, middleSawMillimetres } = pieces(8, 20)
    // The floor is over the plate: nothing of it counts but the foot of the palatal wall.
    expect(middleMillimetres === 0 || middleMillimetres >= 5).toBe(true)
    expect(middleSawMillimetres).toBe(Math.max(0, middleMillimetres - 3))
    for (const { stoneMillimetres, sawMillimetres } of cuts)
      expect([stoneMillimetres > 5, Math.abs(stoneMillimetres - 3 - sawMillimetres) < 1e-9]).toEqual([
        true,
        true,
      ])
  })
})
