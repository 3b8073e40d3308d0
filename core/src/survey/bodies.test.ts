import { describe, expect, it } from '@jest/globals'
import { ball, moved, post, revolved, together, torus } from '../testing/shapes.ts'
import {
  areasDeeper,
  CastView,
  cornerNormals,
  depthsOf,
  FreeEdge,
  levelFloor,
  pathOf,
  roomUnder,
  type SurveyMesh,
  surveyLine,
  taperAdds,
  type Vector,
} from './index.ts'

/** A body surveyed along α (and λ), floor at 0. */
function surveyed(mesh: SurveyMesh, anteroposteriorDegrees = 0, lateralDegrees = 0, cell = 0.15) {
  const view = new CastView(mesh, levelFloor(0))
  view.look(pathOf({ lateralDegrees, anteroposteriorDegrees }), cell)
  const edge = new FreeEdge(view)
  let held: Float32Array | undefined
  const depths = () => {
    held ??= depthsOf(view, edge, new Float32Array(view.u.length))
    return held
  }
  return {
    view,
    get depths() {
      return depths()
    },
    at: (point: Vector) => {
      const { column, row, height } = view.placeOf(point)
      return edge.depthAt(column, row, height)
    },
    line: () => surveyLine(view, edge, cornerNormals(mesh)).millimetres,
    areas: (...gauges: number[]) => areasDeeper(view, depths(), gauges),
    room: () => roomUnder(view).cubicMillimetres,
    tapered: (degrees: number) => roomUnder(view).cubicMillimetres + taperAdds(view, edge, degrees),
  }
}
/** Within so many percent. */
const near = (found: number, wanted: number, percent: number) =>
  expect({ found, off: (100 * Math.abs(found - wanted)) / wanted < percent }).toEqual({ found, off: true })
const radians = (degrees: number) => (degrees * Math.PI) / 180

// Worked values: closed forms, held against a second method outside the project. Volumes by columns: 2 % for one small body.
describe('a ball of 4', () => {
  const body = ball(4, [0, 0, 4])
  const level = surveyed(body)
  it('is r (1 - cos φ) deep at φ under its equator, whatever the tilt', () => {
    for (const [tilt, cell, most] of [
      [0, 0.15, 0.0016],
      [12, 0.15, 0.002],
      // A wall cut by a chord across a cell: at most h²/(4R).
      [0, 0.3, 0.0057],
    ] as const) {
      const { view, depths } = surveyed(body, tilt, 0, cell)
      let worst = 0
      for (let n = 0; n < depths.length; n++) {
        const s = (view.w[n]! - 4 * view.d[2]) / 4
        const wanted = s < 0 ? 4 * (1 - Math.sqrt(Math.max(0, 1 - s * s))) : 0
        if (wanted > 0.03 && body.positions[3 * n + 2]! > 0.01)
          worst = Math.max(worst, Math.abs(depths[n]! - Math.min(4, wanted)))
      }
      expect(worst).toBeLessThan(most)
    }
    const at30: Vector = [4 * Math.cos(radians(30)), 0, 4 - 4 * Math.sin(radians(30))]
    expect(level.at(at30)).toBeCloseTo(0.535898, 2)
  })
  it('has a line of 2πr, and the areas deeper than each gauge', () => {
    near(level.line(), 2 * Math.PI * 4, 0.2)
    const [quarter, half] = level.areas(0.25, 0.5)
    near(quarter!, 65.54767, 0.1)
    near(half!, 51.861621, 0.1)
  })
  it('has a room of πr³/3 on the floor, of πr² (C/cos α - 2r/3) tilted, and more with a taper', () => {
    near(level.room(), 67.020643, 1.5)
    near(surveyed(body, 12).room(), 71.512486, 1.5)
    near(level.tapered(2), 74.375929, 2)
    // The tangent places above the line are left out.
    near(level.tapered(6), 91.308378, 3)
  })
})

