import { Controller, Get } from '@nestjs/common'
import { ApiOperation, ApiTags } from '@nestjs/swagger'
import { type BenchList, benchList, openWindowCount } from '@yentrik/core'
import { CasesService } from '../cases/cases.service.ts'
import { LabClock } from '../clock/lab-clock.ts'

/** More than this on one screen helps nobody; the rest is in Cases. */
const MOST_SHOWN = 40

@ApiTags('bench')
@Controller('bench')
export class BenchController {
  constructor(
    private readonly cases: CasesService,
    private readonly clock: LabClock,
  ) {}

  @Get()
  @ApiOperation({ summary: 'What runs, what to do now, what comes later, who is waited for' })
  async bench(): Promise<BenchList & { readonly at: number; readonly openWindows: number }> {
    const at = this.clock.now()
    const list = benchList(await this.cases.summaries(false), at)
    return {
      at,
      openWindows: openWindowCount(list),
      running: list.running.slice(0, MOST_SHOWN),
      now: list.now.slice(0, MOST_SHOWN),
      later: list.later.slice(0, MOST_SHOWN),
      asking: list.asking.slice(0, MOST_SHOWN),
      away: list.away.slice(0, MOST_SHOWN),
    }
  }
}
