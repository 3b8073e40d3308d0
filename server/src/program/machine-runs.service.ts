import { randomInt, randomUUID } from 'node:crypto'
import { Inject, Injectable } from '@nestjs/common'
import type { MachineLoad, MachineRunShown } from '@yentrik/contract'
import {
  checkFlasks,
  checkPieces,
  type LabEquipment,
  type MachineEnd,
  type MachineNature,
  type MachineRun,
  type MachineTrouble,
  programCelsius,
  programMinutes,
  type RunningWork,
  runMachine,
  seededRandom,
  type TemperatureProgram,
  USUAL_SINTER_TAU_MINUTES,
  USUAL_TIME_CONSTANT_MINUTES,
} from '@yentrik/core'
import { DataSource, IsNull, MoreThan } from 'typeorm'
import { LabClock } from '../clock/lab-clock.ts'
import { MachineRunRow } from '../database/entities.ts'
import { WriteQueue } from '../database/write-queue.ts'
import { Refusal } from '../errors/problem.filter.ts'
import { LabSettingsService } from '../lab/lab-settings.service.ts'
import { LiveService } from '../live/live.service.ts'
import { SETTINGS, type ServerSettings } from '../settings/server-settings.ts'
import { machineNames, Thermometers } from './thermometers.service.ts'

const MINUTE = 60_000
const DAY = 24 * 60 * MINUTE
/** Longer than this nothing runs on, min: a forgotten run costs no more. */
const LONGEST_MINUTES = 24 * 60

/**
 * Programs on furnaces and baths. What a stand-in measures follows from its row, so that a restart loses nothing; of a real one
 * the thermometer is read.
 */
@Injectable()
export class MachineRuns {
  /** Stand-ins, each followed for a day; `key` says with which troubles. */
  private readonly days = new Map<string, { readonly key: string; readonly day: MachineRun }>()

  constructor(
    private readonly dataSource: DataSource,
    private readonly queue: WriteQueue,
    private readonly clock: LabClock,
    private readonly settings: LabSettingsService,
    private readonly live: LiveService,
    private readonly thermometers: Thermometers,
    @Inject(SETTINGS) private readonly server: ServerSettings,
  ) {}

  /** Those that run, and those that were stopped within a day. */
  async all(): Promise<MachineRunShown[]> {
    const since = new Date(this.clock.now() - DAY).toISOString()
    const rows = await this.dataSource.manager.find(MachineRunRow, {
      where: [{ stoppedAt: IsNull() }, { stoppedAt: MoreThan(since) }],
      order: { startedAt: 'DESC' },
    })
    for (const runId of this.days.keys())
      if (!rows.some((row) => row.runId === runId)) this.days.delete(runId)
    return Promise.all(rows.map((row) => this.shown(row)))
  }

  /** When what lies in a running machine should be done, for work that was started before the machine was. */
  async expectedEnds(): Promise<MachineEnd> {
    const rows = await this.dataSource.manager.findBy(MachineRunRow, { stoppedAt: IsNull() })
    const ends = await Promise.all(
      rows.map(async (row) => ({
        row,
        endsAt: Date.parse(row.startedAt) + (await this.endMinutes(row)) * MINUTE,
      })),
    )
    return ({ caseId, jobId, stepId, startedAt }) =>
      ends.find(
        ({ row }) =>
          Date.parse(row.startedAt) >= startedAt &&
          (row.loads as MachineLoad[]).some(
            (load) => load.caseId === caseId && load.jobId === jobId && load.stepId === stepId,
          ),
      )?.endsAt
  }

  /** What lies in a machine now, with the run that it lies in. */
  async runningWork(): Promise<RunningWork> {
    const rows = await this.dataSource.manager.findBy(MachineRunRow, { stoppedAt: IsNull() })
    const runs = await Promise.all(
      rows.map(async (row) => {
        const from = Date.parse(row.startedAt)
        return {
          loads: row.loads as MachineLoad[],
          lies: {
            machine: row.machine,
            runId: row.runId,
            from,
            until: from + (await this.endMinutes(row)) * MINUTE,
          },
        }
      }),
    )
    return (caseId, jobId, stepId) =>
      runs.find(({ loads }) =>
        loads.some((load) => load.caseId === caseId && load.jobId === jobId && load.stepId === stepId),
      )?.lies
  }

