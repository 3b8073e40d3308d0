import { Body, Controller, Get, HttpCode, Param, Post } from '@nestjs/common'
import { ApiOperation, ApiProperty, ApiPropertyOptional, ApiTags } from '@nestjs/swagger'
import { type MaterialCard, materials, type RouteTemplate, routeTemplates } from '@yentrik/core'
import { IsBoolean, IsOptional, IsString, Length, Matches } from 'class-validator'
import { LotRow } from '../database/entities.ts'
import { LotsService } from './lots.service.ts'

class NewLotDto {
  @ApiProperty({ example: 'dental-stone' }) @IsString() @Length(1, 80) materialId: string
  @ApiProperty({ example: '24-0817' }) @IsString() @Length(1, 60) @Matches(/\S/) number: string
  @ApiPropertyOptional({ example: '2028-05-01' })
  @IsOptional()
  @Matches(/^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, {
    message: 'the expiry date is written YYYY-MM-DD',
  })
  expiresOn?: string
}
class LotUseDto {
  @ApiProperty() @IsBoolean() inUse: boolean
}

@ApiTags('materials')
@Controller()
export class MaterialsController {
  constructor(private readonly lots: LotsService) {}

  @Get('materials')
  @ApiOperation({ summary: 'Material cards with their sources' })
  cards(): MaterialCard[] {
    return [...materials.values()]
  }

  @Get('route-templates')
  @ApiOperation({ summary: 'Route templates: every job, step, check and variant' })
  templates(): RouteTemplate[] {
    return [...routeTemplates.values()]
  }

  @Get('lots')
  @ApiOperation({ summary: 'Lots on the shelf' })
  all(): Promise<LotRow[]> {
    return this.lots.all()
  }

  @Post('lots')
  @ApiOperation({ summary: 'Take a lot onto the shelf' })
  receive(@Body() { materialId, number, expiresOn }: NewLotDto): Promise<LotRow> {
    return this.lots.receive(materialId, number, expiresOn)
  }

  @Post('lots/:lotId/use')
  @HttpCode(204)
  @ApiOperation({ summary: 'Mark a lot used up, or in use again' })
  use(@Param('lotId') lotId: string, @Body() { inUse }: LotUseDto): Promise<void> {
    return this.lots.setInUse(lotId, inUse)
  }
}
