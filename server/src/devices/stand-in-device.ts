import { Subject } from 'rxjs'

/** How often a stand-in moves on, s. */
const BEAT_SECONDS = 0.1

/** A device that is not there: it speaks in lines and moves on by `tick`, which a timer calls in daily use, a test itself. */
export abstract class StandInDevice {
  readonly lines = new Subject<string>()
  private timer?: NodeJS.Timeout

  /** @param speed how much faster than real it runs */
  constructor(readonly speed: number) {}

  abstract tick(seconds: number): void

  run(): this {
    this.timer = setInterval(() => this.tick(BEAT_SECONDS * this.speed), 1000 * BEAT_SECONDS)
    this.timer.unref()
    return this
  }

  close(): void {
    clearInterval(this.timer)
    this.lines.complete()
  }
}
