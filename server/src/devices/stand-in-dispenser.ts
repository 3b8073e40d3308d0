import { seededRandom } from '@yentrik/core'
import type { DeviceLink } from './device-link.ts'
import { StandInDevice } from './stand-in-device.ts'

const FLOW_MILLILITRES_PER_SECOND = 5
const TANK_MILLILITRES = 2000

/** A water dispenser that is not there: it gives at a pace, misses by a drop, and runs empty. */
export class StandInDispenser extends StandInDevice implements DeviceLink {
  readonly name = 'Stand-in dispenser'
  private readonly random = seededRandom(21)
  private tank = TANK_MILLILITRES
  private wanted = 0
  private given = 0

  tick(seconds: number): void {
    if (this.wanted === 0) return
    const now = Math.min(FLOW_MILLILITRES_PER_SECOND * seconds, this.wanted - this.given, this.tank)
    this.given += now
    this.tank -= now
    if (this.given >= this.wanted - 1e-9) {
      const drop = 0.1 * (this.random() - 0.5)
      this.lines.next(`GIVEN ${(this.given + drop).toFixed(1)} mL`)
      this.wanted = 0
    } else if (this.tank <= 0) {
      this.lines.next(`FAULT empty after ${this.given.toFixed(1)} mL`)
      this.wanted = 0
      this.tank = TANK_MILLILITRES
    } else this.lines.next(`GIVING ${this.given.toFixed(1)} mL`)
  }

  send(line: string): void {
    const command = /^GIVE (\d{1,4}(?:\.\d)?) mL$/.exec(line)
    if (!command) return
    this.wanted = Number(command[1])
    this.given = 0
  }
}
