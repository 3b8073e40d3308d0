import { Body, Controller, Delete, Get, HttpCode, Param, Put } from '@nestjs/common'
import { ApiOperation, ApiProperty, ApiPropertyOptional, ApiTags } from '@nestjs/swagger'
import { checkEquipment, type EquipmentKind, type LabEquipment } from '@yentrik/core'
import { IsIn, IsNumber, IsOptional, IsString, Length } from 'class-validator'
import { plain } from '../database/plain.ts'
import { Refusal } from '../errors/problem.filter.ts'
import { LabSettingsService } from '../lab/lab-settings.service.ts'
import { LiveService } from '../live/live.service.ts'

const kinds = ['ring', 'arm', 'furnace', 'bath', 'flask'] as const satisfies readonly EquipmentKind[]
const Measure = (example: number) => (target: object, key: string) => {
  ApiPropertyOptional({ example })(target, key)
  IsOptional()(target, key)
  IsNumber()(target, key)
}
/** Of each kind its own measures; the core refuses one that is missing. */
class EquipmentDto {
  @ApiProperty({ enum: kinds }) @IsIn(kinds) kind: EquipmentKind
  @Measure(48) innerDiameterMillimetres?: number
  @Measure(52) heightMillimetres?: number
  @Measure(18) formerMillimetres?: number
  @Measure(1) linerMillimetres?: number
  @Measure(220) innerMillimetres?: number
  @Measure(250) outerMillimetres?: number
  @Measure(400) measuredRpm?: number
  @Measure(3) measuredTurns?: number
  @Measure(60) timeConstantMinutes?: number
  @Measure(6) mostRings?: number
  @Measure(4) mostFlasks?: number
  @Measure(160) lowerMillilitres?: number
  @Measure(180) ringMillilitres?: number
  @Measure(30) ringMillimetres?: number
  @ApiProperty({ example: 'measured here' }) @IsString() @Length(1, 200) source: string
}

/** Rings, arms, furnaces, baths and flasks of the lab, under the names that it gives them. */
@ApiTags('equipment')
@Controller('equipment')
export class EquipmentController {
  constructor(
    private readonly settings: LabSettingsService,
    private readonly live: LiveService,
  ) {}

  @Get()
  @ApiOperation({ summary: 'All equipment of the lab, by name' })
  all(): Promise<LabEquipment[]> {
    return this.settings.list<LabEquipment>('equipment')
  }

  @Put(':name')
  @ApiOperation({ summary: 'Store equipment as measured, or its changed figures' })
  async keep(@Param('name') name: string, @Body() body: EquipmentDto): Promise<LabEquipment> {
    const equipment = { ...plain(body), name: name.trim() } as LabEquipment
    checkEquipment(equipment)
    await this.settings.changeList<LabEquipment>('equipment', (all) => [
      ...all.filter((each) => each.name !== equipment.name),
      equipment,
    ])
    this.live.tell({ kind: 'lab' })
    return equipment
  }

  @Delete(':name')
  @HttpCode(204)
  @ApiOperation({ summary: 'Take equipment off the list' })
  async drop(@Param('name') name: string): Promise<void> {
    let found = false
    await this.settings.changeList<LabEquipment>('equipment', (all) => {
      found = all.some((each) => each.name === name)
      return all.filter((each) => each.name !== name)
    })
    if (!found) throw new Refusal(404, 'no-such-equipment', `There is no ${name}.`, 'Reload the list.')
    this.live.tell({ kind: 'lab' })
  }
}
