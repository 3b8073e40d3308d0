import { Body, Controller, Get, Param, Post, Query } from '@nestjs/common'
import { ApiOperation, ApiPropertyOptional, ApiTags } from '@nestjs/swagger'
import type { CaseCommand, CaseEvent, CaseSummary, CustomMadeStatement } from '@yentrik/core'
import { IsIn, IsOptional } from 'class-validator'
import type { Person } from '../people/people.service.ts'
import { Me } from '../people/session.guard.ts'
import { CommandRequestDto } from './case-command.dto.ts'
import { type CaseDocument, caseDocumentSchema } from './case-document.schema.ts'
import { CaseDocuments } from './case-documents.service.ts'
import { type CaseRecord, CasesService } from './cases.service.ts'
import { IntakeDto } from './intake.dto.ts'

class CaseListQuery {
  @ApiPropertyOptional({ enum: ['live', 'closed', 'all'] })
  @IsOptional()
  @IsIn(['live', 'closed', 'all'])
  which?: 'live' | 'closed' | 'all'
}

@ApiTags('cases')
@Controller()
export class CasesController {
  constructor(
    private readonly cases: CasesService,
    private readonly documents: CaseDocuments,
  ) {}

  @Get('cases')
  @ApiOperation({ summary: 'Every case in short' })
  list(@Query() { which = 'live' }: CaseListQuery): Promise<CaseSummary[]> {
    return this.cases.summaries(which)
  }

  @Post('cases')
  @ApiOperation({ summary: 'Take a case in' })
  receive(@Body() intake: IntakeDto, @Me() me: Person): Promise<CaseRecord> {
    return this.cases.receive(intake, me.name)
  }

  @Get('dockets/:docket')
  @ApiOperation({ summary: 'The case of a docket code' })
  byDocket(@Param('docket') docket: string): Promise<{ caseId: string }> {
    return this.cases.byDocket(docket)
  }

  @Post('cases/import')
  @ApiOperation({ summary: 'Take in a whole case that another lab, or this one, has exported' })
  import(@Body() document: Record<string, unknown>): Promise<CaseRecord> {
    return this.documents.import(document)
  }

  @Get('schema/case.json')
  @ApiOperation({ summary: 'JSON Schema of an exported case' })
  schema(): object {
    return caseDocumentSchema
  }

  @Get('cases/:caseId')
  @ApiOperation({ summary: 'A case: its events and the routes they name' })
  record(@Param('caseId') caseId: string): Promise<CaseRecord> {
    return this.cases.record(caseId)
  }

  @Get('cases/:caseId/document')
  @ApiOperation({ summary: 'The whole case as one JSON document' })
  export(@Param('caseId') caseId: string): Promise<CaseDocument> {
    return this.documents.export(caseId)
  }

  @Get('cases/:caseId/jobs/:jobId/statement')
  @ApiOperation({
    summary: 'The statement on a custom-made device, from the record; a template, local law decides',
  })
  statement(@Param('caseId') caseId: string, @Param('jobId') jobId: string): Promise<CustomMadeStatement> {
    return this.documents.statement(caseId, jobId)
  }

  @Post('cases/:caseId/events')
  @ApiOperation({ summary: 'Do something on a case; 409 when somebody did something since' })
  command(
    @Param('caseId') caseId: string,
    @Body() { seen, command }: CommandRequestDto,
    @Me() me: Person,
  ): Promise<CaseEvent> {
    return this.cases.command(caseId, seen, command as unknown as CaseCommand, me.name)
  }
}
