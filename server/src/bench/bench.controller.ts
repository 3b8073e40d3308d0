import { Controller, Get } from '@nestjs/common'
import { ApiOperation, ApiTags } from '@nestjs/swagger'
import { type BenchList, benchList } from '@yentrik/core'
import { CasesService } from '../cases/cases.service.ts'
import { LabClock } from '../clock/lab-clock.ts'
import { MachineRuns } from '../program/machine-runs.service.ts'

/** More than this on one screen helps nobody; the rest is in Cases. */
const MOST_SHOWN = 40

@ApiTags('bench')
@Controller('bench')
export class BenchController {
  constructor(
    private readonly cases: CasesService,
    private readonly clock: LabClock,
    private readonly machines: MachineRuns,
  ) {}

  @Get()
  @ApiOperation({ summary: 'What runs, what to do now, what comes later, who is waited for' })
  async bench(): Promise<BenchList & { readonly at: number }> {
    const at = this.clock.now()
    const [summaries, machineEnd] = await Promise.all([
      this.cases.summaries('live'),
      this.machines.expectedEnds(),
    ])
    return { at, ...benchList(summaries, at, MOST_SHOWN, machineEnd) }
  }
}
