import { Controller, Req, Sse } from '@nestjs/common'
import { ApiOperation, ApiTags } from '@nestjs/swagger'
import type { Observable } from 'rxjs'
import { LiveService } from './live.service.ts'
import { StreamBound, type WithPerson } from './stream-bound.ts'

@ApiTags('live')
@Controller('live')
export class LiveController {
  constructor(
    private readonly live: LiveService,
    private readonly bound: StreamBound,
  ) {}

  @Sse()
  @ApiOperation({ summary: 'Changes as they happen, as server-sent events' })
  stream(@Req() { person }: WithPerson): Observable<{ type: string; data: object }> {
    return this.bound.of(person.personId, this.live.stream())
  }
}
