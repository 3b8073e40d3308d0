import type { DeviceLink } from './device-link.ts'

/** Nothing heard for so long: the device is not reached, ms. */
const SILENCE_MILLIS = 1500

/** What a line says of the one number that a device keeps telling; undefined: nothing of it. */
export type HeardLine =
  | { readonly value: number; readonly steady: boolean }
  | { readonly fault: string }
  | undefined

export interface ReadingState {
  readonly connected: boolean
  readonly name?: string
  /** The last value heard; it is only true while connected. */
  readonly value?: number
  readonly steady: boolean
  /** In words, while something is wrong. */
  readonly fault?: string
  /** Goes up when a device that was gone is heard again: what was set on it is lost. */
  readonly session: number
}

/** A device that keeps telling one number, or none at all: what it last said, and whether it is still there. */
export class HeardReading {
  private last: ReadingState = { connected: false, steady: false, session: 0 }
  private lastHeard = Number.NEGATIVE_INFINITY

  /** @param unreached the sentence for its silence */
  constructor(
    readonly link: DeviceLink | undefined,
    private readonly read: (line: string) => HeardLine,
    private readonly unreached: string,
    private readonly onChange: () => void,
  ) {
    link?.lines.subscribe((line) => this.hear(line))
  }

  state(): ReadingState {
    const silent = this.link !== undefined && performance.now() - this.lastHeard >= SILENCE_MILLIS
    return silent ? { ...this.last, connected: false, steady: false, fault: this.unreached } : this.last
  }

  private hear(text: string): void {
    const gone = performance.now() - this.lastHeard >= SILENCE_MILLIS
    this.lastHeard = performance.now()
    const session = this.last.session + (gone ? 1 : 0)
    this.last = { ...this.last, session }
    const line = this.read(text)
    if (!line) return
    const known = { connected: true, name: this.link?.name, session }
    this.last = 'fault' in line ? { ...known, steady: false, fault: line.fault } : { ...known, ...line }
    this.onChange()
  }
}
