import { Inject, Injectable, type OnModuleDestroy } from '@nestjs/common'
import { readBalanceLine, readDispenserLine } from '@yentrik/core'
import { interval, map, merge, type Observable, Subject } from 'rxjs'
import { Refusal } from '../errors/problem.filter.ts'
import { SETTINGS, type ServerSettings } from '../settings/server-settings.ts'
import type { DeviceLink } from './device-link.ts'
import { NetworkLink } from './network-link.ts'
import { StandInBalance, type StandInHand } from './stand-in-balance.ts'
import { StandInDispenser } from './stand-in-dispenser.ts'

/** Nothing heard for so long: the device is not reached, ms. */
const SILENCE_MILLIS = 1500

export interface BalanceState {
  readonly connected: boolean
  readonly name?: string
  readonly standIn: boolean
  /** The last weight heard; it is only true while connected. */
  readonly grams?: number
  readonly settled: boolean
  /** In words, while something is wrong. */
  readonly fault?: string
  /** Goes up when a device that was gone is heard again: its tare is lost. */
  readonly session: number
}
export interface DispenserState {
  readonly connected: boolean
  readonly name?: string
  readonly givingMillilitres?: number
  readonly givenMillilitres?: number
  readonly fault?: string
  /** Which order it speaks of: an earlier one is never taken for this one. */
  readonly order: number
}
export interface DevicesState {
  readonly balance: BalanceState
  readonly dispenser: DispenserState
}

/** The balance and the dispenser of the bench: what they last said, and what may be asked of them. */
@Injectable()
export class WeighingService implements OnModuleDestroy {
  private readonly balanceLink?: DeviceLink
  private readonly dispenserLink?: DeviceLink
  private balance: BalanceState = { connected: false, standIn: false, settled: false, session: 0 }
  private dispenser: DispenserState = { connected: false, order: 0 }
  private lastHeard = Number.NEGATIVE_INFINITY
  private readonly changes = new Subject<DevicesState>()

  constructor(@Inject(SETTINGS) settings: ServerSettings) {
    const { balance, dispenser, deviceSpeed = 1 } = settings
    if (balance === 'stand-in') this.balanceLink = new StandInBalance(deviceSpeed).run()
    else if (balance) this.balanceLink = new NetworkLink('Balance', balance.host, balance.port)
    if (dispenser === 'stand-in') this.dispenserLink = new StandInDispenser(deviceSpeed).run()
    else if (dispenser) this.dispenserLink = new NetworkLink('Dispenser', dispenser.host, dispenser.port)
    this.balanceLink?.lines.subscribe((line) => this.hearBalance(line))
    this.dispenserLink?.lines.subscribe((line) => this.hearDispenser(line))
    if (this.dispenserLink)
      this.dispenser = { ...this.dispenser, connected: true, name: this.dispenserLink.name }
  }

  /** Every change as it is heard, and at least twice a second, so that silence is noticed. */
  stream(): Observable<{ type: string; data: DevicesState }> {
    return merge(this.changes, interval(500)).pipe(map(() => ({ type: 'devices', data: this.state() })))
  }

  state(): DevicesState {
    const reached = performance.now() - this.lastHeard < SILENCE_MILLIS
    const silent: Partial<BalanceState> =
      this.balanceLink && !reached
        ? { connected: false, settled: false, fault: 'The balance is not reached.' }
        : {}
    return { balance: { ...this.balance, ...silent }, dispenser: this.dispenser }
  }

  /**
   * The settled weight, for the record: a moving one is never taken.
   * @throws {Refusal} `no-balance`, `balance-not-reached`, `weight-not-settled`
   */
  take(): { grams: number } {
    const { connected, settled, grams, fault } = this.state().balance
    if (!this.balanceLink) throw noBalance()
    if (!connected || grams === undefined)
      throw new Refusal(
        409,
        'balance-not-reached',
        fault ?? 'The balance is not reached.',
        'Check its plug, or type the weight.',
      )
    if (!settled)
      throw new Refusal(
        409,
        'weight-not-settled',
        fault ?? 'The weight still moves.',
        'Wait until it has settled.',
      )
    return { grams: Number(grams.toFixed(1)) }
  }

  /** @throws {Refusal} `no-balance` */
  tare(): void {
    if (!this.balanceLink) throw noBalance()
    this.balanceLink.send('TARE')
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

  /** What a hand does at the stand-in. @throws {Refusal} `no-stand-in` when a real balance is connected */
  hand(hand: StandInHand): void {
    if (!(this.balanceLink instanceof StandInBalance))
      throw new Refusal(404, 'no-stand-in', 'There is no stand-in balance.', 'Use the balance itself.')
    this.balanceLink.hand(hand)
  }

  private hearBalance(text: string): void {
    const gone = performance.now() - this.lastHeard >= SILENCE_MILLIS
    this.lastHeard = performance.now()
    const link = this.balanceLink!
    const known = {
      connected: true,
      name: link.name,
      standIn: link instanceof StandInBalance,
      session: this.balance.session + (gone ? 1 : 0),
    }
    const line = readBalanceLine(text)
    if (line.kind === 'weight') this.balance = { ...known, grams: line.grams, settled: line.settled }
    else if (line.kind === 'overload')
      this.balance = { ...known, settled: false, fault: 'Too heavy for this balance: take some off.' }
    else if (line.kind === 'fault')
      this.balance = { ...known, settled: false, fault: `The balance says: ${line.words}.` }
    else return
    this.changes.next(this.state())
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
    this.balanceLink?.close()
    this.dispenserLink?.close()
    this.changes.complete()
  }
}

function noBalance(): Refusal {
  return new Refusal(404, 'no-balance', 'No balance is connected.', 'Type the weight.')
}
