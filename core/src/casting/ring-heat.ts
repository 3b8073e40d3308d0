import { sweep, type Tridiagonal, tridiagonal } from '../heat/index.ts'
import { programCelsius, programMinutes, type TemperatureProgram } from '../program/index.ts'
import { ICE_POINT_KELVIN, STEFAN_BOLTZMANN } from '../quantity/index.ts'
import { DomainError, requirePositive, requireWithin } from '../refusal/index.ts'
import { figure, maybe, type Of, record } from '../shape/index.ts'
import { WARMEST_ROOM_CELSIUS } from './burnout-program.ts'
import { BOIL_FROM, BOIL_TO, type MoistureCurve, moisture, type RingMaterial } from './ring-material.ts'

// Looked up once: they stand in the inner loop.
const { abs, ceil, floor, max } = Math

/** Inside of a ring, mm. Both ends open; half the height is computed, mirrored at its middle. */
export const ringSizeShape = record({
  radiusMillimetres: figure(0, 1000, { example: 32.5 }),
  heightMillimetres: figure(0, 1000, { example: 55 }),
  /** Wall of the metal ring and its liner; none: bare investment. */
  metalMillimetres: maybe(figure(0, 100)),
  liningMillimetres: maybe(figure(0, 100)),
})
export type RingSize = Of<typeof ringSizeShape>

/** The longest program and as much again to hold on (choice); a step every few seconds of more is no answer. */
const LONGEST_FOLLOWED_MINUTES = 4 * 24 * 60

/** Fineness of the computation: cells across and along, s a step. */
export interface RingGrid {
  readonly across: number
  readonly along: number
  readonly stepSeconds: number
}
/** A ring so much colder than its furnace is followed in shorter steps (model notes). */
const HOT_ENTRY_BY_CELSIUS = 200
const HOT_STEP_SECONDS = 10
/** Of the room of a furnace (our assumption, as the tables of the model notes begin). */
export const ROOM_CELSIUS = 20
export const usualGrid: RingGrid = { across: 16, along: 12, stepSeconds: 30 }

/** One instant of the curve. */
export interface RingMoment {
  readonly minutes: number
  readonly furnaceCelsius: number
  readonly wallCelsius: number
  readonly coreCelsius: number
}

export interface RingHeat {
  /** One moment a minute. */
  readonly curve: readonly RingMoment[]
  /** When the core has passed 120 °C: the water is gone. */
  readonly waterGoneMinutes?: number
  /** When the core is within 10 °C of the furnace's highest temperature. */
  readonly coreReadyMinutes?: number
}

/** How near the core must be, °C (choice). */
export const CORE_WITHIN_CELSIUS = 10
const WATER_GONE_CELSIUS = 120
const METAL_JOULES_PER_M3K = 3.925e6
const LINING_WATTS_PER_MK = 0.15
const MOST_PASSES = 6
/** Nearer than this to its furnace a ring is left alone. */
const NOTHING_FLOWS_CELSIUS = 1e-6
const PASS_WITHIN = 1e-3

/**
 * How hot the core of a casting ring is during a burnout: finite cylinder of investment with moisture.
 *
 *     dHv/dt = (1/r) ∂(r k ∂T/∂r)/∂r + ∂(k ∂T/∂z)/∂z,  -k ∂T/∂n = h (T_s - T_f),  h = hc + F σ (Ts² + Tf²)(Ts + Tf)
 *
 * Finite volumes; each step a radial sweep, then an axial one, both backward Euler (locally one-dimensional splitting);
 * latent heat by Newton on the enthalpy inside each sweep, so that energy in equals energy stored.
 *
 * @param furnace a program, or the temperature read at so many minutes
 * @param minutes how long to follow it
 * @throws {DomainError} `not-a-positive-number`, `reading-not-plausible`, `grid`
 * Source: heat conduction; moisture as apparent heat, EN 1992-1-2 3.3.2, recalled; quasi-enthalpy, Pham 1985, recalled.
 * Limits: inversions (< 0.2 min), wax (< 3 %), gas pressure and cracking are left out; nothing is known of the furnace.
 */
