import { randomUUID } from 'node:crypto'
import { Injectable } from '@nestjs/common'
import type { Body, DrillDone, DrillStanding, Person } from '@yentrik/contract'
import { type DrillId, drillIds, scoreDrill } from '@yentrik/core'
import { DataSource } from 'typeorm'
import { LabClock } from '../clock/lab-clock.ts'
import { DrillRow } from '../database/entities.ts'
import { WriteQueue } from '../database/write-queue.ts'

/** The best of so many counts. */
const LAST = 5

/** Drills: what the core says an answer is worth, and how one stands. */
@Injectable()
export class DrillsService {
  constructor(
    private readonly dataSource: DataSource,
    private readonly queue: WriteQueue,
    private readonly clock: LabClock,
  ) {}

  async standings(me: Person): Promise<DrillStanding[]> {
    const all: DrillStanding[] = []
    for (const drill of drillIds) {
      const standing = await this.standing(me, drill)
      if (standing) all.push(standing)
    }
    return all
  }

  async done({ seed, answer }: Body<'POST /drills'>, me: Person): Promise<DrillDone> {
    const result = scoreDrill(seed, answer)
    await this.queue.write((manager) =>
      manager.insert(DrillRow, {
        drillId: randomUUID(),
        personId: me.personId,
        drill: answer.drill,
        seed,
        points: result.points,
        at: new Date(this.clock.now()).toISOString(),
        answer,
      }),
    )
    return { result, standing: (await this.standing(me, answer.drill))! }
  }

  private async standing(me: Person, drill: DrillId): Promise<DrillStanding | undefined> {
    const rows = await this.dataSource.manager.find(DrillRow, {
      where: { personId: me.personId, drill },
      order: { at: 'DESC' },
      take: LAST,
    })
    const [last] = rows
    if (!last) return undefined
    return { drill, best: Math.max(...rows.map(({ points }) => points)), last: last.points, n: rows.length }
  }
}
