import { gaugeLine, seededRandom } from '@yentrik/core'
import type { DeviceLink } from './device-link.ts'
import { StandInDevice } from './stand-in-device.ts'

/** Dough gives way under the press: this share of the pressure goes, with this time constant (choice). */
const GIVES_WAY = 0.15
const GIVES_WAY_SECONDS = 10
/** Falling slower than this share a second for so long: held (choice). */
const HELD_PER_SECOND = 0.004
const HELD_SECONDS = 2
const LAG_SECONDS = 0.3
const NOISE_KILOPASCALS = 12
/** The screw goes no further, kPa (choice). */
const ENDS_KILOPASCALS = 30_000

/** What is done to the stand-in: close (kPa/s, until a reading), stop, let off, pull the plug. */
export type PressControls =
  | { readonly does: 'close'; readonly kilopascalsPerSecond: number; readonly upToKilopascals?: number }
  | { readonly does: 'stop' }
  | { readonly does: 'letOff' }
  | { readonly does: 'unplug' }
  | { readonly does: 'plugIn' }

/** The gauge of a press that is not there: it lags and trembles, and sinks while the dough flows, as real ones do. */
export class StandInPress extends StandInDevice implements DeviceLink {
  readonly name = 'Stand-in press'
  private readonly random = seededRandom(22)
  private force = 0
  /** To which it sinks. */
  private rest = 0
  private shown = 0
  private closing = 0
  private upTo = ENDS_KILOPASCALS
  private quietSeconds = HELD_SECONDS
  private plugged = true

  tick(seconds: number): void {
    const before = this.force
    if (this.closing > 0) {
      this.force = Math.min(this.upTo, this.force + this.closing * seconds)
      this.rest = this.force * (1 - GIVES_WAY)
      if (this.force >= this.upTo) this.closing = 0
    } else this.force += (this.rest - this.force) * (1 - Math.exp(-seconds / GIVES_WAY_SECONDS))
    this.shown += (this.force - this.shown) * (1 - Math.exp(-seconds / LAG_SECONDS))
    const sinks = Math.abs(this.force - before) > HELD_PER_SECOND * Math.max(this.force, 100) * seconds
    this.quietSeconds = this.closing > 0 || sinks ? 0 : this.quietSeconds + seconds
    if (!this.plugged) return
    const reading = Math.max(0, this.shown + NOISE_KILOPASCALS * (2 * this.random() - 1))
    this.lines.next(gaugeLine(reading, this.quietSeconds >= HELD_SECONDS))
  }

  control(control: PressControls): void {
    switch (control.does) {
      case 'close':
        this.closing = control.kilopascalsPerSecond
        this.upTo = Math.min(ENDS_KILOPASCALS, control.upToKilopascals ?? ENDS_KILOPASCALS)
        break
      case 'stop':
        this.closing = 0
        break
      case 'letOff':
        this.closing = 0
        this.force = 0
        this.rest = 0
        break
      case 'unplug':
        this.plugged = false
        break
      case 'plugIn':
        this.plugged = true
    }
  }

  /** A gauge takes no orders. */
  send(): void {}
}
