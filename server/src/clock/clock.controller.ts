import { Controller, Inject } from '@nestjs/common'
import type { ClockReading } from '@yentrik/contract'
import { Refusal } from '../errors/problem.filter.ts'
import { LiveService } from '../live/live.service.ts'
import { SETTINGS, type ServerSettings } from '../settings/server-settings.ts'
import { type Call, Handles } from '../shapes/handles.ts'
import { LabClock } from './lab-clock.ts'

@Controller()
export class ClockController {
  constructor(
    private readonly clock: LabClock,
    private readonly live: LiveService,
    @Inject(SETTINGS) private readonly settings: ServerSettings,
  ) {}

  @Handles('GET /clock')
  read(): ClockReading {
    const { speed, jump } = this.clock
    return { now: this.clock.now(), speed, mayBeMoved: this.settings.clockControl, ...(jump ? { jump } : {}) }
  }

  @Handles('POST /clock')
  async move({ body: { speed, forwardMinutes } }: Call<'POST /clock'>): Promise<ClockReading> {
    if (!this.settings.clockControl)
      throw new Refusal(
        403,
        'clock-is-fixed',
        'The clock of this lab cannot be moved.',
        'Only a demo or test server lets it be moved.',
      )
    await this.clock.change(speed, forwardMinutes)
    this.live.announce({ kind: 'clock' })
    return this.read()
  }
}
