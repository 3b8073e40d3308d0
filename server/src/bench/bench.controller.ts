import { Controller } from '@nestjs/common'
import type { Bench } from '@yentrik/contract'
import { benchContents, type CaseSummary } from '@yentrik/core'
import { CasesService } from '../case/cases.service.ts'
import { LabClock } from '../clock/lab-clock.ts'
import { LiveService } from '../live/live.service.ts'
import { PlanService } from '../planning/plan.service.ts'
import { MachineRuns } from '../program/machine-runs.service.ts'
import { type Call, Handles } from '../shapes/handles.ts'
import { InstrumentUses } from './instrument-uses.service.ts'

/** No clock of a bench shows less than a second. */
const SAME_MILLIS = 500

@Controller()
export class BenchController {
  private last?: { readonly mark: string; readonly bench: Bench }

  constructor(
    private readonly live: LiveService,
    private readonly cases: CasesService,
    private readonly clock: LabClock,
    private readonly machines: MachineRuns,
    private readonly uses: InstrumentUses,
    private readonly plans: PlanService,
  ) {}

  @Handles('GET /bench')
  async bench(): Promise<Bench> {
    const { mark } = this.live
    const now = this.clock.now()
    // All benches ask at once when the server has started again: nothing changes between the first and the last of them.
    if (this.last?.mark === mark && Math.abs(now - this.last.bench.at) < SAME_MILLIS) return this.last.bench
    const bench = await this.benchOf(await this.cases.summaries('live'))
    this.last = { mark, bench }
    return bench
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
    const planned = await this.plans.plannedWork()
    return { at, ...benchContents(summaries, at, await this.machines.expectedEnds(), planned) }
  }
}
