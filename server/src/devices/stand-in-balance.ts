import { seededRandom, weightLine } from '@yentrik/core'
import type { DeviceLink } from './device-link.ts'
import { StandInDevice } from './stand-in-device.ts'

/** Most that the pan carries, g. */
const CAPACITY_GRAMS = 610
/** Powder in the air between bowl and pan, s. */
const FALL_SECONDS = 0.3
/** How fast the reading follows the pan, s. */
const LAG_SECONDS = 0.2
/** Quiet for so long: settled, s. */
const SETTLE_SECONDS = 1.2
const NOISE_GRAMS = 0.015
const DRIFT_GRAMS_PER_SECOND = 0.0004

/** What is done to the stand-in: pour (g/s, until a weight is reached), stop, take some out, clear the pan, pull the plug. */
export type StandInControls =
  | { readonly does: 'pour'; readonly gramsPerSecond: number; readonly upToGrams?: number }
  | { readonly does: 'stop' }
  | { readonly does: 'takeOut'; readonly grams: number }
  | { readonly does: 'clear' }
  | { readonly does: 'unplug' }
  | { readonly does: 'plugIn' }

/**
 * A balance that is not there: it lags, trembles, drifts, settles, can be overloaded and unplugged, as real ones do.
 * `tick` moves it on; in daily use a timer calls it, in tests the test does.
 */
export class StandInBalance extends StandInDevice implements DeviceLink {
  readonly name = 'Stand-in balance'
  private readonly random = seededRandom(20)
  private onPan = 0
  private falling = 0
  private shown = 0
  private tare = 0
  private drift = 0
  private quietSeconds = SETTLE_SECONDS
  private pouring = 0
  private upTo = Number.POSITIVE_INFINITY
  private plugged = true

  tick(seconds: number): void {
    if (this.pouring > 0) {
      // Who pours looks at what lies on the pan and what is still falling.
      const gone = Math.min(
        this.pouring * seconds,
        Math.max(0, this.upTo + this.tare - this.onPan - this.falling),
      )
      this.falling += gone
      if (gone < this.pouring * seconds) this.pouring = 0
    }
    const landed = this.falling * Math.min(1, seconds / FALL_SECONDS)
    this.falling -= landed
    this.onPan += landed
    this.drift += DRIFT_GRAMS_PER_SECOND * seconds * (this.random() - 0.4)
    this.shown += (this.onPan - this.shown) * (1 - Math.exp(-seconds / LAG_SECONDS))
    const moves = this.pouring > 0 || this.falling > 0.005 || Math.abs(this.onPan - this.shown) > 0.02
    this.quietSeconds = moves ? 0 : this.quietSeconds + seconds
    if (!this.plugged) return
    if (this.onPan > CAPACITY_GRAMS) this.lines.next('OVERLOAD')
    else this.lines.next(weightLine(this.reading(), this.quietSeconds >= SETTLE_SECONDS))
  }

  private reading(): number {
    return this.shown - this.tare + this.drift + NOISE_GRAMS * (2 * this.random() - 1)
  }

  send(line: string): void {
    if (!this.plugged || line !== 'TARE') return
    this.tare = this.onPan + this.falling
    this.shown = this.onPan
    this.drift = 0
    this.lines.next('TARED')
  }

  control(control: StandInControls): void {
    switch (control.does) {
      case 'pour':
        this.pouring = control.gramsPerSecond
        this.upTo = control.upToGrams ?? Number.POSITIVE_INFINITY
        break
      case 'stop':
        this.pouring = 0
        break
      case 'takeOut':
        this.onPan = Math.max(0, this.onPan - control.grams)
        break
      case 'clear':
        this.pouring = 0
        this.falling = 0
        this.onPan = 0
        break
      case 'unplug':
        this.plugged = false
        this.pouring = 0
        break
      case 'plugIn':
        // Switched on again it has forgotten its tare.
        this.plugged = true
        this.tare = 0
        this.drift = 0
    }
  }
}
