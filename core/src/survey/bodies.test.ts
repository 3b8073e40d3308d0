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
  roomBodies,
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
    const tilted = surveyed(body, -8, 10)
    near(tilted.room(), 116.349993, 1.5)
    // Its shadow: the columns with stone in them.
    const { columns, rows, top, d, cell } = tilted.view
    let columnsWithStone = 0
    for (let n = 0; n < columns * rows; n++) if (top[n]! > -1000) columnsWithStone++
    near(columnsWithStone * cell * cell, 47.217288, 1)
    // Its line lies in the plane in which its normals are square to d.
    const { pieces } = surveyLine(tilted.view, new FreeEdge(tilted.view), cornerNormals(body))
    const off = Array.from({ length: pieces.length / 3 }, (_, n) =>
      Math.abs(
        (pieces[3 * n]! * d[0]) / 25 +
          (pieces[3 * n + 1]! * d[1]) / 9 +
          ((pieces[3 * n + 2]! - 5) * d[2]) / 16,
      ),
    )
    expect(pieces.length).toBeGreaterThan(600)
    expect(Math.max(...off)).toBeLessThan(0.01)
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

it('block-out is told body by body, the largest first', () => {
  const view = surveyed(
    together(ball(4, [-12, 0, 4], 96), ball(2, [12, 5, 2], 96), ball(3, [12, -9, 3], 96)),
  ).view
  const bodies = roomBodies(view)
  // Of a ball on the floor πr³/3.
  for (const [n, radius] of [4, 3, 2].entries())
    near(bodies[n]!.cubicMillimetres, (Math.PI * radius ** 3) / 3, 5)
  expect(bodies.map(({ middle }) => middle.slice(0, 2).map((at) => Math.round(at) + 0))).toEqual([
    [-12, 0],
    [12, -9],
    [12, 5],
  ])
})

describe('where the map is hard to read', () => {
  const cap = (radius: number, z: number) =>
    moved(post(radius, 1, { rounds: 200 }), (x, y, h) => [x, y, h + z])
  const around = Array.from({ length: 16 }, (_, n) => (n * Math.PI * 2) / 16 + 0.05)
  it('a low cliff is found where it is, not between two cells', () => {
    // A cap 2 mm over a plate: 3 mm from its top to the plate.
    const level = surveyed(together(post(8, 1, { rounds: 200 }), post(2.5, 3.5, { rounds: 200 }), cap(4, 3)))
    const off = around.map((turn) => level.at([2.5 * Math.cos(turn), 2.5 * Math.sin(turn), 2]) - 1.5)
    expect(Math.max(...off.map(Math.abs))).toBeLessThan(0.01)
  })
  it('a place is free at its own height, whatever was asked before', () => {
    const level = surveyed(together(post(2.5, 7, { rounds: 200 }), cap(4, 6), cap(5, 3)))
    const wrong = around.filter((turn) => {
      const at = (z: number) => level.at([2.5 * Math.cos(turn), 2.5 * Math.sin(turn), z])
      const [high, low, again] = [at(5), at(2), at(5)]
      return Math.abs(high - 1.5) > 0.01 || Math.abs(low - 2.5) > 0.01 || Math.abs(again - 1.5) > 0.01
    })
    expect(wrong).toEqual([])
  })
  it('edges that run through the middles of cells are hit once', () => {
    // A floating slab whose top has its corners on the middles of cells, in every order of corners; its bottom has none.
    const [cell, across] = [0.2, 12]
    const positions: number[] = []
    const triangles: number[] = []
    const corner = (i: number, j: number) => i * (across + 1) + j
    for (let i = 0; i <= across; i++)
      for (let j = 0; j <= across; j++) positions.push((i + 0.5) * cell, (j + 0.5) * cell, 3)
    for (let i = 0; i < across; i++)
      for (let j = 0; j < across; j++) {
        const [a, b, c, d] = [corner(i, j), corner(i + 1, j), corner(i + 1, j + 1), corner(i, j + 1)]
        const turned = (list: readonly number[], by: number) => list.map((_, n) => list[(n + by) % 3]!)
        triangles.push(...turned([a, b, c], (i + j) % 3), ...turned([a, c, d], (2 * i + j) % 3))
      }
    const from = positions.length / 3
    const far = (across + 0.5) * cell
    const foot = [
      [0.5 * cell, 0.5 * cell],
      [far, 0.5 * cell],
      [far, far],
      [0.5 * cell, far],
    ]
    for (const [x, y] of foot) positions.push(x!, y!, 2)
    triangles.push(from, from + 2, from + 1, from, from + 3, from + 2)
    // Something at the left and in front lays the grid so that its cells have their middles there.
    positions.push(0, 0, 0, 0.01, 0, 0, 0, 0.01, 0)
    triangles.push(from + 4, from + 5, from + 6)
    const view = new CastView(
      { positions: Float32Array.from(positions), triangles: Uint32Array.from(triangles) },
      levelFloor(1),
    )
    view.look([0, 0, 1], cell)
    const { oddShare, cubicMillimetres } = roomUnder(view)
    expect(oddShare).toBe(0)
    // 1 mm under it: its cells once each.
    expect(cubicMillimetres).toBeCloseTo(across * across * cell * cell, 6)
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
    const still = surveyed(body)
    near(turned.room(), still.room(), 1)
    const differ = still.depths.filter((depth, n) => Math.abs(depth - turned.depths[n]!) > 0.04).length
    expect(differ).toBeLessThan(0.05 * still.depths.length)
  })
  it('there and back the figures are the same to the last bit', () => {
    const view = new CastView(body, levelFloor(0))
    const read = (lateralDegrees: number) => {
      view.look(pathOf({ lateralDegrees, anteroposteriorDegrees: 0 }), 0.15)
      return depthsOf(view, new FreeEdge(view), new Float32Array(view.u.length))
    }
    const first = read(2)
    read(9)
    expect(read(2)).toEqual(first)
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
