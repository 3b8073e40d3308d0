import { applyDecorators } from '@nestjs/common'
import { ApiProperty } from '@nestjs/swagger'
import { Type } from 'class-transformer'
import { ArrayMaxSize, IsArray, IsNumber, IsObject, ValidateNested } from 'class-validator'

type Shape = () => new () => object

/** A part with a shape of its own that must be there: checked to its leaves, and refused when it is left out. */
export const Nested = (shape: Shape) =>
  applyDecorators(ApiProperty({ type: shape }), IsObject(), ValidateNested(), Type(shape))

/** A list of such parts. */
export const NestedList = (shape: Shape, most: number) =>
  applyDecorators(
    ApiProperty({ type: shape, isArray: true }),
    IsArray(),
    ArrayMaxSize(most),
    ValidateNested({ each: true }),
    Type(shape),
  )

/** A number that must be there, with an example for the description. */
export const Figure = (example: number, description?: string) =>
  applyDecorators(ApiProperty({ example, description }), IsNumber())
