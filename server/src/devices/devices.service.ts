import { Inject, Injectable, type OnModuleDestroy } from '@nestjs/common'
import type { DevicesState } from '@yentrik/contract'
import { readBalanceLine, readDispenserLine, readGaugeLine } from '@yentrik/core'
import { interval, map, merge, type Observable, Subject } from 'rxjs'
import { LabClock } from '../clock/lab-clock.ts'
import { Refusal } from '../errors/problem.filter.ts'
import { type DeviceSetting, SETTINGS, type ServerSettings } from '../settings/server-settings.ts'
import type { DeviceLink } from './device-link.ts'
import { type HeardLine, HeardReading, type ReadingState } from './heard-reading.ts'
import { NetworkLink } from './network-link.ts'
import { Spectrophotometer } from './spectrophotometer.ts'
import { StandInBalance, type StandInControls } from './stand-in-balance.ts'
import { StandInDispenser } from './stand-in-dispenser.ts'
import { type PressControls, StandInPress } from './stand-in-press.ts'
import { type SpectrophotometerControls, StandInSpectrophotometer } from './stand-in-spectrophotometer.ts'

/** Balance, dispenser and press of the bench: what they last said, and what may be asked of them. */
@Injectable()
export class DevicesService implements OnModuleDestroy {
  private readonly balance: HeardReading
  private readonly press: HeardReading
  readonly spectrophotometer: Spectrophotometer
  private readonly dispenserLink?: DeviceLink
  private dispenser: DevicesState['dispenser'] = { connected: false, order: 0 }
  private readonly changes = new Subject<DevicesState>()

  constructor(
    @Inject(SETTINGS) { balance, dispenser, press, spectrophotometer, deviceSpeed = 1 }: ServerSettings,
    clock: LabClock,
  ) {
    const tell = () => this.changes.next(this.state())
    this.balance = new HeardReading(
      linkTo(balance, 'Balance', () => new StandInBalance(deviceSpeed).run()),
      balanceSays,
      'The balance is not reached.',
      tell,
    )
    this.press = new HeardReading(
      linkTo(press, 'Press', () => new StandInPress(deviceSpeed).run()),
      pressSays,
      'The gauge of the press is not reached.',
      tell,
    )
    this.spectrophotometer = new Spectrophotometer(
      linkTo(spectrophotometer, 'Spectrophotometer', () => new StandInSpectrophotometer(deviceSpeed).run()),
      () => clock.now(),
      tell,
    )
    this.dispenserLink = linkTo(dispenser, 'Dispenser', () => new StandInDispenser(deviceSpeed).run())
    this.dispenserLink?.lines.subscribe((line) => this.hearDispenser(line))
    if (this.dispenserLink)
      this.dispenser = { ...this.dispenser, connected: true, name: this.dispenserLink.name }
  }

  /** Every change as it is heard, and at least twice a second, so that silence is noticed. */
  stream(): Observable<{ type: string; data: DevicesState }> {
    return merge(this.changes, interval(500)).pipe(map(() => ({ type: 'devices', data: this.state() })))
  }

  state(): DevicesState {
    const { value: grams, steady: settled, ...balance } = this.balance.state()
    const { value: kilopascals, steady: held, ...press } = this.press.state()
    return {
      balance: { ...balance, standIn: this.balance.link instanceof StandInBalance, grams, settled },
      dispenser: this.dispenser,
      press: { ...press, standIn: this.press.link instanceof StandInPress, kilopascals, held },
      spectrophotometer: this.spectrophotometer.state(),
    }
  }

  /**
   * The settled weight, for the record: a moving one is never taken.
   * @throws {Refusal} `no-balance`, `balance-not-reached`, `weight-not-settled`
   */
  take(): { grams: number } {
    if (!this.balance.link) throw noBalance()
    const grams = steadyValue(this.balance.state(), {
      unreached: ['balance-not-reached', 'Check its plug, or type the weight.'],
      moving: ['weight-not-settled', 'The weight still moves.', 'Wait until it has settled.'],
    })
    return { grams: Number(grams.toFixed(1)) }
  }

  /**
   * The reading of the press once it holds: one that still sinks is never taken.
   * @throws {Refusal} `no-press`, `press-not-reached`, `press-not-held`
   */
  takePress(): { kilopascals: number } {
    if (!this.press.link)
      throw new Refusal(404, 'no-press', 'No press is connected.', 'Read its gauge and type it.')
    const kilopascals = steadyValue(this.press.state(), {
      unreached: ['press-not-reached', 'Check its plug, or read the gauge and type it.'],
      moving: ['press-not-held', 'The gauge still moves.', 'Wait until the dough has flowed.'],
    })
    return { kilopascals: Math.round(kilopascals) }
  }

