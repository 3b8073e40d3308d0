import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { cm3FromMeshVolume, likelyMeshUnits, measureMesh, meshForView, readMesh, topView } from './index.ts'

type Corner = readonly [number, number, number]
type Solid = readonly (readonly [Corner, Corner, Corner])[]

/** The 12 triangles of a box from the origin, facing outwards. */
function box(a: number, b = a, c = a): Solid {
  const faces: Corner[][] = [
    [
      [0, 0, 0],
      [0, b, 0],
      [a, b, 0],
      [a, 0, 0],
    ],
    [
      [0, 0, c],
      [a, 0, c],
      [a, b, c],
      [0, b, c],
    ],
    [
      [0, 0, 0],
      [a, 0, 0],
      [a, 0, c],
      [0, 0, c],
    ],
    [
      [0, b, 0],
      [0, b, c],
      [a, b, c],
      [a, b, 0],
    ],
    [
      [0, 0, 0],
      [0, 0, c],
      [0, b, c],
      [0, b, 0],
    ],
    [
      [a, 0, 0],
      [a, b, 0],
      [a, b, c],
      [a, 0, c],
    ],
  ]
  return faces.flatMap(([p, q, r, s]) => [[p!, q!, r!] as const, [p!, r!, s!] as const])
}
/** Right-angled corner of a box: volume a³/6. */
const tetrahedron = (a: number): Solid => [
  [
    [0, 0, 0],
    [0, a, 0],
    [a, 0, 0],
  ],
  [
    [0, 0, 0],
    [a, 0, 0],
    [0, 0, a],
  ],
  [
    [0, 0, 0],
    [0, 0, a],
    [0, a, 0],
  ],
  [
    [a, 0, 0],
    [0, a, 0],
    [0, 0, a],
  ],
]
/** An octahedron, each triangle split in four and pushed out to the unit sphere, some times over. */
function sphere(levels: number): Solid {
  const half = (p: Corner, q: Corner): Corner => {
    const m = [p[0] + q[0], p[1] + q[1], p[2] + q[2]] as const
    const length = Math.hypot(...m)
    return [m[0] / length, m[1] / length, m[2] / length]
  }
  let faces: [Corner, Corner, Corner][] = []
  for (const x of [1, -1])
    for (const y of [1, -1])
      for (const z of [1, -1]) {
        const [X, Y, Z]: Corner[] = [
          [x, 0, 0],
          [0, y, 0],
          [0, 0, z],
        ]
        faces.push(x * y * z > 0 ? [X!, Y!, Z!] : [Y!, X!, Z!])
      }
  for (let n = 0; n < levels; n++)
    faces = faces.flatMap(([a, b, c]): [Corner, Corner, Corner][] => {
      const [ab, bc, ca] = [half(a, b), half(b, c), half(c, a)]
      return [
        [a, ab, ca],
        [ab, b, bc],
        [ca, bc, c],
        [ab, bc, ca],
      ]
    })
  return faces
}

function binaryStl(solid: Solid, claim = solid.length): ArrayBuffer {
  const file = new ArrayBuffer(84 + 50 * solid.length)
  const view = new DataView(file)
  view.setUint32(80, claim, true)
  for (const [n, triangle] of solid.entries())
    for (const [k, value] of triangle.flat().entries()) view.setFloat32(84 + 50 * n + 12 + 4 * k, value, true)
  return file
}
const bytes = (text: string) => Uint8Array.from([...text].map((c) => c.charCodeAt(0))).buffer
const asciiStl = (solid: Solid) =>
  bytes(
    `solid demo\n${solid.map((t) => `facet normal 0 0 0\nouter loop\n${t.map((c) => `vertex ${c.join(' ')}`).join('\n')}\nendloop\nendfacet`).join('\n')}\nendsolid demo\n`,
  )
const corners = (solid: Solid) => solid.flat()
const obj = (solid: Solid) =>
  bytes(
    `# demo\n${corners(solid)
      .map((c) => `v ${c.join(' ')}`)
      .join(
        '\n',
      )}\n${solid.map((_, n) => `f ${3 * n + 1}//1 ${3 * n + 2}//1 -${3 * (solid.length - n) - 2}`).join('\n')}\n`,
  )
const plyHead = (format: string, solid: Solid) =>
  `ply\nformat ${format} 1.0\nelement vertex ${3 * solid.length}\nproperty float x\nproperty float y\nproperty float z\nproperty uchar red\nelement face ${solid.length}\nproperty list uchar int vertex_indices\nend_header\n`
const asciiPly = (solid: Solid) =>
  bytes(
    `${plyHead('ascii', solid)}${corners(solid)
      .map((c) => `${c.join(' ')} 200`)
      .join('\n')}\n${solid.map((_, n) => `3 ${3 * n} ${3 * n + 1} ${3 * n + 2}`).join('\n')}\n`,
  )
