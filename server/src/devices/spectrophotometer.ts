import type { DevicesState } from '@yentrik/contract'
import { type Lab, readSpectrophotometerLine, type Specular } from '@yentrik/core'
import { filter, firstValueFrom, map, type Observable, timeout } from 'rxjs'
import { Refusal } from '../errors/problem.filter.ts'
import type { DeviceLink } from './device-link.ts'
import { StandInSpectrophotometer } from './stand-in-spectrophotometer.ts'

/** Nothing heard for so long: it is not reached, ms. */
const SILENCE_MILLIS = 2500
/** A reading takes no longer, ms. */
const ANSWER_MILLIS = 4000
/** After so long its white tile is due again (common practice: before each session), min. */
const WHITE_MINUTES = 60

/** A spectrophotometer, asked for one reading at a time; what it says in between only tells that it is there. */
export class Spectrophotometer {
  private heardAt = Number.NEGATIVE_INFINITY
  private specular?: Specular
  private fault?: string
  private whiteAt?: number
  private session = 0

  /** @param now lab time, ms */
  constructor(
    readonly link: DeviceLink | undefined,
    private readonly now: () => number,
    private readonly onChange: () => void,
  ) {
    link?.lines.subscribe((line) => this.hear(line))
  }

  state(): DevicesState['spectrophotometer'] {
    const { link, session } = this
    const reached = performance.now() - this.heardAt < SILENCE_MILLIS
    const fault = link && !reached ? 'The spectrophotometer is not reached.' : this.fault
    return {
      connected: link !== undefined && reached,
      ...(link ? { name: link.name } : {}),
      standIn: link instanceof StandInSpectrophotometer,
      session,
      ...(fault ? { fault } : {}),
      ...(this.specular ? { specular: this.specular } : {}),
      ...(this.whiteAt === undefined ? {} : { whiteAt: new Date(this.whiteAt).toISOString() }),
    }
  }

  /** @throws {Refusal} `no-spectrophotometer`, `spectrophotometer-not-reached` */
  async white(): Promise<void> {
    const answer = this.answer((line) => (line.kind === 'white' ? true : undefined))
    this.mustBeThere().send('WHITE')
    await answer
    this.whiteAt = this.now()
    this.onChange()
  }

  /** @throws {Refusal} `no-spectrophotometer`, `spectrophotometer-not-reached`, `white-tile-due` */
  async read(): Promise<{ readonly colour: Lab; readonly specular: Specular }> {
    const link = this.mustBeThere()
    if (this.whiteAt === undefined || this.now() - this.whiteAt > WHITE_MINUTES * 60_000)
      throw new Refusal(
        409,
        'white-tile-due',
        'It has not seen its white tile within the last hour.',
        'Put the tip on its white tile and calibrate it, then read.',
      )
    const answer = this.answer((line) =>
      line.kind === 'colour' ? { colour: line.colour, specular: line.specular } : undefined,
    )
    link.send('READ')
    return answer
  }

  private answer<T>(of: (line: ReturnType<typeof readSpectrophotometerLine>) => T | undefined): Promise<T> {
    this.mustBeThere()
    const lines = this.link!.lines as Observable<string>
    return firstValueFrom(
      lines.pipe(
        map((line) => of(readSpectrophotometerLine(line))),
        filter((found) => found !== undefined),
        timeout(ANSWER_MILLIS),
      ),
    ).catch(() => {
      throw this.unreached()
    })
  }

  private mustBeThere(): DeviceLink {
    if (!this.link)
      throw new Refusal(
        404,
        'no-spectrophotometer',
        'No spectrophotometer is connected.',
        'Type L*, a* and b* as yours shows them.',
      )
    if (!this.state().connected) throw this.unreached()
    return this.link
  }

  private unreached(): Refusal {
    return new Refusal(
      409,
      'spectrophotometer-not-reached',
      'The spectrophotometer is not reached.',
      'Check its plug, or type L*, a* and b*.',
    )
  }

  private hear(text: string): void {
    if (performance.now() - this.heardAt >= SILENCE_MILLIS) {
      this.session += 1
      // Switched on again it knows its white no more.
      this.whiteAt = undefined
    }
    this.heardAt = performance.now()
    const line = readSpectrophotometerLine(text)
    this.fault = line.kind === 'fault' ? `The spectrophotometer says: ${line.words}.` : undefined
    if ('specular' in line) this.specular = line.specular
    this.onChange()
  }
}
