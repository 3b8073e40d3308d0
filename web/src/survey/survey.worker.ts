import {
  bestTiltFor,
  boundsOf,
  CastSurvey,
  castFrame,
  clustered,
  inFrame,
  levelFloor,
  type MeshFormat,
  type MeshTightness,
  type MeshUnitId,
  meshSize,
  meshTightness,
  meshUnits,
  nearestCorner,
  planeUp,
  type RecoveredArch,
  type RoomBody,
  readMesh,
  type ScanWord,
  type StonePieces,
  type SurveyedPlace,
  type SurveyLine,
  type SurveyMesh,
  soundScan,
  stonePieces,
  surveyMesh,
  surveyPlace,
  TAPERS,
  type TableTilt,
  type TiltAim,
  type Triangles,
  type Tripod,
  turnedOver,
  unitOf,
  usualFloor,
  type Vector,
} from '@yentrik/core'
import { expose } from 'comlink'
import { type Attempt, attempt } from '../parts/attempt.ts'

/** Finer scans are drawn coarser, never surveyed coarser. */
const MOST_DRAWN = 200_000
const DRAWN_CLUSTER = 0.35

/** A file that was read, before its unit is known. */
export interface OpenedScan {
  readonly format: MeshFormat
  readonly triangles: number
  readonly sha256: string
  /** The unit, or why it must be asked. */
  readonly unit: Attempt<MeshUnitId>
  /** Of its largest side, in the file's unit. */
  readonly size: number
}

/** How the scan is laid: asked once, changed any time. */
export interface ScanLay {
  readonly unit: MeshUnitId
  readonly turnedOver: boolean
  readonly keepStray: boolean
  /** Taps on the scan as it lies now: front and back of the midline, and the plane where it is not the file's own. */
  readonly taps?: {
    readonly front: Vector
    readonly back: Vector
    readonly plane?: readonly [Vector, Vector, Vector]
  }
}

/** A cast ready to be looked at. */
export interface LaidScan {
  readonly words: readonly ScanWord[]
  readonly stray: boolean
  readonly positions: Float32Array
  readonly triangles: Uint32Array
  readonly min: Vector
  readonly max: Vector
  readonly floorMillimetres: number
}

/** What a cast is along a tilt, for the screen. */
export interface SurveyShown {
  readonly tilt: TableTilt
  /** Per corner that is drawn. */
  readonly depths: Float32Array
  readonly cubicMillimetres: number
  /** Left out while the table is moved. */
  readonly full?: {
    readonly line: Float32Array
    /** Pieces where the wall is so near to the rod that the line is only a band. */
    readonly band: Float32Array
    readonly areas: readonly number[]
    readonly bodies: readonly RoomBody[]
    readonly holes: boolean
    readonly tripod?: Tripod
    readonly deep: readonly {
      readonly at: Vector
      readonly normal: Vector
      readonly depthMillimetres: number
    }[]
  }
}

export interface PlaceAsked {
  readonly tap: Vector
  readonly gaugeMillimetres: number
  readonly gum?: Vector
}

let file: { readonly triangles: Triangles } | undefined
let shown: { readonly mesh: SurveyMesh; readonly of?: Uint32Array } | undefined
let cast: SurveyMesh | undefined
let survey: CastSurvey | undefined
let gumSurvey: CastSurvey | undefined

const ready = () => {
  if (!survey) throw new Error('no scan is open')
  return survey
}

/** The figures of the drawn corners out of those of all. */
function drawn(values: Float32Array): Float32Array {
  if (!shown?.of) return values.slice()
  const sums = new Float32Array(shown.mesh.positions.length / 3)
  const counts = new Float32Array(sums.length)
  shown.of.forEach((to, n) => {
    sums[to]! += values[n]!
    counts[to]! += 1
  })
  return sums.map((sum, n) => sum / Math.max(1, counts[n]!))
}