  /** @throws {Refusal} `no-furnace`, `no-bath`, `machine-busy`, `thermometer-busy` @throws {DomainError} `bath-full`, `furnace-full` */
  async start(
    kind: MachineRunRow['kind'],
    machine: string,
    program: TemperatureProgram,
    loads: readonly MachineLoad[],
    by: string,
  ): Promise<MachineRunShown> {
    if (!this.server[kind])
      throw new Refusal(
        404,
        `no-${kind}`,
        `No ${machineNames[kind]} is connected.`,
        'Set it by hand, and enter what you read.',
      )
    const card = await this.cardOf({ kind, machine })
    if (card?.kind === 'bath') checkFlasks(card, loads.length)
    if (card?.kind === 'kiln' || card?.kind === 'sinter') checkPieces(card, loads.length)
    const row: MachineRunRow = {
      runId: randomUUID(),
      machine,
      kind,
      program: program as object,
      loads: loads as object,
      troubles: [],
      seed: randomInt(2 ** 31),
      startedAt: new Date(this.clock.now()).toISOString(),
      stoppedAt: null,
      by,
      standIn: this.server[kind] === 'stand-in',
    }
    await this.queue.write(async (manager) => {
      const read = { kind, standIn: false, stoppedAt: IsNull() }
      if (!row.standIn && (await manager.existsBy(MachineRunRow, read)))
        throw new Refusal(
          409,
          'thermometer-busy',
          `The thermometer is read for another ${machineNames[kind]} already.`,
          'Take that out first, or write down what you read.',
        )
      if (await manager.existsBy(MachineRunRow, { machine, stoppedAt: IsNull() }))
        throw new Refusal(
          409,
          'machine-busy',
          `${machine} is running already.`,
          'Stop it first, or take another.',
          {
            field: 'machine',
          },
        )
      await manager.insert(MachineRunRow, row as object)
    })
    if (!row.standIn) this.thermometers.follow(kind, row)
    this.live.announce({ kind: 'machines' })
    return this.shown(row)
  }

  /** @throws {Refusal} `no-such-run` */
  async stop(runId: string): Promise<MachineRunShown> {
    this.thermometers.stop(runId)
    await this.change(runId, () => ({ stoppedAt: new Date(this.clock.now()).toISOString() }))
    return this.shown(await this.row(runId))
  }

  /** Something goes wrong with the stand-in, from now on. @throws {Refusal} `no-such-run`, `not-a-stand-in` */
  async trouble(runId: string, trouble: (fromMinutes: number) => MachineTrouble): Promise<void> {
    mustBeStandIn(await this.row(runId))
    await this.change(runId, (row) => ({
      troubles: [...(row.troubles as MachineTrouble[]), trouble(this.minutesOf(row))] as object,
    }))
  }

  /** A second thermometer held into the chamber. @throws {Refusal} `no-such-run`, `not-a-stand-in` */
  async secondThermometer(runId: string): Promise<{ celsius: number; shownCelsius: number }> {
    const row = await this.row(runId)
    mustBeStandIn(row)
    const { chamberCelsius, measuredCelsius } = (await this.follow(row)).moments.at(-1)!
    return { celsius: Math.round(chamberCelsius), shownCelsius: Math.round(measuredCelsius) }
  }

  private async change(runId: string, to: (row: MachineRunRow) => Partial<MachineRunRow>): Promise<void> {
    await this.queue.write(async (manager) => {
      const row = await manager.findOneBy(MachineRunRow, { runId, stoppedAt: IsNull() })
      if (!row) throw noSuchRun(runId)
      await manager.update(MachineRunRow, { runId }, to(row) as object)
    })
    this.live.announce({ kind: 'machines' })
  }

  private async row(runId: string): Promise<MachineRunRow> {
    const row = await this.dataSource.manager.findOneBy(MachineRunRow, { runId })
    if (!row) throw noSuchRun(runId)
    return row
  }

  private minutesOf({ startedAt, stoppedAt }: MachineRunRow): number {
    const until = stoppedAt ? Date.parse(stoppedAt) : this.clock.now()
    return Math.min(LONGEST_MINUTES, Math.max(0, (until - Date.parse(startedAt)) / MINUTE))
  }

  /**
   * A stand-in followed for a whole day, of which the hours so far are a part. It is the same at every look until something
   * goes wrong with it, so it is worked out once.
   */
  private async wholeDay(row: MachineRunRow): Promise<MachineRun> {
    const own = await this.cardOf(row)
    const tau = own && 'timeConstantMinutes' in own ? own.timeConstantMinutes : undefined
    const troubles = row.troubles as MachineTrouble[]
    const key = `${troubles.length} ${tau}`
    const known = this.days.get(row.runId)
    if (known?.key === key) return known.day
    const program = row.program as TemperatureProgram
    const random = seededRandom(row.seed)
    const day = runMachine(program, natureOf(row.kind, tau), troubles, LONGEST_MINUTES, random)
    this.days.set(row.runId, { key, day })
    return day
  }

  /** The machine as it stands on the list of the lab, if it does. */
  private async cardOf({ kind, machine }: Pick<MachineRunRow, 'kind' | 'machine'>) {
    const all = await this.settings.list<LabEquipment>('equipment')
    return all.find((each) => each.kind === kind && each.name === machine)
  }

