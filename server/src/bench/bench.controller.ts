import { Controller } from '@nestjs/common'
import type { Bench } from '@yentrik/contract'
import { benchContents, type CaseSummary } from '@yentrik/core'
import { CasesService } from '../case/cases.service.ts'
import { LabClock } from '../clock/lab-clock.ts'
import { MachineRuns } from '../program/machine-runs.service.ts'
import { type Call, Handles } from '../shapes/handles.ts'
import { InstrumentUses } from './instrument-uses.service.ts'

@Controller()
export class BenchController {
  constructor(
    private readonly cases: CasesService,
    private readonly clock: LabClock,
    private readonly machines: MachineRuns,
    private readonly uses: InstrumentUses,
  ) {}

  @Handles('GET /bench')
  async bench(): Promise<Bench> {
    return this.benchOf(await this.cases.summaries('live'))
  }

  @Handles('GET /bench/cases/:caseId')
  async ofCase({ path }: Call<'GET /bench/cases/:caseId'>): Promise<Bench> {
    return this.benchOf([await this.cases.summary(path.caseId)])
  }

  @Handles('GET /instruments')
  instruments() {
    return this.uses.last()
  }

  private async benchOf(summaries: readonly CaseSummary[]): Promise<Bench> {
    const at = this.clock.now()
    return { at, ...benchContents(summaries, at, await this.machines.expectedEnds()) }
  }
}
