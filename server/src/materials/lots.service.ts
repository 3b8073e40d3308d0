import { randomUUID } from 'node:crypto'
import { Injectable } from '@nestjs/common'
import { materials } from '@yentrik/core'
import { DataSource } from 'typeorm'
import { LabClock } from '../clock/lab-clock.ts'
import { LotRow } from '../database/entities.ts'
import { WriteQueue } from '../database/write-queue.ts'
import { Refusal } from '../errors/problem.filter.ts'
import { LiveService } from '../live/live.service.ts'

@Injectable()
export class LotsService {
  constructor(
    private readonly dataSource: DataSource,
    private readonly queue: WriteQueue,
    private readonly clock: LabClock,
    private readonly live: LiveService,
  ) {}

  all(): Promise<LotRow[]> {
    return this.dataSource.manager.find(LotRow, { order: { materialId: 'ASC', receivedAt: 'DESC' } })
  }

  /** Takes a lot onto the shelf; it is in use from now on, beside those that were. @throws {Refusal} */
  async receive(materialId: string, number: string, expiresOn: string | undefined): Promise<LotRow> {
    if (!materials.has(materialId))
      throw new Refusal(
        422,
        'no-such-material',
        `There is no material ${materialId}.`,
        'Choose one from the list.',
        { field: 'materialId' },
      )
    const now = new Date(this.clock.now()).toISOString()
    if (expiresOn && expiresOn < now.slice(0, 10))
      throw new Refusal(
        422,
        'lot-expired',
        `The lot expired on ${expiresOn}.`,
        'Do not use it; check the date on the pack.',
        { field: 'expiresOn' },
      )
    const row = {
      lotId: randomUUID(),
      materialId,
      number: number.trim(),
      receivedAt: now,
      expiresOn: expiresOn ?? null,
      inUse: true,
    }
    await this.queue.write(async (manager) => {
      if (await manager.existsBy(LotRow, { materialId, number: row.number }))
        throw new Refusal(
          409,
          'lot-known',
          `Lot ${row.number} is on the shelf already.`,
          'Check the number on the pack.',
          { field: 'number' },
        )
      await manager.insert(LotRow, row)
    })
    this.live.tell({ kind: 'lots' })
    return row
  }

  /** Used up, or taken into use again. */
  async setInUse(lotId: string, inUse: boolean): Promise<void> {
    const { affected } = await this.queue.write((manager) => manager.update(LotRow, { lotId }, { inUse }))
    if (!affected) throw new Refusal(404, 'no-such-lot', `There is no lot ${lotId}.`, 'Reload the shelf.')
    this.live.tell({ kind: 'lots' })
  }
}