function binaryPly(solid: Solid, little: boolean): ArrayBuffer {
  const head = plyHead(little ? 'binary_little_endian' : 'binary_big_endian', solid)
  const file = new ArrayBuffer(head.length + 13 * 3 * solid.length + 13 * solid.length)
  new Uint8Array(file).set(new Uint8Array(bytes(head)))
  const view = new DataView(file)
  let at = head.length
  for (const corner of corners(solid)) {
    for (const value of corner) {
      view.setFloat32(at, value, little)
      at += 4
    }
    at += 1
  }
  for (let n = 0; n < solid.length; n++) {
    view.setUint8(at, 3)
    for (const k of [0, 1, 2]) view.setInt32(at + 1 + 4 * k, 3 * n + k, little)
    at += 13
  }
  return file
}
const measured = (file: ArrayBuffer) => measureMesh(readMesh(file).triangles)

describe('volume against exact solids', () => {
  it('a box of 20 x 30 x 40 has 24 000 and 5200 around it', () => {
    const box3 = measured(binaryStl(box(20, 30, 40)))
    expect(box3).toMatchObject({
      volume: 24_000,
      area: 5200,
      watertight: true,
      insideOut: false,
      max: [20, 30, 40],
    })
  })
  it('a tetrahedron cut off a cube of 6 has a sixth of it', () =>
    expect(measured(binaryStl(tetrahedron(6))).volume).toBeCloseTo(36, 9))
  it('a sphere comes to 4/3 π, four times nearer with each split', () => {
    const missing = [2, 3, 4, 5].map(
      (levels) => (4 / 3) * Math.PI - measured(binaryStl(sphere(levels))).volume,
    )
    for (const [n, gap] of missing.slice(1).entries()) expect(missing[n]! / gap).toBeCloseTo(4, 0)
    expect(missing.at(-1)! / ((4 / 3) * Math.PI)).toBeLessThan(0.002)
  })
  it('far from the origin it loses nothing', () => {
    const far = box(16).map((t) => t.map((c) => c.map((x) => x + 65_536)) as never) as Solid
    expect(measured(binaryStl(far)).volume).toBe(4096)
  })
  it('moving, turning the order and scaling by k: V, V and k³ V', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 8, noNaN: true }),
        fc.integer({ min: -50, max: 50 }),
        (k, by) => {
          const shape = sphere(1)
          const base = measured(binaryStl(shape)).volume
          const moved = shape.map((t) => t.map((c) => c.map((x) => k * x + by)) as never).reverse() as Solid
          expect(measured(binaryStl(moved)).volume / (k ** 3 * base)).toBeCloseTo(1, 3)
        },
      ),
    )
  })
})

describe('tightness', () => {
  it('a missing triangle leaves three open edges', () => {
    expect(measured(binaryStl(box(5).slice(1)))).toMatchObject({ openEdges: 3, watertight: false })
  })
  it.each([[[1]], [[1, 2]]])(
    'an edge that three triangles share is tangled, with %j the other way round',
    (turned) => {
      const [a, b] = [
        [0, 0, 0],
        [1, 0, 0],
      ] as const
      const fan = [
        [0, 1, 0],
        [0, -1, 0],
        [0, 0, 1],
      ].map((c, n) => (turned.includes(n) ? [b, a, c] : [a, b, c])) as unknown as Solid
      expect(measured(binaryStl(fan))).toMatchObject({ tangledEdges: 1, openEdges: 6, watertight: false })
      expect(measured(binaryStl(fan.slice(0, 2)))).toMatchObject({ tangledEdges: 0, openEdges: 4 })
    },
  )
  it('one triangle turned round is tangled, all turned round is inside out', () => {
    const turned = ([a, b, c]: Solid[number]) => [a, c, b] as const
    const shape = box(5)
    expect(measured(binaryStl([turned(shape[0]!), ...shape.slice(1)]))).toMatchObject({
      tangledEdges: 3,
      openEdges: 0,
    })
    expect(measured(binaryStl(shape.map(turned)))).toMatchObject({
      volume: 125,
      insideOut: true,
      watertight: true,
    })
  })
  it('a large closed surface keeps all its edges apart', () => {
    const { openEdges, tangledEdges, triangles } = measured(binaryStl(sphere(6)))
    expect([openEdges, tangledEdges, triangles]).toEqual([0, 0, 8 * 4 ** 6])
  })
})

describe('formats', () => {
  const shape = box(7)
  it.each([
    ['STL, binary', binaryStl(shape)],
    ['STL, text', asciiStl(shape)],
    ['OBJ', obj(shape)],
    ['PLY', asciiPly(shape)],
    ['PLY', binaryPly(shape, true)],
    ['PLY', binaryPly(shape, false)],
  ] as const)('%s gives the same box', (format, file) => {
    expect(readMesh(file).format).toBe(format)
    expect(measured(file)).toMatchObject({ volume: 343, triangles: 12, watertight: true })
  })
  it('a binary STL may begin with the word solid', () => {
    const file = binaryStl(shape)
    new Uint8Array(file).set(new Uint8Array(bytes('solid facet')))
    expect(readMesh(file).format).toBe('STL, binary')
  })
})

