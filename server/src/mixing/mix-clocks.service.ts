import { randomUUID } from 'node:crypto'
import { Injectable } from '@nestjs/common'
import type { Body, Query } from '@yentrik/contract'
import { mixClock, type RememberedMix, rememberedMix } from '@yentrik/core'
import { DataSource, In } from 'typeorm'
import { LabClock } from '../clock/lab-clock.ts'
import { CaseSummaryRow, MixClockRow } from '../database/entities.ts'
import { WriteQueue } from '../database/write-queue.ts'
import { Refusal } from '../errors/problem.filter.ts'
import { LiveService } from '../live/live.service.ts'
import { ShelfCards } from '../materials/shelf-cards.service.ts'

/** Clocks of mixes, kept on the server so that they survive a reload; and what the lab used before. */
@Injectable()
export class MixClocks {
  constructor(
    private readonly dataSource: DataSource,
    private readonly queue: WriteQueue,
    private readonly clock: LabClock,
    private readonly live: LiveService,
    private readonly cards: ShelfCards,
  ) {}

  /** The clocks that still run: none is left of a mix that was free long since, nor of a case that has gone out. */
  async all(): Promise<MixClockRow[]> {
    const { manager } = this.dataSource
    const rows = await manager.find(MixClockRow, { order: { metAt: 'DESC' } })
    const gone = await manager.find(CaseSummaryRow, {
      where: { closed: true, caseId: In(rows.flatMap(({ caseId }) => caseId ?? [])) },
      select: { caseId: true },
    })
    const closed = new Set(gone.map(({ caseId }) => caseId))
    const now = this.clock.now()
    const running = await Promise.all(
      rows.map(
        async (row) => (row.caseId === null || !closed.has(row.caseId)) && (await this.endOf(row)) > now,
      ),
    )
    return rows.filter((_, index) => running[index])
  }

  /** When the last stretch of its clock is over, ms since 1970. */
  private async endOf({ materialId, productId, metAt, settingFactor }: MixClockRow): Promise<number> {
    const card = await this.cards.cardOf(materialId, productId)
    const from = Date.parse(metAt)
    return card?.clock ? mixClock(card.clock, from, settingFactor).stretches.at(-1)!.to : from
  }

  /** Powder meets liquid now. @throws {Refusal} `no-such-material`, `no-such-product` */
  async start(mix: Body<'POST /mixing/clocks'>, by: string): Promise<MixClockRow> {
    await this.cards.mustHave(mix.materialId, mix.productId)
    const row: MixClockRow = {
      clockId: randomUUID(),
      materialId: mix.materialId,
      productId: mix.productId ?? null,
      metAt: new Date(this.clock.now()).toISOString(),
      by,
      settingFactor: mix.settingFactor,
      caseId: mix.caseId ?? null,
      docket: mix.docket ?? null,
    }
    await this.queue.write((manager) => manager.insert(MixClockRow, row))
    this.live.announce({ kind: 'mixes' })
    return row
  }

  /** @throws {Refusal} `no-such-clock` */
  async putAway(clockId: string): Promise<void> {
    const { affected } = await this.queue.write((manager) => manager.delete(MixClockRow, { clockId }))
    if (!affected)
      throw new Refusal(404, 'no-such-clock', 'That clock is put away already.', 'Reload the screen.')
    this.live.announce({ kind: 'mixes' })
  }

  /** The median of what this lab weighed for the same thing; entries that were corrected or withdrawn do not count. */
  async remembered({
    materialId,
    stepId,
    amountId,
  }: Query<'GET /mixing/remembered'>): Promise<RememberedMix | undefined> {
    const same = [
      ['materialId', materialId],
      ['stepId', stepId],
      ['amountId', amountId],
    ].flatMap(([field, value]) => (value === undefined ? [] : [{ field, value }]))
    const rows = await this.dataSource.query<{ grams: number }[]>(
      `SELECT json_extract(e.data, '$.powderGrams') AS grams FROM case_events e
        WHERE e.type = 'mixRecorded' AND grams IS NOT NULL
        ${same.map(({ field }) => `AND json_extract(e.data, '$.${field}') = ?`).join(' ')}
        AND NOT EXISTS (SELECT 1 FROM case_events c WHERE c.case_id = e.case_id
          AND (c.type = 'corrected' AND json_extract(c.data, '$.corrects') = e.sequence
            OR c.type = 'withdrawn' AND json_extract(c.data, '$.withdraws') = e.sequence))`,
      same.map(({ value }) => value),
    )
    return rememberedMix(rows.map(({ grams }) => grams))
  }
}