const surveyWork = {
  /** Reads a scan; the file is never changed. */
  async open(blob: Blob): Promise<Attempt<OpenedScan>> {
    const bytes = await blob.arrayBuffer()
    const hash = new Uint8Array(await crypto.subtle.digest('SHA-256', bytes))
    try {
      return attempt(() => {
        const { format, triangles } = readMesh(bytes)
        const { min, max } = meshSize(triangles)
        const size = Math.max(...max.map((high, axis) => high - min[axis]!))
        file = { triangles }
        return {
          format,
          triangles: triangles.count,
          sha256: [...hash].map((byte) => byte.toString(16).padStart(2, '0')).join(''),
          unit: attempt(() => unitOf(size)),
          size,
        }
      })
    } catch {
      return { refusal: 'The file could not be read: it may be too large for this machine.' }
    }
  },

  /** Lays it into the frame of the cast. */
  lay({ unit, turnedOver: over, keepStray, taps }: ScanLay): Attempt<LaidScan> {
    return attempt(() => {
      const { millimetres } = meshUnits.find(({ id }) => id === unit)!
      const found = soundScan(surveyMesh(file!.triangles, millimetres), { keepStray })
      let mesh = over ? turnedOver(found.mesh) : found.mesh
      if (taps) {
        const { min, max } = boundsOf(mesh)
        const middle: Vector = [(min[0] + max[0]) / 2, (min[1] + max[1]) / 2, (min[2] + max[2]) / 2]
        const up: Vector = taps.plane ? planeUp(taps.plane, middle) : [0, 0, 1]
        mesh = inFrame(mesh, castFrame(taps.front, taps.back, up))
      }
      cast = mesh
      survey = undefined
      gumSurvey = undefined
      if (mesh.triangles.length / 3 > MOST_DRAWN) {
        const cluster = clustered(mesh, DRAWN_CLUSTER)
        shown = { mesh: cluster.mesh, of: cluster.of }
      } else shown = { mesh }
      const { min, max } = boundsOf(mesh)
      return {
        words: found.words.filter(({ code }) => code !== 'upside-down' || !over),
        stray: found.stray.length > 0,
        positions: shown.mesh.positions.slice(),
        triangles: shown.mesh.triangles.slice(),
        min,
        max,
        floorMillimetres: usualFloor(mesh).height,
      }
    })
  },

  /**
   * What counts: above the floor, and within the strokes of the brush where there are any.
   * @returns per corner that is drawn, 1 where it counts
   */
  count(
    floorMillimetres: number,
    painted: readonly Vector[],
    gum: readonly Vector[],
    brush: number,
  ): Attempt<Float32Array> {
    return attempt(() => {
      const floor = levelFloor(floorMillimetres)
      survey = new CastSurvey(cast!, floor, strokes(painted, brush))
      gumSurvey = gum.length > 0 ? new CastSurvey(cast!, floor, strokes(gum, brush)) : undefined
      return drawn(counting(cast!, floorMillimetres, survey.painted))
    })
  },

  drag(tilt: TableTilt): Attempt<SurveyShown> {
    return attempt(() => {
      const { depths, cubicMillimetres } = ready().dragged(tilt)
      return { tilt, depths: drawn(depths), cubicMillimetres }
    })
  },

  along(tilt: TableTilt): Attempt<SurveyShown> {
    return attempt(() => {
      const of = ready()
      const found = of.along(tilt)
      const tripod = of.tripod(found)
      const at = (values: Float32Array, n: number): Vector => [
        values[3 * n]!,
        values[3 * n + 1]!,
        values[3 * n + 2]!,
      ]
      return {
        tilt,
        depths: drawn(found.depths),
        cubicMillimetres: found.cubicMillimetres,
        full: {
          ...linesOf(found.line),
          areas: found.areas,
          bodies: found.bodies,
          holes: found.holes,
          ...(tripod ? { tripod } : {}),
          deep: of.deepPlaces(found).map(({ corner, depthMillimetres }) => ({
            at: at(of.mesh.positions, corner),
            normal: at(of.normals, corner),
            depthMillimetres,
          })),
        },
      }
    })
  },

  /** The block-out by each taper, mm³. */
  rooms: (tilt: TableTilt) => attempt(() => ready().rooms(tilt, TAPERS)),

  place(tilt: TableTilt, { tap, gaugeMillimetres, gum }: PlaceAsked): Attempt<SurveyedPlace> {
    return attempt(() => {
      const { mesh, normals, floor } = ready()
      return surveyPlace({ mesh, normals, floor, tilt, tap, gaugeMillimetres, gum })
    })
  },

  best(aim: TiltAim, present: TableTilt, places: readonly PlaceAsked[], onProgress: (tried: number) => void) {
    return attempt(() => {
      const of = ready()
      return bestTiltFor(of, aim, {
        present,
        places: places.map(({ tap, gaugeMillimetres }) => ({
          corner: nearestCorner(of.mesh, tap).corner,
          gaugeMillimetres,
        })),
        gum: gumSurvey,
        onProgress,
      })
    })
  },

  /** Whether the file is closed and untangled: for what it is worth, as a survey reads it all the same. */
  tightness: (): Attempt<MeshTightness> => attempt(() => meshTightness(file!.triangles)),

  plan: (tilt: TableTilt, gauges: readonly number[]) => attempt(() => ready().plan(tilt, gauges)),

  pieces(arch: RecoveredArch, canineDegrees: number, endDegrees: number): Attempt<StonePieces> {
    return attempt(() => {
      const { mesh, floor, painted } = ready()
      return stonePieces({
        mesh,
        arch,
        floorMillimetres: floor.height,
        contact: painted,
        canineDegrees,
        endDegrees,
      })
    })
  },
}
export type SurveyWork = typeof surveyWork
expose(surveyWork)

/** Per corner, 1 where it counts. */
function counting(
  { positions, triangles }: SurveyMesh,
  floor: number,
  painted: Uint8Array | undefined,
): Float32Array {
  const counts = new Float32Array(positions.length / 3)
  for (let n = 0; n < triangles.length; n++) {
    const corner = triangles[n]!
    if (positions[3 * corner + 2]! > floor && (!painted || painted[Math.floor(n / 3)] === 1))
      counts[corner] = 1
  }
  return counts
}

/** The survey line apart from where it is only a band. */
function linesOf({ pieces, band }: SurveyLine): { line: Float32Array; band: Float32Array } {
  const of = (what: number) => pieces.filter((_, n) => band[Math.floor(n / 6)] === what)
  return { line: of(0), band: of(1) }
}

/** The triangles under the strokes of a brush; undefined where there is none. */
function strokes(points: readonly Vector[], brush: number): Uint8Array | undefined {
  if (points.length === 0 || !cast) return undefined
  const { positions, triangles } = cast
  const painted = new Uint8Array(triangles.length / 3)
  for (let n = 0; n < painted.length; n++) {
    const at = 3 * triangles[3 * n]!
    const [x, y, z] = [positions[at]!, positions[at + 1]!, positions[at + 2]!]
    for (const [px, py, pz] of points)
      if ((x - px) ** 2 + (y - py) ** 2 + (z - pz) ** 2 < brush * brush) {
        painted[n] = 1
        break
      }
  }
  return painted
}