describe('an upright post', () => {
  const body = post(4, 7)
  const tilted = surveyed(body, 12)
  it('tilted, is s sin α deep so far below its rim, on the far side alone', () => {
    expect(tilted.at([0, 4, 4])).toBe(0)
    // 3 below the rim along the wall.
    expect(tilted.at([0, -4, 4])).toBeCloseTo(0.623735, 2)
  })
  it('tilted, has a room of r H² tan α', () => near(tilted.room(), 4 * 49 * Math.tan(radians(12)) * 1, 2))
  it('leaning with level sections, it is tilted by what lies between', () => {
    const lean = Math.tan(radians(10))
    const leaning = moved(post(4, 7), (x, y, z) => [x + lean * z, y, z])
    near(surveyed(leaning, 0, 0).room(), 4 * 49 * lean, 2)
    expect(surveyed(leaning, 0, 10).room()).toBeLessThan(0.3)
  })
})

describe('a cone that is wider above', () => {
  const body = post(3, 6, { top: 4.2 })
  const slope = Math.atan(0.2)
  it('is t tan β deep, and slant sin(β ± α) tilted', () => {
    expect(surveyed(body).at([3.8, 0, 4])).toBeCloseTo(0.4, 2)
    const slant = 2 / Math.cos(slope)
    const tilted = surveyed(body, 5)
    expect(tilted.at([0, -3.8, 4])).toBeCloseTo(slant * Math.sin(slope + radians(5)), 2)
    expect(tilted.at([0, 3.8, 4])).toBeCloseTo(slant * Math.sin(slope - radians(5)), 2)
    expect(slant * Math.sin(slope + radians(5))).toBeCloseTo(0.572789, 6)
  })
  it('has the same room for every tilt up to its slope', () => {
    for (const tilt of [0, 4, 10]) near(surveyed(body, tilt).room(), 85.953975, 1.5)
  })
  it('wider at its foot it hides nothing, until the tilt is steeper', () => {
    const foot = post(4.2, 6, { top: 3 })
    // The room of a wall that the rod sees is the line of cells that it cuts.
    expect(surveyed(foot, 8).room()).toBeLessThan(0.5)
    const tilted = surveyed(foot, 15)
    expect(tilted.at([0, -3.4, 4])).toBeCloseTo((2 / Math.cos(slope)) * Math.sin(radians(15) - slope), 1)
  })
})

describe('other bodies', () => {
  it('an ellipsoid, tilted both ways: its shadow gives its room', () => {
    const body = moved(ball(1, [0, 0, 0]), (x, y, z) => [5 * x, 3 * y, 4 * z + 5])
    near(surveyed(body, -8, 10).room(), 116.349993, 1.5)
  })
  it('a ring lying level: both walls, two lines, its room and its area', () => {
    const body = torus(6, 1.5, 1.5)
    const level = surveyed(body)
    const [c, s] = [Math.cos(radians(40)), Math.sin(radians(40))]
    expect(level.at([6 + 1.5 * c, 0, 1.5 - 1.5 * s])).toBeCloseTo(0.350933, 2)
    expect(level.at([6 - 1.5 * c, 0, 1.5 - 1.5 * s])).toBeCloseTo(0.350933, 2)
    near(level.line(), 75.398224, 0.3)
    near(level.room(), 36.406344, 2)
    near(level.areas(0.25)[0]!, 111.413405, 1)
  })
  it('a ball on a stem: the stem, the floor beside it, and the room round it', () => {
    const body = together(ball(4, [0, 0, 7], 128), post(2.5, 7, { rounds: 128 }))
    const level = surveyed(body)
    expect(level.at([2.5, 0, 1.5])).toBeCloseTo(1.5, 2)
    expect(level.at([3, 0, 0])).toBeCloseTo(1, 2)
    near(level.room(), 150.651169, 1.5)
  })
  it('a small ball in the shadow of a large one: nothing of it is on the line there', () => {
    const body = together(ball(5, [0, 0, 12], 128), ball(2, [4, 0, 3], 128))
    const level = surveyed(body)
    expect(level.at([4, 0, 5])).toBeCloseTo(1, 2)
    expect(level.at([4, 2, 3])).toBeCloseTo(0.527864, 2)
    expect(level.at([6, 0, 3])).toBe(0)
    near(level.line(), 5.01189 + 31.415927, 0.5)
  })
  it('the notch between two balls is as deep as both together make it', () => {
    const body = together(ball(4, [-3, 0, 4], 128), ball(4, [3, 0, 4], 128))
    const found = surveyed(body, 0, 0, 0.1).at([0, Math.sqrt(6), 3])
    // Too large in a crease, by half a cell times the cotangent of its half-angle.
    expect(found).toBeGreaterThanOrEqual(0.19)
    expect(found).toBeLessThan(0.196262 + 0.05 * (1 / Math.tan(radians(41))) + 0.005)
  })
})