  private async follow(row: MachineRunRow): Promise<MachineRun> {
    const until = this.minutesOf(row)
    const { moments, endMinutes } = await this.wholeDay(row)
    const ended = endMinutes !== undefined && endMinutes <= until
    return { moments: moments.filter(({ minutes }) => minutes <= until), ...(ended ? { endMinutes } : {}) }
  }

  /** What is set and known today, run on: an end that lies ahead is only likely. */
  private async endMinutes(row: MachineRunRow): Promise<number> {
    if (!row.standIn) return programMinutes(row.program as TemperatureProgram)
    const { endMinutes } = await this.wholeDay(row)
    return endMinutes ?? programMinutes(row.program as TemperatureProgram)
  }

  private async shown(row: MachineRunRow): Promise<MachineRunShown> {
    const { runId, machine, kind, standIn, startedAt, stoppedAt } = row
    const program = row.program as TemperatureProgram
    const { measured, endMinutes } = standIn ? await this.followed(row) : await this.read(row)
    const ahead = endMinutes ?? (await this.endMinutes(row))
    const fault = standIn || stoppedAt ? undefined : this.thermometers.state(kind)?.fault
    return {
      runId,
      machine,
      kind,
      standIn,
      ...(fault ? { fault } : {}),
      program,
      loads: row.loads as MachineLoad[],
      startedAt,
      stoppedAt,
      endsAt: new Date(Date.parse(startedAt) + ahead * MINUTE).toISOString(),
      ended: endMinutes !== undefined,
      measured: measured.map(({ minutes, setCelsius, celsius, kilopascals }) => ({
        minutes,
        setCelsius: Number(setCelsius.toFixed(1)),
        celsius: Number(celsius.toFixed(1)),
        ...(kilopascals === undefined ? {} : { kilopascals: Number(kilopascals.toFixed(1)) }),
      })),
    }
  }

  private async followed(row: MachineRunRow): Promise<Measured> {
    const { moments, endMinutes } = await this.follow(row)
    return { measured: moments.map((each) => ({ ...each, celsius: each.measuredCelsius })), endMinutes }
  }

  /** A real machine runs its program by itself: it has ended when the hours of the program are over. */
  private async read(row: MachineRunRow): Promise<Measured> {
    const program = row.program as TemperatureProgram
    const length = programMinutes(program)
    const measured = (await this.thermometers.readings(row.runId)).map((each) => ({
      ...each,
      setCelsius: programCelsius(program, each.minutes),
    }))
    return { measured, endMinutes: this.minutesOf(row) >= length ? length : undefined }
  }
}

/** What a run measured so far, and when its program was through. */
interface Measured {
  readonly measured: MachineRunShown['measured']
  readonly endMinutes?: number | undefined
}

function mustBeStandIn({ standIn, machine }: MachineRunRow): void {
  if (!standIn)
    throw new Refusal(
      404,
      'not-a-stand-in',
      `${machine} is a real machine, not a stand-in.`,
      'Read your own thermometer.',
    )
}

/** The machines that ship with the server (our choice). */
function natureOf(kind: MachineRunRow['kind'], timeConstantMinutes: number | undefined): MachineNature {
  if (kind === 'bath')
    return {
      roomCelsius: 20,
      timeConstantMinutes: timeConstantMinutes ?? 150,
      fullPowerCelsius: 420,
      sensorLagMinutes: 1,
      noiseCelsius: 0.3,
      mostCelsius: 100,
    }
  if (kind === 'kiln')
    return {
      roomCelsius: 25,
      timeConstantMinutes: timeConstantMinutes ?? 15,
      fullPowerCelsius: 2200,
      sensorLagMinutes: 0.1,
      noiseCelsius: 0.5,
      // A firing is over in minutes.
      readingsPerMinute: 6,
      // A silver test finds it.
      readsTooMuchCelsius: 6,
    }
  if (kind === 'sinter')
    return {
      roomCelsius: 25,
      timeConstantMinutes: timeConstantMinutes ?? USUAL_SINTER_TAU_MINUTES,
      fullPowerCelsius: 3200,
      sensorLagMinutes: 1,
      noiseCelsius: 1,
    }
  return {
    roomCelsius: 20,
    timeConstantMinutes: timeConstantMinutes ?? USUAL_TIME_CONSTANT_MINUTES,
    fullPowerCelsius: 1300,
    sensorLagMinutes: 1.5,
    noiseCelsius: 1,
  }
}

function noSuchRun(runId: string): Refusal {
  return new Refusal(404, 'no-such-run', `No run ${runId} is going on.`, 'Reload the screen.')
}
