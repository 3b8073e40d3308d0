import { type Tridiagonal, tridiagonal, USUAL_ROOM_CELSIUS } from '../heat/index.ts'
import {
  checkSection,
  dough,
  type FlaskBody,
  type ResinSection,
  type ThermalBody,
  usualFlask,
} from './cure-bodies.ts'

// Looked up once: they stand in the inner loop.
const { log } = Math

/** Cells of the resin and of the stone. */
export interface CureGrid {
  readonly resin: number
  readonly stone: number
}
export const usualCells: CureGrid = { resin: 10, stone: 20 }

/**
 * Temperatures from the middle of the resin through the stone to the wall of the flask, and how they go on by one step.
 *
 *     ρ c ∂T/∂t = r^-m ∂(r^m k ∂T/∂r)/∂r + q,  m = 0 sheet, 1 ridge;  wall: Cw dTw/dt = h (Tbath - Tw) + flux
 *
 * Finite volumes, conductances of half-cells in series, backward Euler. Half of a sheet by symmetry; a ridge in a cylinder of
 * stone of 4/π of the half height (shape factor of a cylinder between two planes, Incropera, recalled).
 */
export class CureField {
  readonly celsius: Float64Array
  readonly resinCells: number
  /** Volume of each cell for m² (sheet) or rad m (ridge), m or m². */
  readonly volume: Float64Array
  private readonly capacity: Float64Array
  private readonly conductance: Float64Array
  private readonly outer: number
  private readonly system: Tridiagonal
  /** Heat that has come in through the wall so far, J per m² or rad m. */
  inflow = 0

  constructor(
    section: ResinSection,
    flask: FlaskBody = usualFlask,
    startCelsius = USUAL_ROOM_CELSIUS,
    grid: CureGrid = usualCells,
    resin: ThermalBody = dough,
  ) {
    checkSection(section, flask)
    const half = section.millimetres / 2000
    const height = flask.halfHeightMillimetres / 1000
    const edge = section.shape === 'sheet' ? height : (4 * height) / Math.PI
    const cells = grid.resin + grid.stone + 1
    this.resinCells = grid.resin
    this.celsius = new Float64Array(cells).fill(startCelsius)
    this.volume = new Float64Array(cells)
    this.capacity = new Float64Array(cells)
    this.conductance = new Float64Array(cells)
    this.system = tridiagonal(cells)
    const sheet = section.shape === 'sheet'
    const between = (a: number, b: number) => (sheet ? b - a : (b * b - a * a) / 2)
    const resistance = (a: number, b: number, k: number) => (sheet ? b - a : log(b / a)) / k
    const edges: number[] = []
    for (let n = 0; n <= grid.resin; n++) edges.push((half * n) / grid.resin)
    for (let n = 1; n <= grid.stone; n++) edges.push(half + ((edge - half) * n) / grid.stone)
    const bodyOf = (n: number) => (n < grid.resin ? resin : flask.stone)
    for (let n = 0; n < cells - 1; n++) {
      const [a, b] = [edges[n]!, edges[n + 1]!]
      const body = bodyOf(n)
      this.volume[n] = between(a, b)
      this.capacity[n] = this.volume[n]! * body.kilogramsPerM3 * body.joulesPerKgK
      const middle = (a + b) / 2
      const c = edges[n + 2]
      const next = c === undefined ? 0 : resistance(b, (b + c) / 2, bodyOf(n + 1).wattsPerMK)
      this.conductance[n] = 1 / (resistance(middle, b, body.wattsPerMK) + next)
    }
    this.outer = sheet ? 1 : edge
    this.capacity[cells - 1] = flask.wallJoulesPerM2K * this.outer
  }

  /**
   * One step on.
   * @param heat J that each resin cell has given off, for m² or rad m; none: no reaction
   * @param film of the bath, W/m2K
   */
  step(seconds: number, bathCelsius: number, film: number, heat: Float64Array | undefined): void {
    const { celsius, capacity, conductance, resinCells } = this
    const { solution, scratch } = this.system
    const last = celsius.length - 1
    const wall = film * this.outer
    const perSecond = 1 / seconds
    // Rows are made, eliminated and put in again (Thomas, as in the sweep) without being read twice: the inner loop of a cure.
    let left = 0
    let inverse = 0
    let found = 0
    for (let n = 0; n <= last; n++) {
      const right = n === last ? wall : conductance[n]!
      const c = capacity[n]! * perSecond
      const given = heat && n < resinCells ? heat[n]! * perSecond : 0
      const factor = -left * inverse
      inverse = 1 / (c + left + right + left * factor)
      found = (c * celsius[n]! + given + (n === last ? wall * bathCelsius : 0) + left * found) * inverse
      scratch[n] = factor
      solution[n] = found
      left = right
    }
    celsius[last] = found
    for (let n = last - 1; n >= 0; n--) {
      found = solution[n]! - scratch[n + 1]! * found
      celsius[n] = found
    }
    this.inflow += seconds * wall * (bathCelsius - celsius[last]!)
  }

  /** Heat that is stored over 0 °C, J per m² or rad m. */
  get stored(): number {
    return this.celsius.reduce((sum, celsius, n) => sum + celsius * this.capacity[n]!, 0)
  }

  /** The hottest anywhere. */
  get hottest(): number {
    let most = this.celsius[0]!
    for (let n = 1; n < this.celsius.length; n++) if (this.celsius[n]! > most) most = this.celsius[n]!
    return most
  }

  /** Temperature where stone and resin meet: what the mould is at the denture. */
  get mouldCelsius(): number {
    return this.celsius[this.resinCells]!
  }
}
