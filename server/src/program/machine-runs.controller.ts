import { Controller } from '@nestjs/common'
import { checkProgramLength } from '@yentrik/core'
import { type Call, Handles } from '../shapes/handles.ts'
import { MachineRuns } from './machine-runs.service.ts'

@Controller()
export class MachineRunsController {
  constructor(private readonly runs: MachineRuns) {}

  @Handles('GET /machine-runs')
  all() {
    return this.runs.all()
  }

  @Handles('POST /machine-runs')
  start({ body: { kind, machine, program, loads }, me }: Call<'POST /machine-runs'>) {
    checkProgramLength(program)
    return this.runs.start(kind, machine.trim(), program, loads, me.name)
  }

  @Handles('POST /machine-runs/:runId/stop')
  stop({ path }: Call<'POST /machine-runs/:runId/stop'>) {
    return this.runs.stop(path.runId)
  }

  @Handles('GET /machine-runs/:runId/second-thermometer')
  secondThermometer({ path }: Call<'GET /machine-runs/:runId/second-thermometer'>) {
    return this.runs.secondThermometer(path.runId)
  }

  @Handles('POST /machine-runs/:runId/troubles')
  trouble({ path, body }: Call<'POST /machine-runs/:runId/troubles'>) {
    const { kind, minutes = 20, celsiusPerHour = 10 } = body
    return this.runs.trouble(path.runId, (fromMinutes) =>
      kind === 'drift'
        ? { kind, fromMinutes, celsiusPerHour }
        : kind === 'vacuumLeak'
          ? { kind, fromMinutes }
          : { kind, fromMinutes, minutes },
    )
  }
}
