import { Body, Controller, Delete, Get, Inject, Post, Req, Res } from '@nestjs/common'
import { ApiOperation, ApiProperty, ApiTags } from '@nestjs/swagger'
import { IsIn, IsString, Length, MaxLength, MinLength } from 'class-validator'
import type { Request, Response } from 'express'
import { Refusal } from '../errors/problem.filter.ts'
import { SETTINGS, type ServerSettings } from '../settings/server-settings.ts'
import { PeopleService, type Person, type Role } from './people.service.ts'
import { Me, Public, SESSION_COOKIE } from './session.guard.ts'

class SignInDto {
  @ApiProperty({ example: 'Ilse' }) @IsString() @Length(1, 40) name: string
  @ApiProperty({ example: 'plaster before noon' }) @IsString() @MaxLength(200) passphrase: string
}

class NewPersonDto {
  @ApiProperty({ example: 'Ilse' }) @IsString() @Length(1, 40) name: string
  @ApiProperty({ enum: ['technician', 'lead', 'learner'] })
  @IsIn(['technician', 'lead', 'learner'])
  role: Role
  @ApiProperty({ example: 'plaster before noon' })
  @IsString()
  @MinLength(8)
  @MaxLength(200)
  passphrase: string
}

@ApiTags('people')
@Controller()
export class PeopleController {
  constructor(
    private readonly people: PeopleService,
    @Inject(SETTINGS) private readonly settings: ServerSettings,
  ) {}

  @Public()
  @Get('session')
  @ApiOperation({ summary: 'Who is signed in, and whether anybody has an account yet' })
  async session(@Me() person: Person | undefined) {
    const people = await this.people.all()
    return {
      person: person ?? null,
      firstStart: people.length === 0,
      demo: this.settings.demo,
      names: person ? people.map((p) => p.name) : [],
    }
  }

  @Public()
  @Post('session')
  @ApiOperation({ summary: 'Sign in' })
  async signIn(
    @Body() { name, passphrase }: SignInDto,
    @Res({ passthrough: true }) response: Response,
  ): Promise<Person> {
    const { token, person } = await this.people.signIn(name, passphrase)
    response.cookie(SESSION_COOKIE, token, {
      httpOnly: true,
      sameSite: 'strict',
      path: '/',
      maxAge: 30 * 24 * 3600 * 1000,
    })
    return person
  }

  @Delete('session')
  @ApiOperation({ summary: 'Sign out' })
  async signOut(@Req() request: Request, @Res({ passthrough: true }) response: Response): Promise<void> {
    const token: string | undefined = request.cookies?.[SESSION_COOKIE]
    if (token) await this.people.signOut(token)
    response.clearCookie(SESSION_COOKIE, { path: '/' })
  }

  @Public()
  @Post('people')
  @ApiOperation({ summary: 'Add a person: the first one at the first start, later ones by the lab lead' })
  async add(@Body() body: NewPersonDto, @Me() person: Person | undefined): Promise<Person> {
    const first = (await this.people.all()).length === 0
    if (!first && person?.role !== 'lead')
      throw new Refusal(403, 'lead-only', 'Only the lab lead adds people.', 'Ask the lab lead.')
    return this.people.add(body.name.trim(), first ? 'lead' : body.role, body.passphrase)
  }
}
