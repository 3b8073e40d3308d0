import { Inject, Injectable, Logger, type OnApplicationBootstrap, type OnModuleDestroy } from '@nestjs/common'
import { isPlausibleCelsius, type MeasuredPoint, machineKinds, readThermometerLine } from '@yentrik/core'
import { DataSource, IsNull } from 'typeorm'
import { LabClock } from '../clock/lab-clock.ts'
import { MachineReadingRow, MachineRunRow } from '../database/entities.ts'
import { WriteQueue } from '../database/write-queue.ts'
import { type HeardLine, HeardReading, type ReadingState } from '../devices/heard-reading.ts'
import { NetworkLink } from '../devices/network-link.ts'
import { LiveService } from '../live/live.service.ts'
import { SETTINGS, type ServerSettings } from '../settings/server-settings.ts'

type HeatedKind = MachineRunRow['kind']
/** As a sentence calls them. */
export const machineNames: Readonly<Record<HeatedKind, string>> = {
  furnace: 'furnace',
  bath: 'bath',
  kiln: 'ceramic furnace',
  sinter: 'sintering furnace',
}
const MINUTE = 60_000
/** A forgotten run is not read for longer, min: a week. */
const LONGEST_MINUTES = 7 * 24 * 60

/** The run that a thermometer is noted for, and the last minute noted. */
interface Followed {
  readonly runId: string
  readonly startedAt: number
  noted: number
}

/** Thermometers of real furnaces and baths, on the network: once a minute what they read is kept with the run. */
@Injectable()
export class Thermometers implements OnApplicationBootstrap, OnModuleDestroy {
  private readonly heard: ReadonlyMap<HeatedKind, HeardReading>
  private readonly log = new Logger('Thermometers')
  private readonly followed = new Map<HeatedKind, Followed>()

  constructor(
    private readonly dataSource: DataSource,
    private readonly queue: WriteQueue,
    private readonly clock: LabClock,
    private readonly live: LiveService,
    @Inject(SETTINGS) settings: ServerSettings,
  ) {
    this.heard = new Map(
      machineKinds.flatMap((kind) => {
        const setting = settings[kind]
        if (!setting || setting === 'stand-in') return []
        const link = new NetworkLink(kind, setting.host, setting.port)
        const unreached = `The thermometer of the ${machineNames[kind]} is not reached.`
        return [[kind, new HeardReading(link, thermometerSays, unreached, () => this.note(kind))] as const]
      }),
    )
  }

  /** Goes on with what was running before a restart. */
  async onApplicationBootstrap(): Promise<void> {
    const rows = await this.dataSource.manager.findBy(MachineRunRow, { standIn: false, stoppedAt: IsNull() })
    for (const row of rows) {
      const noted = await this.dataSource.manager.maximum(MachineReadingRow, 'minutes', { runId: row.runId })
      this.follow(row.kind, row, noted ?? -1)
    }
  }

  /** What the thermometer of a kind of machine says; undefined: there is none. */
  state(kind: HeatedKind): ReadingState | undefined {
    return this.heard.get(kind)?.state()
  }

  follow(kind: HeatedKind, { runId, startedAt }: MachineRunRow, noted = -1): void {
    this.followed.set(kind, { runId, startedAt: Date.parse(startedAt), noted })
    this.note(kind)
  }

  stop(runId: string): void {
    for (const [kind, run] of this.followed) if (run.runId === runId) this.followed.delete(kind)
  }

  async readings(runId: string): Promise<readonly MeasuredPoint[]> {
    const rows = await this.dataSource.manager.find(MachineReadingRow, {
      where: { runId },
      order: { minutes: 'ASC' },
    })
    return rows.map(({ minutes, celsius }) => ({ minutes, celsius }))
  }

  private note(kind: HeatedKind): void {
    const run = this.followed.get(kind)
    const { connected, value, fault } = this.state(kind) ?? {}
    if (!run || !connected || value === undefined || fault) return
    const minutes = Math.floor((this.clock.now() - run.startedAt) / MINUTE)
    if (minutes <= run.noted || minutes > LONGEST_MINUTES) return
    run.noted = minutes
    this.queue
      .write((manager) => manager.insert(MachineReadingRow, { runId: run.runId, minutes, celsius: value }))
      .then(() => this.live.announce({ kind: 'machines' }))
      // A minute that could not be kept is a gap in the curve, no reason to end the server.
      .catch((error: unknown) => this.log.error(`The reading of minute ${minutes} was not kept: ${error}`))
  }

  onModuleDestroy(): void {
    for (const { link } of this.heard.values()) link?.close()
  }
}

function thermometerSays(text: string): HeardLine {
  const line = readThermometerLine(text)
  if (line.kind === 'temperature')
    return isPlausibleCelsius(line.celsius)
      ? { value: line.celsius, steady: true }
      : { fault: `The thermometer reads ${line.celsius} °C, which cannot be right.` }
  return line.kind === 'fault' ? { fault: `The thermometer says: ${line.words}.` } : undefined
}
