import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { Inject, Injectable } from '@nestjs/common'
import {
  burnoutProgram,
  curePresets,
  firingProgram,
  type LabProduct,
  type MachineKind,
  newMetal,
  openingsBetween,
  type PlanPerson,
  type TemperatureProgram,
  usualPeaks,
} from '@yentrik/core'
import { DataSource } from 'typeorm'
import { CaseStore } from '../case/case-store.ts'
import { house } from '../case/house.ts'
import { LabClock } from '../clock/lab-clock.ts'
import { AlloyPieceRow, CaseEventRow, LabProductRow, LotRow, MachineRunRow } from '../database/entities.ts'
import { WriteQueue } from '../database/write-queue.ts'
import { LabSettingsService } from '../lab/lab-settings.service.ts'
import { PeopleService } from '../people/people.service.ts'
import { PlanSettingsService } from '../planning/plan-settings.service.ts'
import { SETTINGS, type ServerSettings } from '../settings/server-settings.ts'
import { demoHistory } from './demo-history.ts'
import type { DemoLab } from './demo-lab.ts'
import { demoYear } from './demo-year.ts'

const DAY = 24 * 60 * 60_000

/** Fills an empty file with the invented lab. A file with cases in it is left alone. */
@Injectable()
export class DemoSeed {
  constructor(
    private readonly dataSource: DataSource,
    private readonly queue: WriteQueue,
    private readonly settings: LabSettingsService,
    private readonly people: PeopleService,
    private readonly store: CaseStore,
    private readonly clock: LabClock,
    private readonly plans: PlanSettingsService,
    @Inject(SETTINGS) private readonly server: ServerSettings,
  ) {}

  /** A lab in the middle of its morning, whatever the hour: its clock goes on to that time of the next working day. */
  private async setClock(): Promise<void> {
    const { demoClock } = this.server
    if (demoClock === undefined) return
    const [hours, minutes] = demoClock.split(':').map(Number) as [number, number]
    const now = this.clock.now()
    const { calendar } = await this.settings.lab()
    const after = (hours * 60 + minutes - calendar.opensMinute) * 60_000
    const days = openingsBetween(calendar, now - DAY, now + 10 * DAY)
    const morning = days.map(({ opens }) => opens + after).find((at) => at >= now)
    if (morning !== undefined) await this.clock.change(this.clock.speed, Math.round((morning - now) / 60_000))
  }

  private async addPerson({ name, role, plan }: DemoLab['people'][number]): Promise<void> {
    const { personId } = await this.people.addToDemo(name, role)
    if (!plan) return
    const { skills, hours } = plan
    const person: PlanPerson = {
      skills: [...skills],
      away: [],
      hours: [1, 2, 3, 4, 5].flatMap((weekday) =>
        hours.map(([opensMinute, closesMinute]) => ({ weekday, opensMinute, closesMinute })),
      ),
    }
    await this.plans.change((before) => ({ ...before, people: { ...before.people, [personId]: person } }))
  }