describe('broken files are refused with a sentence', () => {
  const refusal = (file: ArrayBuffer) => {
    try {
      measured(file)
    } catch (error) {
      return error as { code: string; message: string; remedy: string }
    }
    return { code: 'taken', message: '', remedy: '' }
  }
  const nan = box(3).map((t, n) => (n === 4 ? [[Number.NaN, 0, 0], t[1], t[2]] : t)) as unknown as Solid
  it.each([
    ['mesh-empty', new ArrayBuffer(0)],
    ['mesh-not-understood', bytes('a letter to the clinic')],
    ['mesh-not-understood', bytes('x'.repeat(500))],
    ['mesh-not-understood', binaryStl(box(3), 42_949_672)],
    ['mesh-cut-short', binaryStl(box(3)).slice(0, 400)],
    ['mesh-cut-short', asciiStl(box(3)).slice(0, 700)],
    ['mesh-cut-short', asciiPly(box(3)).slice(0, 400)],
    ['mesh-cut-short', binaryPly(box(3), true).slice(0, 400)],
    ['mesh-no-triangles', binaryStl([])],
    ['mesh-no-triangles', bytes('# empty\nv 0 0 0\n')],
    ['mesh-not-a-number', binaryStl(nan)],
    ['mesh-index-out-of-range', bytes('v 0 0 0\nv 1 0 0\nf 1 2 3\n')],
  ])('%s', (code, file) => {
    const { code: found, remedy } = refusal(file)
    expect(found).toBe(code)
    expect(remedy).toMatch(/\.$/)
  })
  it('says how much of it is there', () =>
    expect(refusal(binaryStl(box(3)).slice(0, 400)).message).toContain(
      'claims 12 triangles but ends after 6',
    ))
  it('stops when asked', () => {
    const { triangles } = readMesh(binaryStl(sphere(7)))
    expect(() => measureMesh(triangles, { onProgress: () => true })).toThrow(
      expect.objectContaining({ code: 'mesh-stopped' }),
    )
  })
})

describe('units and views', () => {
  it('60 can only be millimetres, 2.4 inches or centimetres, 0.06 metres, 5000 nothing', () => {
    expect(likelyMeshUnits(60)).toEqual(['mm'])
    expect(likelyMeshUnits(2.4)).toEqual(['in', 'cm'])
    expect(likelyMeshUnits(0.06)).toEqual(['m'])
    expect(likelyMeshUnits(5000)).toEqual([])
  })
  // 1 in³ is 16.387064 cm³, exact by the inch of 25.4 mm.
  it('an inch cube is 16.387064 cm3', () => expect(cm3FromMeshVolume(1, 'in')).toBeCloseTo(16.387064, 9))
  it('seen from above a box is its lid, all over', () => {
    const { triangles } = readMesh(binaryStl(box(40, 20, 8)))
    const view = topView(triangles, measureMesh(triangles), 100)
    expect([view.columns, view.rows, view.cell]).toEqual([100, 50, 0.4])
    expect(new Set(view.heights)).toEqual(new Set([8]))
  })
  it('draws a fine mesh coarser, within its box', () => {
    const { triangles } = readMesh(binaryStl(sphere(6)))
    const seen = meshForView(triangles, measureMesh(triangles), 20_000)
    expect(seen.length / 9).toBeLessThanOrEqual(20_000)
    expect(seen.length / 9).toBeGreaterThan(1000)
    expect(Math.max(...seen.map(Math.abs))).toBeLessThanOrEqual(1.01)
  })
})

describe('a face that is damaged', () => {
  const ply = (face: string) =>
    bytes(
      `ply\nformat ascii 1.0\nelement vertex 3\nproperty float x\nproperty float y\nproperty float z\nelement face 2\nproperty list uchar int vertex_indices\nend_header\n0 0 0\n1 0 0\n0 1 0\n3 0 1 2\n${face}\n`,
    )
  it.each(['3 0 1 3', '3 -1 1 2', '3 0 1 99'])('%s names the face and what to do', (face) => {
    expect(() => readMesh(ply(face))).toThrow(
      expect.objectContaining({
        code: 'mesh-index-out-of-range',
        message: 'Face 2 uses a point that is not in the file.',
      }),
    )
  })
  it('a triangle without area has no edges: a closed body stays closed with two such in it', () => {
    const solid = tetrahedron(6)
    const flat: Solid = [
      [
        [0, 0, 0],
        [0, 0, 0],
        [6, 0, 0],
      ],
      [
        [0, 0, 0],
        [6, 0, 0],
        [6, 0, 0],
      ],
      [
        [0, 6, 0],
        [6, 0, 0],
        [0, 6, 0],
      ],
    ]
    const { watertight, volume } = measureMesh(readMesh(binaryStl([...solid, ...flat])).triangles)
    expect(watertight).toBe(true)
    // a³/6, exact.
    expect(volume).toBeCloseTo(36, 9)
  })
})
