import { bandsOf, colourLine, type Lab, labOf, type Specular, seededRandom } from '@yentrik/core'
import type { DeviceLink } from './device-link.ts'
import { StandInDevice } from './stand-in-device.ts'

/** Spread of a reading, one standard deviation, in each of L*, a*, b* (choice: good instruments repeat within 0.1 to 0.2). */
const NOISE = 0.12
/** It reads darker the longer it has not seen its white tile, L* an hour (choice). */
const DRIFT_PER_HOUR = 0.4
/** Of a gloss that is read along, as a share of white (Fresnel, n 1.5). */
const GLOSS = 0.04
/** A tip that stands on an edge loses light, L* (choice). */
const EDGE_LOSS = 2.5
/** It says that it is there so often, s. */
const SAYS_SECONDS = 0.5

/** What is done to the stand-in: put a piece under it, set the gloss, tilt the tip over an edge for its next reading, pull the plug. */
export type SpectrophotometerControls =
  | { readonly does: 'put'; readonly colour: Lab }
  | { readonly does: 'specular'; readonly specular: Specular }
  | { readonly does: 'tilt' }
  | { readonly does: 'unplug' }
  | { readonly does: 'plugIn' }

/** A spectrophotometer that is not there: it trembles, drifts from its white tile, loses light over an edge and reads the gloss along when it is set so. */
export class StandInSpectrophotometer extends StandInDevice implements DeviceLink {
  readonly name = 'Stand-in spectrophotometer'
  private readonly random = seededRandom(23)
  private under: Lab = { L: 84, a: 1, b: 13 }
  private specular: Specular = 'excluded'
  private secondsSinceWhite = 0
  private secondsSinceSaid = SAYS_SECONDS
  private tilted = false
  private plugged = true

  tick(seconds: number): void {
    this.secondsSinceWhite += seconds
    this.secondsSinceSaid += seconds
    if (!this.plugged || this.secondsSinceSaid < SAYS_SECONDS) return
    this.secondsSinceSaid = 0
    this.lines.next(`READY ${this.specular.toUpperCase()}`)
  }

  control(control: SpectrophotometerControls): void {
    switch (control.does) {
      case 'put':
        this.under = control.colour
        break
      case 'specular':
        this.specular = control.specular
        break
      case 'tilt':
        this.tilted = true
        break
      case 'unplug':
        this.plugged = false
        break
      case 'plugIn':
        this.plugged = true
        this.secondsSinceWhite = 0
    }
  }

  /** `WHITE`: its tile is under it. `READ`: once. */
  send(line: string): void {
    if (!this.plugged) return
    if (line === 'WHITE') {
      this.secondsSinceWhite = 0
      this.lines.next('WHITE')
    }
    if (line === 'READ') this.lines.next(colourLine(this.reading(), this.specular))
  }

  private reading(): Lab {
    const bands = bandsOf(this.under)
    const seen = labOf(this.specular === 'included' ? bands.map((band) => band + GLOSS) : bands)
    const lost = (this.tilted ? EDGE_LOSS : 0) + (DRIFT_PER_HOUR * this.secondsSinceWhite) / 3600
    this.tilted = false
    const spread = () => NOISE * this.normal()
    return { L: seen.L - lost + spread(), a: seen.a + spread(), b: seen.b + spread() }
  }

  /** Nearly normal, one standard deviation 1: the sum of twelve (Irwin-Hall). */
  private normal(): number {
    let sum = -6
    for (let n = 0; n < 12; n++) sum += this.random()
    return sum
  }
}