  async seedIfEmpty(): Promise<void> {
    const used = (await this.dataSource.manager.exists(CaseEventRow)) || (await this.people.all()).length > 0
    if (used) return
    const lab = JSON.parse(
      readFileSync(new URL('../../../demo/lab.json', import.meta.url), 'utf8'),
    ) as DemoLab
    await this.setClock()
    const now = this.clock.now()
    await this.settings.set('lab', {
      ...(await this.settings.lab()),
      labName: lab.labName,
      address: lab.address,
    })
    await this.settings.changeList('tooth-sets', () => lab.toothSets)
    await this.settings.changeList('equipment', () => lab.equipment)
    for (const person of lab.people) await this.addPerson(person)
    const { calendar } = await this.settings.lab()
    const products = lab.products.map((product): LabProduct => ({ ...product, productId: randomUUID() }))
    const day = (days: number) => new Date(now + days * DAY).toISOString().slice(0, 10)
    const lots = lab.lots.map(
      (lot): LotRow => ({
        lotId: randomUUID(),
        materialId: lot.materialId,
        productId: products.find(({ name }) => name === lot.product)?.productId ?? null,
        number: lot.number,
        receivedAt: new Date(now - 20 * DAY).toISOString(),
        expiresOn: day(lot.expiresInDays),
        openedOn: lot.openedDaysAgo === undefined ? null : day(-lot.openedDaysAgo),
        receivedGrams: lot.receivedGrams ?? null,
        lowBelowGrams: lot.lowBelowGrams ?? null,
        quarantine: lot.quarantine ?? null,
        enlargement: lot.enlargement ?? null,
        inUse: true,
      }),
    )
    const lotOf = (materialId: string) => lots.find((lot) => lot.materialId === materialId)?.lotId
    const people = lab.people.map((person) => person.name)
    await this.queue.write(async (manager) => {
      await manager.insert(
        LabProductRow,
        products.map((product) => ({ productId: product.productId, product: product as object })),
      )
      await manager.insert(LotRow, lots)
      await manager.insert(
        AlloyPieceRow,
        piecesOf(lab, lots, new Date(now - 9 * DAY).toISOString()) as object[],
      )
      const context = { now, calendar, people, lotOf, house, lab: `${lab.labName}, ${lab.address}` }
      if (this.server.demoYear) {
        const year = demoYear(now, calendar)
        await manager.insert(LotRow, [...year.lots])
        for (const { demo, lotOf: own } of year.cases) {
          const working = demoHistory(demo, { ...context, lotOf: (id) => own(id) ?? lotOf(id) })
          await this.store.append(manager, randomUUID(), working, working.events, calendar)
        }
      }
      for (const demo of lab.cases) {
        const working = demoHistory(demo, context)
        const caseId = randomUUID()
        await this.store.append(manager, caseId, working, working.events, calendar)
        for (const run of lab.machineRuns.filter(({ docket }) => docket === demo.docket))
          await manager.insert(MachineRunRow, machineRun(run, caseId, now, people[0]!) as object)
      }
    })
    await this.settings.set('next-docket', 2174)
  }
}

/** The pieces of alloy of the demo, new metal all of it. */
function piecesOf(lab: DemoLab, lots: readonly LotRow[], weighedAt: string): AlloyPieceRow[] {
  return lab.alloyPieces.flatMap(({ lot: number, grams }) => {
    const lot = lots.find((each) => each.number === number)!
    return grams.map((each) => ({
      pieceId: randomUUID(),
      materialId: lot.materialId,
      productId: lot.productId,
      grams: each,
      lots: [{ lotId: lot.lotId, share: 1 }],
      history: newMetal,
      weighedAt,
      fromCase: null,
      takenBy: null,
    }))
  })
}

/** What each machine of the demo runs. */
const usualPrograms: { readonly [K in MachineKind]: () => TemperatureProgram } = {
  bath: () => curePresets[0]!.program,
  furnace: () =>
    burnoutProgram({
      binder: 'phosphate',
      radiusMillimetres: 20,
      rings: 1,
      pattern: 'wax',
      fast: false,
      peakCelsius: usualPeaks.phosphate,
    }),
  kiln: () => firingProgram({ ceramic: 'disilicate', firing: 'stain', wallMillimetres: 1.5, units: 1 }),
  sinter: () => firingProgram({ ceramic: 'zirconia4y', firing: 'sinter', wallMillimetres: 1.5, units: 1 }),
}

/** A machine that is on its usual program, since so long. */
function machineRun(
  { kind, machine, stepId, startedMinutesAgo }: DemoLab['machineRuns'][number],
  caseId: string,
  now: number,
  by: string,
): MachineRunRow {
  return {
    runId: randomUUID(),
    machine,
    kind,
    program: usualPrograms[kind](),
    loads: [{ caseId, jobId: 'job-1', stepId }],
    troubles: [],
    seed: 7,
    startedAt: new Date(now - startedMinutesAgo * 60_000).toISOString(),
    stoppedAt: null,
    by,
    standIn: true,
  }
}
