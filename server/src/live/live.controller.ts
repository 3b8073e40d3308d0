import { Controller, Sse } from '@nestjs/common'
import { ApiOperation, ApiTags } from '@nestjs/swagger'
import type { Observable } from 'rxjs'
import { LiveService } from './live.service.ts'

@ApiTags('live')
@Controller('live')
export class LiveController {
  constructor(private readonly live: LiveService) {}

  @Sse()
  @ApiOperation({ summary: 'Changes as they happen, as server-sent events' })
  stream(): Observable<{ type: string; data: object }> {
    return this.live.stream()
  }
}