export function ringHeat(
  size: RingSize,
  material: RingMaterial,
  furnace: TemperatureProgram | ((minutes: number) => number),
  minutes: number,
  grid: RingGrid = usualGrid,
): RingHeat {
  checkRing(size, grid)
  requirePositive(minutes, 'minutes', 'The time')
  requireWithin(minutes, {
    least: 0,
    most: LONGEST_FOLLOWED_MINUTES,
    what: 'The time',
    field: 'minutes',
    kind: 'minutes',
  })
  const at = typeof furnace === 'function' ? furnace : (t: number) => programCelsius(furnace, t)
  // A cold furnace is as warm as the room, and so is the ring that goes in.
  const start = at(0) <= WARMEST_ROOM_CELSIUS ? at(0) : ROOM_CELSIUS
  // Into a hot furnace the usual steps are too long; who asks for other steps gets those.
  const hot = grid === usualGrid && at(0) - start > HOT_ENTRY_BY_CELSIUS
  const stepSeconds = hot ? HOT_STEP_SECONDS : grid.stepSeconds
  const field = new RingField(size, material, { ...grid, stepSeconds }, start)
  const steps = ceil((minutes * 60) / stepSeconds)
  const curve: RingMoment[] = [{ minutes: 0, furnaceCelsius: at(0), wallCelsius: start, coreCelsius: start }]
  let highest = at(0)
  for (let n = 1; n <= steps; n++) highest = max(highest, at((n * stepSeconds) / 60))
  let waterGoneMinutes: number | undefined
  let coreReadyMinutes: number | undefined
  let before = start
  for (let n = 1; n <= steps; n++) {
    const now = (n * stepSeconds) / 60
    const furnaceCelsius = at(now)
    field.step(furnaceCelsius)
    const core = field.core
    const passed = (celsius: number) =>
      now - (stepSeconds / 60) * (1 - (celsius - before) / max(1e-9, core - before))
    if (waterGoneMinutes === undefined && core > WATER_GONE_CELSIUS)
      waterGoneMinutes = passed(WATER_GONE_CELSIUS)
    if (coreReadyMinutes === undefined && core >= highest - CORE_WITHIN_CELSIUS)
      coreReadyMinutes = passed(highest - CORE_WITHIN_CELSIUS)
    before = core
    if (floor(now) > floor(now - stepSeconds / 60) || n === steps)
      curve.push({ minutes: now, furnaceCelsius, wallCelsius: field.wall, coreCelsius: core })
  }
  return {
    curve,
    ...(waterGoneMinutes === undefined ? {} : { waterGoneMinutes }),
    ...(coreReadyMinutes === undefined ? {} : { coreReadyMinutes }),
  }
}

/** How long a program has to be followed, so that the core has time to come after: its length and as much again. */
export function followMinutes(program: TemperatureProgram): number {
  return programMinutes(program) + 120
}

function checkRing(size: RingSize, { across, along, stepSeconds }: RingGrid): void {
  requirePositive(size.radiusMillimetres, 'radiusMillimetres', 'The radius')
  requirePositive(size.heightMillimetres, 'heightMillimetres', 'The height')
  requirePositive(size.metalMillimetres ?? 0, 'metalMillimetres', 'The metal of the ring', { orZero: true })
  requirePositive(size.liningMillimetres ?? 0, 'liningMillimetres', 'The lining', { orZero: true })
  const whole = (n: number) => Number.isInteger(n) && n >= 2 && n <= 64
  if (!whole(across) || !whole(along) || !(stepSeconds > 0 && stepSeconds <= 300))
    throw new DomainError('grid', 'The grid makes no sense.', 'Use 2 to 64 cells and steps to 300 s.', 'grid')
}

/** The temperatures of half a ring, and how they go on by one step. Plain arrays: this is the inner loop of the day. */
class RingField {
  private readonly wet: MoistureCurve
  private readonly celsius: Float64Array
  private readonly enthalpy: Float64Array
  private readonly conductivity: Float64Array
  private readonly metal?: {
    readonly celsius: Float64Array
    readonly capacity: number
    readonly lining: number
  }
  private readonly rows: Line
  private readonly columns: Line

