import { likelyMeshUnits, type MeshUnitId } from '../mesh/index.ts'
import { qty, type Saying, saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { CastView, levelFloor } from './cast-view.ts'
import { HOLES_SHARE, roomUnder } from './room.ts'
import { areaNormal, boundsOf, flipped, type SurveyMesh } from './survey-mesh.ts'

/**
 * The unit of a scan: taken where one alone makes it the size of dental work.
 * @param size largest side, in the unit of the file
 * @throws {DomainError} `units-unclear` where several do, or none
 */
export function unitOf(size: number): MeshUnitId {
  const [likely, ...others] = likelyMeshUnits(size)
  if (likely && others.length === 0) return likely
  throw new DomainError(
    'units-unclear',
    `The cast would be ${Number(size.toPrecision(2))} mm wide.`,
    'Which unit is the file in?',
    'unit',
  )
}

/** What is odd about a scan, in words; `code` is stable. */
export interface ScanWord {
  readonly code: 'inside-out' | 'upside-down' | 'holes' | 'stray-shells'
  readonly say: Saying
}

/** A scan made ready: turned right side out, without what lies apart. */
export interface SoundScan {
  readonly mesh: SurveyMesh
  readonly words: readonly ScanWord[]
  /** Small bodies apart that were left out: triangles of the scan as it came. */
  readonly stray: readonly { readonly area: number; readonly triangles: readonly number[] }[]
  /** Its base lies upwards, as far as one can tell: turn it over. */
  readonly upsideDown: boolean
}

/** Left out: bodies with less than this share of the area, and farther away than this, mm (choices). */
const STRAY_SHARE = 0.02
const STRAY_MILLIMETRES = 1
/** A flat top that is so large a part of the whole view is a base that lies upwards (choices). */
const FLAT_SHARE = 0.4
const FLAT_MILLIMETRES = 0.3
const COARSE_CELL = 0.5

/**
 * Looks a scan through before it is surveyed: faces that look inwards are turned (by the columns, open scan or closed), small bodies apart
 * are left out and told, holes and a base that lies upwards are told.
 * @param keepStray put back what lies apart
 */
export function soundScan(scan: SurveyMesh, { keepStray = false } = {}): SoundScan {
  const words: ScanWord[] = []
  const stray = strayShells(scan)
  const out = keepStray ? new Set<number>() : new Set(stray.flatMap(({ triangles }) => triangles))
  let mesh = out.size === 0 ? scan : without(scan, out)
  if (stray.length > 0)
    words.push({
      code: 'stray-shells',
      say: `${stray.length === 1 ? 'A small body lies' : `${stray.length} small bodies lie`} apart from the cast: ${keepStray ? 'surveyed with it' : 'left out'}.`,
    })
  const look = (of: SurveyMesh) => {
    const { min } = boundsOf(of)
    const view = new CastView(of, levelFloor(min[2] - 1))
    view.look([0, 0, 1], COARSE_CELL)
    return roomUnder(view)
  }
  let seen = look(mesh)
  if (seen.insideOutShare > 0.5) {
    mesh = flipped(mesh)
    words.push({ code: 'inside-out', say: 'The scan was inside out: its faces are turned.' })
    seen = look(mesh)
  }
  if (seen.oddShare > HOLES_SHARE)
    words.push({
      code: 'holes',
      say: saying`The scan has holes: ${qty.percent(100 * seen.oddShare, 1)} of its columns make no sound body. Volumes are a guess.`,
    })
  const upsideDown = baseIsUp(mesh)
  if (upsideDown) words.push({ code: 'upside-down', say: 'The flat base lies upwards: turn the cast over.' })
  return { mesh, words, stray, upsideDown }
}

/** The same cast, the other way up. */
export function turnedOver({ positions, triangles }: SurveyMesh): SurveyMesh {
  return { positions: positions.map((value, n) => (n % 3 === 1 ? value : -value)), triangles }
}

function baseIsUp(mesh: SurveyMesh): boolean {
  const { positions, triangles } = mesh
  const top = boundsOf(mesh).max[2]
  let [flat, all] = [0, 0]
  for (let n = 0; n < triangles.length; n += 3) {
    const up = areaNormal(mesh, n / 3)[2]
    if (up <= 0) continue
    all += up
    const low = Math.min(...[0, 1, 2].map((k) => positions[3 * triangles[n + k]! + 2]!))
    if (top - low < FLAT_MILLIMETRES) flat += up
  }
  return flat > FLAT_SHARE * all
}

/** Bodies that hang together by their corners, small and apart from the others. */
function strayShells(mesh: SurveyMesh): { area: number; triangles: number[] }[] {
  const { positions, triangles } = mesh
  const parent = Int32Array.from({ length: positions.length / 3 }, (_, n) => n)
  const find = (n: number) => {
    let at = n
    while (parent[at] !== at) {
      parent[at] = parent[parent[at]!]!
      at = parent[at]!
    }
    return at
  }
  for (let n = 0; n < triangles.length; n += 3) {
    const root = find(triangles[n]!)
    parent[find(triangles[n + 1]!)] = root
    parent[find(triangles[n + 2]!)] = find(root)
  }
  const shells = new Map<number, { area: number; triangles: number[] }>()
  let whole = 0
  for (let n = 0; n < triangles.length / 3; n++) {
    const root = find(triangles[3 * n]!)
    let shell = shells.get(root)
    if (!shell) {
      shell = { area: 0, triangles: [] }
      shells.set(root, shell)
    }
    const area = Math.hypot(...areaNormal(mesh, n))
    shell.area += area
    whole += area
    shell.triangles.push(n)
  }
  if (shells.size === 1) return []
  const small = [...shells.values()].filter(({ area }) => area < STRAY_SHARE * whole)
  if (small.length === 0) return []
  // The corners of all that is not small, by cubes as wide as the gap that is asked for.
  const cube = (corner: number, by: readonly [number, number, number] = [0, 0, 0]) =>
    [0, 1, 2].map((k) => Math.floor(positions[3 * corner + k]! / STRAY_MILLIMETRES) + by[k]!).join(' ')
  const taken = new Set<string>()
  for (const shell of shells.values())
    if (!small.includes(shell))
      for (const n of shell.triangles) for (let k = 0; k < 3; k++) taken.add(cube(triangles[3 * n + k]!))
  const steps = [-1, 0, 1]
  return small.filter(({ triangles: own }) =>
    own.every((n) =>
      [0, 1, 2].every((k) => {
        const corner = triangles[3 * n + k]!
        return steps.every((x) => steps.every((y) => steps.every((z) => !taken.has(cube(corner, [x, y, z])))))
      }),
    ),
  )
}

function without({ positions, triangles }: SurveyMesh, out: ReadonlySet<number>): SurveyMesh {
  return { positions, triangles: triangles.filter((_, n) => !out.has(Math.floor(n / 3))) }
}
