import { Controller } from '@nestjs/common'
import { DataSource } from 'typeorm'
import { WriteQueue } from './database/write-queue.ts'
import { Refusal } from './errors/problem.filter.ts'
import { Handles } from './shapes/handles.ts'

@Controller()
export class HealthController {
  constructor(
    private readonly dataSource: DataSource,
    private readonly queue: WriteQueue,
  ) {}

  @Handles('GET /health')
  async health() {
    await this.dataSource.query('SELECT 1')
    const { fault } = this.queue
    if (fault)
      throw new Refusal(
        503,
        'writing-fails',
        `The last write was not stored: ${fault}.`,
        'Free space on the disk of the server, or look at its data file. The next write that is stored clears this.',
      )
    return { ok: true }
  }
}