describe('laws of a survey', () => {
  const body = together(ball(4, [0, 0, 7], 128), post(2.5, 7, { rounds: 128 }), ball(2, [6, 1, 2.5], 128))
  const level = surveyed(body, 4, 3)
  it('no depth is below 0, and none is where the rod comes down first', () => {
    const { view, depths } = level
    let wrong = 0
    for (let n = 0; n < depths.length; n++) {
      if (depths[n]! < 0) wrong++
      const [x, y, z] = [0, 1, 2].map((k) => body.positions[3 * n + k]! - [0, 0, 7][k]!) as [
        number,
        number,
        number,
      ]
      // The upper half of the large ball has nothing above it.
      const onBall = Math.abs(Math.hypot(x, y, z) - 4) < 1e-3
      if (onBall && x * view.d[0] + y * view.d[1] + z * view.d[2] > 0.01 && depths[n]! > 0) wrong++
    }
    expect(wrong).toBe(0)
  })
  it('a shell given twice changes nothing', () => {
    const twice = surveyed(together(body, body), 4, 3)
    expect(twice.room()).toBeCloseTo(level.room(), 6)
    expect(twice.depths.slice(0, level.depths.length)).toEqual(level.depths)
  })
  it('stone added never lessens a depth', () => {
    const more = surveyed(together(body, ball(3, [-4, 2, 12], 128)), 4, 3)
    let less = 0
    level.depths.forEach((depth, n) => {
      // The grid lies elsewhere: in a crease that is up to half a cell.
      if (body.positions[3 * n + 2]! > 0.01 && more.depths[n]! < depth - 0.08) less++
    })
    expect(less).toBe(0)
  })
  it('twice as large: twice as deep, eight times the room', () => {
    const large = surveyed(
      moved(body, (x, y, z) => [2 * x, 2 * y, 2 * z]),
      4,
      3,
      0.3,
    )
    near(large.room() / level.room(), 8, 1)
    let off = 0
    level.depths.forEach((depth, n) => {
      if (depth > 0.1 && depth < 1.9 && Math.abs(large.depths[n]! / 2 - depth) > 0.02) off++
    })
    expect(off).toBeLessThan(0.01 * level.depths.length)
  })
  it('mirrored: mirrored; moved: the same', () => {
    const other = moved(body, (x, y, z) => [-x, y, z])
    const mirrored: SurveyMesh = {
      ...other,
      triangles: other.triangles.map((_, n, all) => all[n - (n % 3) + [0, 2, 1][n % 3]!]!),
    }
    near(surveyed(mirrored, 4, -3).room(), level.room(), 1)
    near(
      surveyed(
        moved(body, (x, y, z) => [x + 7.03, y - 3.01, z]),
        4,
        3,
      ).room(),
      level.room(),
      1,
    )
  })
  it('cast and path turned together: the same', () => {
    const [c, s] = [Math.cos(0.9), Math.sin(0.9)]
    const turned = surveyed(
      moved(body, (x, y, z) => [c * x - s * y, s * x + c * y, z]),
      0,
      0,
    )
    near(turned.room(), surveyed(body).room(), 1)
  })
  it('a lower floor: more room, by what hangs over', () => {
    const raised = moved(body, (x, y, z) => [x, y, z + 1])
    const overhang = Math.PI * 16 + Math.PI * 4
    near(surveyed(raised).room() - surveyed(body).room(), overhang, 3)
  })
  it('more taper, more room', () => {
    const rooms = [0, 2, 6].map((degrees) => level.tapered(degrees))
    expect(rooms[1]!).toBeGreaterThan(rooms[0]!)
    expect(rooms[2]!).toBeGreaterThan(rooms[1]!)
  })
  it('a sphere open at its foot keeps its depths', () => {
    const open = revolved(
      Array.from({ length: 50 }, (_, n) => {
        const angle = (Math.PI * (n + 14)) / 63
        return [4 * Math.sin(angle), 5 - 4 * Math.cos(angle)] as const
      }),
    )
    expect(surveyed(open).at([4 * Math.cos(radians(30)), 0, 5 - 2])).toBeCloseTo(0.535898, 2)
  })
})
