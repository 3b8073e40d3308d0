import { Body, Controller, Delete, Get, HttpCode, Param, Post, Query } from '@nestjs/common'
import { ApiOperation, ApiProperty, ApiPropertyOptional, ApiTags } from '@nestjs/swagger'
import type { RememberedMix } from '@yentrik/core'
import { IsNumber, IsOptional, IsString, Length, Max, Min } from 'class-validator'
import type { MixClockRow } from '../database/entities.ts'
import type { Person } from '../people/people.service.ts'
import { Me } from '../people/session.guard.ts'
import { MixClocks } from './mix-clocks.service.ts'

class NewMixClockDto {
  @ApiProperty({ example: 'dental-stone' }) @IsString() @Length(1, 80) materialId: string
  @ApiPropertyOptional() @IsOptional() @IsString() @Length(1, 80) productId?: string
  @ApiProperty({ example: 1, description: "On the pack's setting time" })
  @IsNumber()
  @Min(0.1)
  @Max(20)
  settingFactor: number
  @ApiPropertyOptional() @IsOptional() @IsString() @Length(1, 80) caseId?: string
  @ApiPropertyOptional() @IsOptional() @IsString() @Length(1, 24) docket?: string
}
class SimilarMixQuery {
  @ApiProperty() @IsString() @Length(1, 80) materialId: string
  @ApiPropertyOptional() @IsOptional() @IsString() @Length(1, 80) stepId?: string
  @ApiPropertyOptional() @IsOptional() @IsString() @Length(1, 80) amountId?: string
}

@ApiTags('mixing')
@Controller('mixing')
export class MixClocksController {
  constructor(private readonly clocks: MixClocks) {}

  @Get('clocks')
  @ApiOperation({ summary: 'Mixes whose clock runs' })
  all(): Promise<MixClockRow[]> {
    return this.clocks.all()
  }

  @Post('clocks')
  @ApiOperation({ summary: 'Powder meets liquid now' })
  start(@Body() mix: NewMixClockDto, @Me() me: Person): Promise<MixClockRow> {
    return this.clocks.start(mix, me.name)
  }

  @Delete('clocks/:clockId')
  @HttpCode(204)
  @ApiOperation({ summary: 'Put a clock away' })
  putAway(@Param('clockId') clockId: string): Promise<void> {
    return this.clocks.putAway(clockId)
  }

  @Get('remembered')
  @ApiOperation({ summary: 'What this lab weighed for the same thing before: the median and how many' })
  async remembered(@Query() query: SimilarMixQuery): Promise<{ remembered: RememberedMix | null }> {
    return { remembered: (await this.clocks.remembered(query)) ?? null }
  }
}
