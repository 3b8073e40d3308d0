import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger'
import { type RoomPlace, roomPlaces } from '@yentrik/core'
import { IsIn, IsNumber, IsOptional, IsString, Length } from 'class-validator'

export class RoomSiteDto {
  @ApiProperty({ example: 'Functional cusp' }) @IsString() @Length(1, 120) name: string
  @ApiProperty({ enum: roomPlaces }) @IsIn(roomPlaces) place: RoomPlace
  @ApiProperty({ example: 1.9 }) @IsNumber() roomMillimetres: number
  @ApiProperty({ example: 0.2 }) @IsNumber() greenMillimetres: number
  @ApiProperty({ example: 0.3 }) @IsNumber() resinMillimetres: number
}

export class RegionSeenDto {
  @ApiProperty({ example: 'margins' }) @IsString() @Length(1, 40) region: string
  @ApiPropertyOptional({ example: 'Too flat', description: 'Left out: good' })
  @IsOptional()
  @IsString()
  @Length(1, 80)
  fault?: string
}
