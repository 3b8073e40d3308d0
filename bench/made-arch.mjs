import { writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'

/**
 * A made upper arch for the demo and the benchmarks: shapes of our own, every number a choice. An implicit solid (negative inside),
 * turned into triangles by naive surface nets, two layers at a time. The same seed makes the same arch.
 *
 *     node bench/made-arch.mjs      writes demo/arch.ply, 50 000 triangles, and demo/ridge.ply
 */

/** Half along the arch, half across it, and height of a tooth, mm, from the midline back. */
const TEETH = [
  [4.2, 3.4, 9.5],
  [3.3, 3.0, 8.8],
  [3.8, 3.9, 9.6],
  [3.5, 4.4, 7.6],
  [3.4, 4.4, 7.2],
  [5.1, 5.2, 6.8],
  [4.8, 5.1, 6.4],
]
const CREST = 12
const HIGH = [37, 49, 23]

/** Mulberry32 (public domain): small, and the same everywhere. */
function seeded(seed) {
  let state = seed
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

/** The curve of the arch by arc length from the midline: places, with the way along and outwards; it runs on straight at its ends. */
function archCurve() {
  const fine = 4000
  const points = []
  for (let n = 0; n <= fine; n++) {
    const t = ((n / fine) * Math.PI) / 2
    points.push([26 * Math.sin(t) ** 0.85, 38 * Math.cos(t) ** 0.9])
  }
  const lengths = [0]
  for (let n = 1; n <= fine; n++)
    lengths.push(
      lengths[n - 1] + Math.hypot(points[n][0] - points[n - 1][0], points[n][1] - points[n - 1][1]),
    )
  const whole = lengths[fine]
  const at = (s) => {
    const along = Math.abs(s)
    const side = s < 0 ? -1 : 1
    let [x, y, dx, dy] = [26, -(along - whole), 0, -1]
    if (along < whole) {
      let n = 0
      for (let step = 2048; step > 0; step >>= 1)
        if (n + step <= fine && lengths[n + step] <= along) n += step
      n = Math.min(n, fine - 1)
      const f = (along - lengths[n]) / (lengths[n + 1] - lengths[n] || 1)
      x = points[n][0] + f * (points[n + 1][0] - points[n][0])
      y = points[n][1] + f * (points[n + 1][1] - points[n][1])
      // The corners of the curve are smoothed: its direction over a millimetre.
      const a = Math.max(0, n - 40)
      const b = Math.min(fine, n + 40)
      const long = Math.hypot(points[b][0] - points[a][0], points[b][1] - points[a][1])
      dx = (points[b][0] - points[a][0]) / long
      dy = (points[b][1] - points[a][1]) / long
    }
    // Outwards lies to the left of the way back on the side of x.
    return { x: side * x, y, along: [side * dx, dy], out: [side * -dy, dx] }
  }
  const samples = []
  for (let s = 0; s <= whole + 8; s += 0.25) samples.push({ s, ...at(s) })
  return { at, samples }
}

const smoothMin = (a, b, k) => {
  const h = Math.max(k - Math.abs(a - b), 0) / k
  return Math.min(a, b) - (h * h * k) / 4
}

/**
 * The arch as a function of place: negative inside.
 * @param missing FDI numbers; x above 0 is the patient's left
 */
function solid({ seed, missing, flange, foot }) {
  const random = seeded(seed)
  const about = (by) => (2 * random() - 1) * by
  const { at, samples } = archCurve()
  const teeth = []
  for (const quadrant of [1, 2]) {
    let s = 0
    TEETH.forEach(([A, B, H], n) => {
      const place = at((quadrant === 2 ? 1 : -1) * (s + A) * 0.97)
      s += 2 * A
      const tooth = {
        ...place,
        A,
        B,
        H: H + about(0.2),
        bulge: 0.1 + about(0.02),
        contour: 0.38 + about(0.03),
        lean: Math.tan(((n < 3 ? 12 : n < 5 ? 4 : -3) + about(3)) * (Math.PI / 180)),
        tip: Math.tan(about(3) * (Math.PI / 180)),
        front: n < 3,
        cusps: n < 2 ? 0 : n < 3 ? 1 : 2,
      }
      if (!missing.includes(10 * quadrant + n + 1)) teeth.push(tooth)
    })
  }
  const toothAt = (q, x, y, z) => {
    const t = z - (CREST - 1)
    const u = t / q.H
    const dx = x - q.x
    const dy = y - q.y
    const a = dx * q.along[0] + dy * q.along[1] - q.tip * t
    const b = dx * q.out[0] + dy * q.out[1] - q.lean * t
    if (Math.abs(a) > q.A + 3 || Math.abs(b) > q.B + 3)
      return Math.hypot(Math.abs(a) - q.A, Math.abs(b) - q.B) * 0.7
    const v = u < q.contour ? (q.contour - u) / q.contour : (u - q.contour) / (1 - q.contour)
    const p = Math.max(0.4, u < q.contour ? 1 - (q.bulge + 0.06) * Math.min(v, 1.4) ** 2 : 1 - 0.22 * v * v)
    const thin = q.front ? Math.max(0.35, 1 - 0.55 * Math.max(0, u)) : 1
    const [an, bn] = [a / (q.A * p), b / (q.B * p * thin)]
    const wall = ((an ** 4 + bn ** 4) ** 0.25 - 1) * Math.min(q.A * p, q.B * p * thin)
    const groove =
      q.cusps === 2
        ? 0.55 * (1 + Math.cos((Math.PI * 2 * b) / q.B)) + 0.2 * Math.cos((2 * Math.PI * a) / q.A)
        : q.cusps === 1
          ? 0.9 * (a / q.A) ** 2
          : 0
    const roof = (t - (q.H - groove)) * 0.8
    return Math.max(wall, roof, -t - 4)
  }
  return (x, y, z) => {
    let near = 1e9
    let best
    for (const q of samples) {
      const ax = Math.abs(x)
      const d = (ax - q.x) ** 2 + (y - q.y) ** 2
      if (d < near) {
        near = d
        best = q
      }
    }
    const away = Math.sqrt(near)
    const side = (Math.abs(x) - best.x) * best.out[0] + (y - best.y) * best.out[1] >= 0 ? 1 : -1
    const beyond = best.s >= 0 ? side * away : away
    const u = Math.max(0, z) / CREST
    const wide = 6.2 - 1.2 * u * u
    const across = Math.abs(beyond - flange * 1.6 * (u - 0.55)) - wide
    const round = 3.4
    const [qx, qz] = [across + round, z - (CREST - round)]
    let f = Math.hypot(Math.max(qx, 0), Math.max(qz, 0)) + Math.min(Math.max(qx, qz), 0) - round
    // The palate: a vault between the sides, over the plate.
    const inside = side < 0 && y > -7 ? away : 0
    if (inside > 0) {
      const vault = 5.2 - 2.2 * Math.min(1, (x / 18) ** 2 + 0) - 0.6 * Math.cos(y / 9)
      f = smoothMin(f, Math.max(z - vault, -y - 7) * 0.9, 3)
    }
    f = Math.max(f, -y - 7, foot - z)
    for (const q of teeth)
      if (Math.abs(x - q.x) < 12 && Math.abs(y - q.y) < 12)
        f = smoothMin(f, Math.max(toothAt(q, x, y, z), foot - z), 0.8)
    return f
  }
}

/** Naive surface nets: a corner in every cube that the surface crosses, a pair of triangles for every edge that it crosses. */
function surfaceNets(f, step, foot) {
  const LOW = [-37, -9, foot - 0.8]
  const [nx, ny, nz] = [0, 1, 2].map((k) => Math.ceil((HIGH[k] - LOW[k]) / step) + 1)
  const layer = nx * ny
  const block = Math.max(2, Math.round(1.2 / step))
  const at = (i, j, k) => f(LOW[0] + i * step, LOW[1] + j * step, LOW[2] + k * step)
  // Blocks far from the surface are not looked into: the sign of their middle stands for all.
  const far = 1.8 * block * step
  const known = new Map()
  const blockValue = (i, j, k) => {
    const [bi, bj, bk] = [Math.floor(i / block), Math.floor(j / block), Math.floor(k / block)]
    const key = (bk * 4096 + bj) * 4096 + bi
    let value = known.get(key)
    if (value === undefined) {
      value = at((bi + 0.5) * block, (bj + 0.5) * block, (bk + 0.5) * block)
      known.set(key, value)
    }
    return value
  }
  const fill = (k, into) => {
    for (let j = 0; j < ny; j++)
      for (let i = 0; i < nx; i++) {
        const about = blockValue(i, j, k)
        into[j * nx + i] = Math.abs(about) > far ? about : at(i, j, k)
      }
  }
  const positions = []
  const triangles = []
  let [low, high] = [new Float32Array(layer), new Float32Array(layer)]
  let [idsBelow, ids] = [new Int32Array(layer).fill(-1), new Int32Array(layer).fill(-1)]
  fill(0, low)
  const quad = (a, b, c, d, flip) => {
    if (flip) triangles.push(a, c, b, a, d, c)
    else triangles.push(a, b, c, a, c, d)
  }
  for (let k = 0; k + 1 < nz; k++) {
    fill(k + 1, high)
    ids.fill(-1)
    for (let j = 0; j + 1 < ny; j++)
      for (let i = 0; i + 1 < nx; i++) {
        const n = j * nx + i
        const corners = [
          low[n],
          low[n + 1],
          low[n + nx],
          low[n + nx + 1],
          high[n],
          high[n + 1],
          high[n + nx],
          high[n + nx + 1],
        ]
        let inside = 0
        for (const value of corners) if (value < 0) inside++
        if (inside === 0 || inside === 8) continue
        let [x, y, z, count] = [0, 0, 0, 0]
        for (let a = 0; a < 8; a++)
          for (const bit of [1, 2, 4]) {
            const b = a ^ bit
            if (b < a || corners[a] < 0 === corners[b] < 0) continue
            const t = corners[a] / (corners[a] - corners[b])
            x += (a & 1) + (bit === 1 ? t : 0)
            y += ((a >> 1) & 1) + (bit === 2 ? t : 0)
            z += (a >> 2) + (bit === 4 ? t : 0)
            count++
          }
        ids[n] = positions.length / 3
        positions.push(
          LOW[0] + (i + x / count) * step,
          LOW[1] + (j + y / count) * step,
          LOW[2] + (k + z / count) * step,
        )
      }
    for (let j = 1; j + 1 < ny; j++)
      for (let i = 1; i + 1 < nx; i++) {
        const n = j * nx + i
        // Along z between this layer and the next; along x and y within the lower one, whose cubes lie below and above it.
        if (low[n] < 0 !== high[n] < 0) quad(ids[n - nx - 1], ids[n - nx], ids[n], ids[n - 1], low[n] >= 0)
        if (k === 0) continue
        if (low[n] < 0 !== low[n + 1] < 0)
          quad(idsBelow[n - nx], idsBelow[n], ids[n], ids[n - nx], low[n] >= 0)
        if (low[n] < 0 !== low[n + nx] < 0)
          quad(idsBelow[n - 1], ids[n - 1], ids[n], idsBelow[n], low[n] >= 0)
      }
    ;[low, high] = [high, low]
    ;[idsBelow, ids] = [ids, idsBelow]
  }
  return { positions: Float32Array.from(positions), triangles: Uint32Array.from(triangles) }
}

/** Steps that give about 50, 200 and 1000 thousand triangles, mm. */
export const ARCH_STEPS = { 50: 0.683, 200: 0.342, 1000: 0.153 }

/** The made arch. @param step of its grid, mm */
export const madeArch = (step, { seed = 3, missing = [25, 26, 16], flange = 1, foot = 0.2 } = {}) =>
  surfaceNets(solid({ seed, missing, flange, foot }), step, foot)

/** As a binary PLY, little-endian. */
export function asPly({ positions, triangles }) {
  const faces = triangles.length / 3
  const head = Buffer.from(
    `ply\nformat binary_little_endian 1.0\ncomment a made arch, no patient's\nelement vertex ${positions.length / 3}\nproperty float x\nproperty float y\nproperty float z\nelement face ${faces}\nproperty list uchar int vertex_indices\nend_header\n`,
  )
  const body = Buffer.alloc(4 * positions.length + 13 * faces)
  for (const [n, value] of positions.entries()) body.writeFloatLE(value, 4 * n)
  for (let n = 0; n < faces; n++) {
    const at = 4 * positions.length + 13 * n
    body[at] = 3
    for (let k = 0; k < 3; k++) body.writeInt32LE(triangles[3 * n + k], at + 1 + 4 * k)
  }
  return Buffer.concat([head, body])
}

/** A ridge without teeth, for a denture's cast. */
export const madeRidge = (step = 0.9) =>
  madeArch(step, {
    missing: [1, 2].flatMap((quadrant) => TEETH.map((_, n) => 10 * quadrant + n + 1)),
    flange: 1.6,
    // A base to saw.
    foot: -7,
  })

if (process.argv[1] === fileURLToPath(import.meta.url))
  for (const [name, mesh] of [
    ['arch', madeArch(ARCH_STEPS[50])],
    ['ridge', madeRidge()],
  ]) {
    writeFileSync(new URL(`../demo/${name}.ply`, import.meta.url), asPly(mesh))
    console.log(`demo/${name}.ply: ${mesh.triangles.length / 3} triangles`)
  }