  constructor(
    { radiusMillimetres, heightMillimetres, metalMillimetres = 0, liningMillimetres = 0 }: RingSize,
    private readonly material: RingMaterial,
    private readonly grid: RingGrid,
    start: number,
  ) {
    const { across, along } = grid
    this.wet = moisture(material)
    const dr = radiusMillimetres / 1000 / across
    const dz = heightMillimetres / 2000 / along
    // Area of the inner and outer face of a cell over its volume: 2 i / ((2 i + 1) dr) across, 1 / dz along.
    this.rows = lineOf(
      across,
      1,
      dr,
      (i) => (2 * i) / ((2 * i + 1) * dr),
      (i) => (2 * (i + 1)) / ((2 * i + 1) * dr),
    )
    this.columns = lineOf(
      along,
      across,
      dz,
      () => 1 / dz,
      () => 1 / dz,
    )
    this.celsius = new Float64Array(across * along).fill(start)
    this.enthalpy = new Float64Array(across * along).fill(this.wet.enthalpyAt(start))
    this.conductivity = new Float64Array(across * along)
    if (metalMillimetres > 0)
      this.metal = {
        celsius: new Float64Array(along).fill(start),
        capacity: (metalMillimetres / 1000) * METAL_JOULES_PER_M3K,
        lining: liningMillimetres / 1000 / LINING_WATTS_PER_MK,
      }
  }

  /** Innermost cell at mid-height. */
  get core(): number {
    return this.celsius[0]!
  }
  /** Outermost cell at mid-height. */
  get wall(): number {
    return this.celsius[this.grid.across - 1]!
  }

  step(furnaceCelsius: number): void {
    if (this.isAsHotAs(furnaceCelsius)) return
    const { across, along } = this.grid
    this.refreshConductivity()
    for (let row = 0; row < along; row++) {
      const first = row * across
      const outer = first + across - 1
      if (this.metal) {
        const { edge, outside } = this.throughMetal(row, outer, furnaceCelsius)
        this.solve(this.rows, first, edge, outside)
      } else this.solve(this.rows, first, this.edge(outer, this.rows.half, furnaceCelsius), furnaceCelsius)
    }
    this.refreshConductivity()
    for (let column = 0; column < across; column++) {
      const end = (along - 1) * across + column
      this.solve(this.columns, column, this.edge(end, this.columns.half, furnaceCelsius), furnaceCelsius)
    }
  }

  /** Whether nothing can flow any more: what is still apart is far below any reading. */
  private isAsHotAs(furnaceCelsius: number): boolean {
    const apart = (celsius: number) => abs(celsius - furnaceCelsius) > NOTHING_FLOWS_CELSIUS
    // The core comes last: most steps are asked no further.
    if (apart(this.core)) return false
    return !(this.celsius.some(apart) || this.metal?.celsius.some(apart))
  }

  private refreshConductivity(): void {
    const { celsius, conductivity, wet } = this
    for (let cell = 0; cell < celsius.length; cell++) conductivity[cell] = wet.conductivityAt(celsius[cell]!)
  }

  /** From the furnace to a surface cell, W/m2K: film and half a cell in series. */
  private edge(cell: number, half: number, furnaceCelsius: number): number {
    const inside = this.celsius[cell]!
    const gc = this.conductivity[cell]! / half
    const guess = this.film(inside, furnaceCelsius)
    const surface = (guess * furnaceCelsius + gc * inside) / (guess + gc)
    const h = this.film(surface, furnaceCelsius)
    return (h * gc) / (h + gc)
  }
  private film(surface: number, furnaceCelsius: number): number {
    const s = surface + ICE_POINT_KELVIN
    const f = furnaceCelsius + ICE_POINT_KELVIN
    return (
      this.material.filmWattsPerM2K + this.material.radiation * STEFAN_BOLTZMANN * (s * s + f * f) * (s + f)
    )
  }

  /** The thin metal ring follows at once: backward Euler on one node for each row. */
  private throughMetal(
    row: number,
    outer: number,
    furnaceCelsius: number,
  ): { edge: number; outside: number } {
    const { celsius, capacity, lining } = this.metal!
    const dt = this.grid.stepSeconds
    const ring = celsius[row]!
    const h = this.film(ring, furnaceCelsius)
    const edge = 1 / (lining + this.rows.half / this.conductivity[outer]!)
    const next =
      (capacity * ring + dt * (h * furnaceCelsius + edge * this.celsius[outer]!)) /
      (capacity + dt * (h + edge))
    celsius[row] = next
    return { edge, outside: next }
  }

