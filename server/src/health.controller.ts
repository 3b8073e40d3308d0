import { Controller, Get } from '@nestjs/common'
import { ApiOperation, ApiTags } from '@nestjs/swagger'
import { DataSource } from 'typeorm'
import { WriteQueue } from './database/write-queue.ts'
import { Refusal } from './errors/problem.filter.ts'
import { Public } from './people/session.guard.ts'

@ApiTags('health')
@Public()
@Controller('health')
export class HealthController {
  constructor(
    private readonly dataSource: DataSource,
    private readonly queue: WriteQueue,
  ) {}

  @Get()
  @ApiOperation({ summary: 'Whether the server and its file answer, and whether what is written is stored' })
  async health(): Promise<{ ok: true }> {
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
