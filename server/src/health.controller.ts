import { Controller, Get } from '@nestjs/common'
import { ApiOperation, ApiTags } from '@nestjs/swagger'
import { DataSource } from 'typeorm'
import { Public } from './people/session.guard.ts'

@ApiTags('health')
@Public()
@Controller('health')
export class HealthController {
  constructor(private readonly dataSource: DataSource) {}

  @Get()
  @ApiOperation({ summary: 'Whether the server and its file answer' })
  async health(): Promise<{ ok: true }> {
    await this.dataSource.query('SELECT 1')
    return { ok: true }
  }
}
