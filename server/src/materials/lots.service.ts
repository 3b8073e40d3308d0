import { randomUUID } from 'node:crypto'
import { Injectable } from '@nestjs/common'
import type { Body, CaseOfLot, Lot, LotOnShelf } from '@yentrik/contract'
import { ceramicFigures, checkEnlargement, type Enlargement, materials } from '@yentrik/core'
import { DataSource } from 'typeorm'
import { CaseStore } from '../case/case-store.ts'
import { LabClock } from '../clock/lab-clock.ts'
import { LotRow, LotUseRow } from '../database/entities.ts'
import { WriteQueue } from '../database/write-queue.ts'
import { Refusal } from '../errors/problem.filter.ts'
import { LiveService } from '../live/live.service.ts'
import { ShelfCards } from './shelf-cards.service.ts'

/** Nothing on the shelf of a lab is sold to be kept longer (common practice). */
const LONGEST_LIFE_YEARS = 30

@Injectable()
export class LotsService {
  constructor(
    private readonly dataSource: DataSource,
    private readonly queue: WriteQueue,
    private readonly clock: LabClock,
    private readonly live: LiveService,
    private readonly cards: ShelfCards,
    private readonly cases: CaseStore,
  ) {}

  async all(): Promise<LotOnShelf[]> {
    const lots = await this.dataSource.manager.find(LotRow, {
      order: { materialId: 'ASC', receivedAt: 'DESC' },
    })
    const live = new Set((await this.cases.summaries('live')).map(({ caseId }) => caseId))
    const uses = await this.dataSource.manager.find(LotUseRow)
    return lots.map((lot) => {
      const own = uses.filter((use) => use.lotId === lot.lotId)
      const usedGrams = own.reduce((sum, { powderGrams }) => sum + powderGrams, 0)
      const leftGrams = lot.receivedGrams === null ? null : Math.max(0, lot.receivedGrams - usedGrams)
      return {
        ...lot,
        enlargement: lot.enlargement as Enlargement | null,
        usedGrams,
        leftGrams,
        runsLow: lot.inUse && leftGrams !== null && leftGrams < (lot.lowBelowGrams ?? 0),
        openCases: own.filter(({ caseId }) => live.has(caseId)).length,
      }
    })
  }

  /** Which cases used a lot, the open ones first. @throws {Refusal} `no-such-lot` */
  async casesOf(lotId: string): Promise<CaseOfLot[]> {
    if (!(await this.dataSource.manager.existsBy(LotRow, { lotId }))) throw noSuchLot(lotId)
    const uses = await this.dataSource.manager.findBy(LotUseRow, { lotId })
    const summaries = new Map((await this.cases.summaries('all')).map((each) => [each.caseId, each]))
    const isOver = ({ status }: CaseOfLot) => (status === 'ended' || status === 'delivered' ? 1 : 0)
    return uses
      .flatMap((use) => {
        const summary = summaries.get(use.caseId)
        if (!summary) return []
        const { caseId, docket, clinic, jobNames, status } = summary
        const { powderGrams, lastAt } = use
        return [{ caseId, docket, clinic, jobNames, status, powderGrams, lastAt }]
      })
      .sort((a, b) => isOver(a) - isOver(b) || b.lastAt.localeCompare(a.lastAt))
  }

  /** Takes a lot onto the shelf; it is in use from now on, beside those that were. @throws {Refusal} */
  async receive(lot: Body<'POST /lots'>): Promise<Lot> {
    await this.cards.mustHave(lot.materialId, lot.productId)
    const now = new Date(this.clock.now()).toISOString()
    if (lot.expiresOn && Number(lot.expiresOn.slice(0, 4)) > Number(now.slice(0, 4)) + LONGEST_LIFE_YEARS)
      throw new Refusal(
        422,
        'expiry-not-plausible',
        `No lot keeps until ${lot.expiresOn}.`,
        'Look at the label again; leave it out where there is none.',
        { field: 'expiresOn' },
      )
    if (lot.expiresOn && lot.expiresOn < now.slice(0, 10))
      throw new Refusal(
        422,
        'lot-expired',
        `The lot expired on ${lot.expiresOn}.`,
        'Do not use it; check the date on the pack.',
        { field: 'expiresOn' },
      )
    const row: LotRow = {
      lotId: randomUUID(),
      materialId: lot.materialId,
      productId: lot.productId ?? null,
      number: lot.number.trim(),
      receivedAt: now,
      expiresOn: lot.expiresOn ?? null,
      receivedGrams: lot.receivedGrams ?? null,
      lowBelowGrams: lot.lowBelowGrams ?? null,
      openedOn: null,
      quarantine: null,
      enlargement: this.enlargementFor(lot.materialId, lot.enlargement) ?? null,
      inUse: true,
    }
    await this.queue.write(async (manager) => {
      if (await manager.existsBy(LotRow, { materialId: row.materialId, number: row.number }))
        throw new Refusal(
          409,
          'lot-known',
          `Lot ${row.number} is on the shelf already.`,
          'Check the number on the pack.',
          { field: 'number' },
        )
      await manager.insert(LotRow, row)
    })
    this.live.announce({ kind: 'lots' })
    return { ...row, enlargement: row.enlargement as Enlargement | null }
  }

  /** Used up, or taken into use again. @throws {Refusal} `no-such-lot` */
  setInUse(lotId: string, inUse: boolean): Promise<void> {
    return this.change(lotId, { inUse })
  }

  /** The pack was opened today. @throws {Refusal} `no-such-lot` */
  open(lotId: string): Promise<void> {
    return this.change(lotId, { openedOn: new Date(this.clock.now()).toISOString().slice(0, 10) })
  }

  /** Nobody may use it until it is released (reason null). @throws {Refusal} `no-such-lot` */
  quarantine(lotId: string, reason: string | null): Promise<void> {
    return this.change(lotId, { quarantine: reason })
  }

  /** What its label says of its own lot. @throws {Refusal} `no-such-lot`, `not-a-blank` @throws {DomainError} `enlargement-not-plausible` */
  async enlarge(lotId: string, enlargement: Enlargement): Promise<void> {
    const lot = await this.dataSource.manager.findOneBy(LotRow, { lotId })
    if (!lot) throw noSuchLot(lotId)
    await this.change(lotId, { enlargement: this.enlargementFor(lot.materialId, enlargement) as object })
  }

  private enlargementFor(materialId: string, enlargement: Enlargement | undefined): Enlargement | undefined {
    if (!enlargement) return undefined
    const ceramic = materials.get(materialId)?.ceramic
    if (!ceramic || !ceramicFigures[ceramic].zirconia)
      throw new Refusal(
        422,
        'not-a-blank',
        'An enlargement factor is of a zirconia blank.',
        'Leave it out, or choose the class of the blank.',
        { field: 'enlargement' },
      )
    checkEnlargement(enlargement)
    return enlargement
  }

  private async change(lotId: string, to: Partial<LotRow>): Promise<void> {
    const { affected } = await this.queue.write((manager) => manager.update(LotRow, { lotId }, to))
    if (!affected) throw noSuchLot(lotId)
    this.live.announce({ kind: 'lots' })
  }
}

function noSuchLot(lotId: string): Refusal {
  return new Refusal(404, 'no-such-lot', `There is no lot ${lotId}.`, 'Reload the shelf.')
}
