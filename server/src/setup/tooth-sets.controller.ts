import { Body, Controller, Delete, Get, HttpCode, Param, Put } from '@nestjs/common'
import { ApiOperation, ApiTags } from '@nestjs/swagger'
import { checkToothSet, type ToothSet } from '@yentrik/core'
import { LabSettingsService } from '../lab/lab-settings.service.ts'
import { LiveService } from '../live/live.service.ts'
import { ToothMeasuresDto } from './set-up.dto.ts'

/** The lab's own list of tooth sets, under the names that it gives them. None is shipped. */
@ApiTags('set-up')
@Controller('tooth-sets')
export class ToothSetsController {
  constructor(
    private readonly settings: LabSettingsService,
    private readonly live: LiveService,
  ) {}

  @Get()
  @ApiOperation({ summary: 'Every tooth set of the lab, by name' })
  all(): Promise<ToothSet[]> {
    return this.settings.list<ToothSet>('tooth-sets')
  }

  @Put(':name')
  @ApiOperation({ summary: 'Store a set as measured, or its changed figures' })
  async keep(@Param('name') name: string, @Body() measures: ToothMeasuresDto): Promise<ToothSet> {
    const set: ToothSet = { ...measures, name: name.trim() }
    checkToothSet(set)
    await this.settings.changeList<ToothSet>('tooth-sets', (sets) => [
      ...sets.filter((each) => each.name !== set.name),
      set,
    ])
    this.live.tell({ kind: 'lab' })
    return set
  }

  @Delete(':name')
  @HttpCode(204)
  @ApiOperation({ summary: 'Take a set off the list; plans made with it keep its figures' })
  async drop(@Param('name') name: string): Promise<void> {
    await this.settings.changeList<ToothSet>('tooth-sets', (sets) =>
      sets.filter((each) => each.name !== name),
    )
    this.live.tell({ kind: 'lab' })
  }
}
