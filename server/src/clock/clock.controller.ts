import { Body, Controller, Get, Inject, Post } from '@nestjs/common'
import { ApiOperation, ApiProperty, ApiTags } from '@nestjs/swagger'
import { IsNumber, Max, Min } from 'class-validator'
import { Refusal } from '../errors/problem.filter.ts'
import { LiveService } from '../live/live.service.ts'
import { SETTINGS, type ServerSettings } from '../settings/server-settings.ts'
import { LabClock } from './lab-clock.ts'

class ClockDto {
  @ApiProperty({ example: 1, description: 'Lab seconds per real second' })
  @IsNumber()
  @Min(1)
  @Max(3600)
  speed: number
  @ApiProperty({ example: 45 }) @IsNumber() @Min(0) @Max(20_160) forwardMinutes: number
}

@ApiTags('clock')
@Controller('clock')
export class ClockController {
  constructor(
    private readonly clock: LabClock,
    private readonly live: LiveService,
    @Inject(SETTINGS) private readonly settings: ServerSettings,
  ) {}

  @Get()
  @ApiOperation({ summary: 'Lab time, its speed, and whether it may be moved' })
  read(): { now: number; speed: number; mayBeMoved: boolean } {
    return { now: this.clock.now(), speed: this.clock.speed, mayBeMoved: this.settings.clockControl }
  }

  @Post()
  @ApiOperation({ summary: 'Move the clock of the lab; demos and tests only' })
  async move(
    @Body() { speed, forwardMinutes }: ClockDto,
  ): Promise<{ now: number; speed: number; mayBeMoved: boolean }> {
    if (!this.settings.clockControl)
      throw new Refusal(
        403,
        'clock-is-fixed',
        'The clock of this lab cannot be moved.',
        'Only a demo or test server lets it be moved.',
      )
    await this.clock.change(speed, forwardMinutes)
    this.live.tell({ kind: 'clock' })
    return this.read()
  }
}
