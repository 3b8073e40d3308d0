import { readFileSync } from 'node:fs'
import { describe, expect, it } from '@jest/globals'
import {
  boundsOf,
  CastSurvey,
  CastView,
  flipped,
  LEVEL,
  levelFloor,
  likelyMeshUnits,
  meshSize,
  pathOf,
  plainTriangles,
  readMesh,
  type SurveyMesh,
  soundScan,
  spoken,
  surveyMesh,
  turnedOver,
} from '@yentrik/core'

const file = readFileSync(new URL('../../../demo/arch.ply', import.meta.url))
const bytes = file.buffer.slice(file.byteOffset, file.byteOffset + file.byteLength)
const read = () => readMesh(bytes).triangles
const arch = surveyMesh(read())
const codes = (mesh: SurveyMesh) => soundScan(mesh).words.map(({ code }) => code)

/** A pyramid of 1 mm beside the cast. */
function crumbAt(x: number, z = 20): SurveyMesh {
  return {
    positions: Float32Array.from([x, 0, z, x + 1, 0, z, x, 1, z, x, 0, z + 1]),
    triangles: Uint32Array.from([0, 2, 1, 0, 1, 3, 1, 2, 3, 2, 0, 3]),
  }
}
function together(one: SurveyMesh, other: SurveyMesh): SurveyMesh {
  const from = one.positions.length / 3
  return {
    positions: Float32Array.from([...one.positions, ...other.positions]),
    triangles: Uint32Array.from([...one.triangles, ...other.triangles.map((corner) => corner + from)]),
  }
}

describe('the made arch, read as any scan', () => {
  it('has about 50 000 triangles, in millimetres, right way up and without a hole', () => {
    const triangles = arch.triangles.length / 3
    expect(triangles > 45_000 && triangles < 55_000).toBe(true)
    const { min, max } = meshSize(read())
    expect(likelyMeshUnits(Math.max(...max.map((high, n) => high - min[n]!)))).toEqual(['mm'])
    expect(codes(arch)).toEqual([])
  })
  it('the other way up, inside out and with holes are told apart', () => {
    expect(codes(turnedOver(arch))).toEqual(['upside-down'])
    const turned = soundScan(flipped(arch))
    expect(turned.words.map(({ code }) => code)).toEqual(['inside-out'])
    expect(turned.mesh.triangles).toEqual(arch.triangles)
    // One triangle in twenty lost.
    const torn = { ...arch, triangles: arch.triangles.filter((_, n) => Math.floor(n / 3) % 20 !== 7) }
    const words = soundScan(torn).words.find(({ code }) => code === 'holes')
    expect(words && spoken(words.say, 'metric')).toMatch(
      /^The scan has holes: [\d.]+ % of its columns make no sound body\. Volumes are a guess\.$/,
    )
  })
  it('in inches it is told by its size, and taken in millimetres', () => {
    const { count, readMany } = read()
    const corners = new Float32Array(9 * count)
    readMany(0, count, corners)
    const inches = plainTriangles(corners.map((value) => value / 25.4))
    const { min, max } = meshSize(inches)
    expect(likelyMeshUnits(Math.max(...max.map((high, n) => high - min[n]!)))).not.toContain('mm')
    const [back, whole] = [boundsOf(surveyMesh(inches, 25.4)), boundsOf(arch)]
    expect(Math.abs(back.max[0] - whole.max[0])).toBeLessThan(1e-4)
    expect(Math.abs(back.min[1] - whole.min[1])).toBeLessThan(1e-4)
  })
  it('a small body apart is left out, told, and can be put back', () => {
    const found = soundScan(together(arch, crumbAt(45)))
    expect(found.words.map(({ code }) => code)).toEqual(['stray-shells'])
    expect(found.mesh.triangles.length).toBe(arch.triangles.length)
    expect(found.stray).toHaveLength(1)
    const kept = soundScan(together(arch, crumbAt(45)), { keepStray: true })
    expect(kept.mesh.triangles.length).toBe(arch.triangles.length + 12)
    // Near the cast it belongs to it.
    const widest = arch.positions.indexOf(boundsOf(arch).max[0])
    const [x, y, z] = [0, 1, 2].map((k) => arch.positions[widest + k]!) as [number, number, number]
    const beside = crumbAt(x + 0.2, z)
    for (let n = 1; n < 12; n += 3) beside.positions[n]! += y
    expect(codes(together(arch, beside))).toEqual([])
  })
  it('an open scan without its base reads the same', () => {
    const { positions } = arch
    const open = {
      positions,
      triangles: arch.triangles.filter((_, n, all) => {
        const first = n - (n % 3)
        return Math.max(...[0, 1, 2].map((k) => positions[3 * all[first + k]! + 2]!)) > 1
      }),
    }
    expect(codes(open)).toEqual([])
    expect(codes(flipped(open))).toEqual(['inside-out'])
    const room = (mesh: SurveyMesh) => new CastSurvey(mesh, levelFloor(3)).along(LEVEL).cubicMillimetres
    expect(room(open)).toBeCloseTo(room(arch), 3)
  })
})

describe('depth on the made arch', () => {
  // Brute force: the nearest of a fine grid's cells where no stone is as high, which is itself up to half a cell's diagonal too far.
  it('differs by hundredths from the nearest free middle of a fine grid', () => {
    const tilt = { lateralDegrees: 3, anteroposteriorDegrees: -2 }
    const held = new CastSurvey(arch, levelFloor(3)).along(tilt).depths.slice()
    const deep = [...held.keys()].filter((n) => held[n]! > 0.05 && held[n]! < 1.5)
    const some = deep.filter((_, k) => k % Math.floor(deep.length / 60) === 0)
    const view = new CastView(arch, levelFloor(3))
    const off: number[] = []
    for (const n of some) {
      const middle = [0, 1, 2].map((k) => arch.positions[3 * n + k]!) as [number, number, number]
      view.look(pathOf(tilt), 0.05, { middle, across: 5 })
      const { column, row, height } = view.placeOf(middle)
      const { top, columns, rows } = view
      let least = Infinity
      for (let y = 0; y < rows; y++)
        for (let x = 0; x < columns; x++)
          if (top[y * columns + x]! < height) least = Math.min(least, (x - column) ** 2 + (y - row) ** 2)
      off.push(held[n]! - Math.sqrt(least) * view.cell)
    }
    off.sort((a, b) => a - b)
    expect(Math.abs(off[Math.floor(off.length / 2)]!)).toBeLessThan(0.03)
    // In a crease up to half a cell of 0.15 times the cotangent of its half-angle.
    expect(off[2]!).toBeGreaterThan(-0.08)
    expect(off.at(-3)!).toBeLessThan(0.1)
  })
  it('a deeper gauge has less area', () => {
    const { areas } = new CastSurvey(arch, levelFloor(3)).along(LEVEL)
    expect(areas.every((area, n) => n === 0 || area <= areas[n - 1]!)).toBe(true)
    expect(areas[0]!).toBeGreaterThan(50)
  })
  it('dragged it is about as deep, and the room about as large', () => {
    const survey = new CastSurvey(arch, levelFloor(3))
    const full = survey.along(LEVEL)
    const room = full.cubicMillimetres
    const held = full.depths.slice()
    const { depths, cubicMillimetres } = survey.dragged(LEVEL)
    expect(Math.abs(cubicMillimetres / room - 1)).toBeLessThan(0.25)
    const differ = held.filter((depth, n) => Math.abs(depth - depths[n]!) > 0.4).length
    expect(differ).toBeLessThan(0.02 * held.length)
  })
})
