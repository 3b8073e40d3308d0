import { Body, Controller, Get, Put } from '@nestjs/common'
import { ApiOperation, ApiProperty, ApiPropertyOptional, ApiTags } from '@nestjs/swagger'
import { buildRoute, DomainError, routeTemplates } from '@yentrik/core'
import { IsObject, IsOptional, IsString, Length, MaxLength } from 'class-validator'
import { LiveService } from '../live/live.service.ts'
import { type LabSettings, LabSettingsService } from './lab-settings.service.ts'

class LabSettingsDto {
  @ApiProperty({ example: 'Our laboratory' }) @IsString() @Length(1, 80) labName: string
  @ApiPropertyOptional({ example: '4 Mill Lane, Oldbridge' })
  @IsOptional()
  @IsString()
  @MaxLength(300)
  address?: string
  @ApiProperty({ type: Object, example: { 'study-cast': { base: 'one-pour' } } })
  @IsObject()
  variants: Record<string, Record<string, string>>
}

@ApiTags('lab')
@Controller('lab')
export class LabController {
  constructor(
    private readonly settings: LabSettingsService,
    private readonly live: LiveService,
  ) {}

  @Get()
  @ApiOperation({ summary: 'Name, hours and chosen variants of the lab' })
  lab(): Promise<LabSettings> {
    return this.settings.lab()
  }

  @Put()
  @ApiOperation({ summary: 'Change the name, the address or the usual variants' })
  async change(@Body() body: LabSettingsDto): Promise<LabSettings> {
    for (const [templateId, choices] of Object.entries(body.variants)) {
      const template = routeTemplates.get(templateId)
      if (!template)
        throw new DomainError(
          'no-such-template',
          `There is no job "${templateId}".`,
          'Choose one that exists.',
          'variants',
        )
      buildRoute(template, choices)
    }
    const { labName, variants, address } = body
    await this.settings.set('lab', {
      ...(await this.settings.lab()),
      labName,
      variants,
      ...(address === undefined ? {} : { address: address.trim() }),
    })
    this.live.tell({ kind: 'lab' })
    return this.settings.lab()
  }
}