  /**
   * Backward Euler along one line of cells, Newton on the enthalpy:
   * Hv(Tk) + C(Tk)(T - Tk) - Hv(old) = dt · fluxes(T), the next guess being the enthalpy on the left.
   */
  private solve(line: Line, first: number, edge: number, outside: number): void {
    const { count, stride, guess, was } = line
    let off = this.firstPass(line, first, edge, outside)
    for (let pass = 1; pass < MOST_PASSES && off >= PASS_WITHIN; pass++)
      off = this.furtherPass(line, first, outside)
    for (let i = 0; i < count; i++) {
      const cell = first + i * stride
      this.enthalpy[cell] = guess[i]!
      this.celsius[cell] = was[i]!
    }
  }

  /**
   * The first pass, nearly always the only one, from the temperatures as they are: rows are made, eliminated and put in again
   * without being read twice. The conductances stay for further passes.
   * @returns by how much temperature and enthalpy are still off, °C
   */
  private firstPass(line: Line, first: number, edge: number, outside: number): number {
    const { count, stride, spacing, inner, outer, guess, was, system } = line
    const { below, above, solution, scratch } = system
    const { enthalpy, conductivity, celsius } = this
    const { wet, boiling, dry } = this.wet.pieces
    const dt = this.grid.stepSeconds
    const perSpacing = 1 / spacing
    let k = conductivity[first]!
    let inwards = 0
    let before = 0
    let inverse = 0
    let found = 0
    for (let i = 0; i < count; i++) {
      const cell = first + i * stride
      const last = i === count - 1
      const kNext = last ? k : conductivity[cell + stride]!
      const face = last ? edge : kNext === k ? k * perSpacing : (2 * k * kNext * perSpacing) / (k + kNext)
      const under = -dt * inwards * inner[i]!
      const over = -dt * face * outer[i]!
      const t = celsius[cell]!
      const c = t < BOIL_FROM ? wet : t < BOIL_TO ? boiling : dry
      const factor = before * inverse
      inverse = 1 / (c - under - over - under * factor)
      found = (c * t - (last ? over * outside : 0) - under * found) * inverse
      below[i] = under
      above[i] = over
      scratch[i] = factor
      solution[i] = found
      inwards = face
      before = over
      k = kNext
    }
    let off = 0
    for (let i = count - 1; i >= 0; i--) {
      const cell = first + i * stride
      if (i < count - 1) found = solution[i]! - scratch[i + 1]! * found
      const t = celsius[cell]!
      const c = t < BOIL_FROM ? wet : t < BOIL_TO ? boiling : dry
      const h = enthalpy[cell]! + c * (found - t)
      const next = this.wet.celsiusAt(h)
      const miss = abs(next - found)
      if (miss > off) off = miss
      guess[i] = h
      was[i] = next
    }
    return off
  }

  private furtherPass({ count, stride, guess, was, system }: Line, first: number, outside: number): number {
    const { below, centre, above, right, solution } = system
    const { enthalpy, wet } = this
    for (let i = 0; i < count; i++) {
      const capacity = wet.capacityAt(was[i]!)
      centre[i] = capacity - below[i]! - above[i]!
      right[i] = enthalpy[first + i * stride]! - guess[i]! + capacity * was[i]!
    }
    right[count - 1]! -= above[count - 1]! * outside
    sweep(system, count)
    let off = 0
    for (let i = 0; i < count; i++) {
      const next = guess[i]! + wet.capacityAt(was[i]!) * (solution[i]! - was[i]!)
      const celsius = wet.celsiusAt(next)
      off = max(off, abs(celsius - solution[i]!))
      guess[i] = next
      was[i] = celsius
    }
    return off
  }
}

/** A line of cells, across or along, with the room to solve it in. */
interface Line {
  readonly count: number
  /** From a cell to the next in the field. */
  readonly stride: number
  readonly spacing: number
  readonly half: number
  /** Area of the inner and outer face of a cell over its volume, 1/m. */
  readonly inner: Float64Array
  readonly outer: Float64Array
  readonly guess: Float64Array
  readonly was: Float64Array
  readonly system: Tridiagonal
}

function lineOf(
  count: number,
  stride: number,
  spacing: number,
  inner: (i: number) => number,
  outer: (i: number) => number,
): Line {
  return {
    count,
    stride,
    spacing,
    half: spacing / 2,
    inner: Float64Array.from({ length: count }, (_, i) => inner(i)),
    outer: Float64Array.from({ length: count }, (_, i) => outer(i)),
    guess: new Float64Array(count),
    was: new Float64Array(count),
    system: tridiagonal(count),
  }
}