  /** @throws {Refusal} `no-balance` */
  tare(): void {
    if (!this.balance.link) throw noBalance()
    this.balance.link.send('TARE')
  }

  /** @returns the number of the order. @throws {Refusal} `no-dispenser`, `dispenser-busy` */
  give(millilitres: number): { order: number } {
    if (!this.dispenserLink)
      throw new Refusal(404, 'no-dispenser', 'No dispenser is connected.', 'Measure the water by hand.')
    if (this.dispenser.givingMillilitres !== undefined)
      throw new Refusal(409, 'dispenser-busy', 'The dispenser is giving already.', 'Wait until it has given.')
    const order = this.dispenser.order + 1
    this.dispenser = { connected: true, name: this.dispenserLink.name, givingMillilitres: 0, order }
    this.dispenserLink.send(`GIVE ${millilitres.toFixed(1)} mL`)
    this.changes.next(this.state())
    return { order }
  }

  /** What a person does at the stand-in balance. @throws {Refusal} `not-a-stand-in` when a real one is connected */
  controlBalance(control: StandInControls): void {
    if (!(this.balance.link instanceof StandInBalance)) throw noStandIn('balance')
    this.balance.link.control(control)
  }

  /** What a person does at the stand-in press. @throws {Refusal} `not-a-stand-in` when a real one is connected */
  controlPress(control: PressControls): void {
    if (!(this.press.link instanceof StandInPress)) throw noStandIn('press')
    this.press.link.control(control)
  }

  /** What a person does at the stand-in spectrophotometer. @throws {Refusal} `not-a-stand-in` when a real one is connected */
  controlSpectrophotometer(control: SpectrophotometerControls): void {
    const { link } = this.spectrophotometer
    if (!(link instanceof StandInSpectrophotometer)) throw noStandIn('spectrophotometer')
    link.control(control)
  }

  private hearDispenser(text: string): void {
    const known = { connected: true, name: this.dispenserLink!.name, order: this.dispenser.order }
    const line = readDispenserLine(text)
    if (line.kind === 'giving') this.dispenser = { ...known, givingMillilitres: line.millilitres }
    else if (line.kind === 'given') this.dispenser = { ...known, givenMillilitres: line.millilitres }
    else if (line.kind === 'fault')
      this.dispenser = { ...known, fault: `The dispenser says: ${line.words}. Measure the rest by hand.` }
    else return
    this.changes.next(this.state())
  }

  onModuleDestroy(): void {
    this.balance.link?.close()
    this.press.link?.close()
    this.spectrophotometer.link?.close()
    this.dispenserLink?.close()
    this.changes.complete()
  }
}

function linkTo(
  setting: DeviceSetting | undefined,
  name: string,
  standIn: () => DeviceLink,
): DeviceLink | undefined {
  if (setting === 'stand-in') return standIn()
  return setting && new NetworkLink(name, setting.host, setting.port)
}

function balanceSays(text: string): HeardLine {
  const line = readBalanceLine(text)
  if (line.kind === 'weight') return { value: line.grams, steady: line.settled }
  if (line.kind === 'overload') return { fault: 'Too heavy for this balance: take some off.' }
  return line.kind === 'fault' ? { fault: `The balance says: ${line.words}.` } : undefined
}

function pressSays(text: string): HeardLine {
  const line = readGaugeLine(text)
  if (line.kind === 'gauge') return { value: line.kilopascals, steady: line.held }
  return line.kind === 'fault' ? { fault: `The press says: ${line.words}.` } : undefined
}

/** @throws {Refusal} while nothing true and steady is heard */
function steadyValue(
  { connected, value, steady, fault }: ReadingState,
  words: {
    readonly unreached: readonly [code: string, remedy: string]
    readonly moving: readonly [code: string, detail: string, remedy: string]
  },
): number {
  const [code, remedy] = words.unreached
  if (!connected || value === undefined) throw new Refusal(409, code, fault ?? 'It is not reached.', remedy)
  const [moving, detail, wait] = words.moving
  if (!steady) throw new Refusal(409, moving, fault ?? detail, wait)
  return value
}

function noBalance(): Refusal {
  return new Refusal(404, 'no-balance', 'No balance is connected.', 'Type the weight.')
}

function noStandIn(device: string): Refusal {
  return new Refusal(404, 'not-a-stand-in', `There is no stand-in ${device}.`, `Use the ${device} itself.`)
}
