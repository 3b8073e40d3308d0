import { Controller } from '@nestjs/common'
import { caseDocumentShape } from '@yentrik/contract'
import { rightOfCommand } from '@yentrik/core'
import { mustHave } from '../people/session.guard.ts'
import { type Call, Handles } from '../shapes/handles.ts'
import { CaseDocuments } from './case-documents.service.ts'
import { CasesService } from './cases.service.ts'

@Controller()
export class CasesController {
  constructor(
    private readonly cases: CasesService,
    private readonly documents: CaseDocuments,
  ) {}

  @Handles('GET /cases')
  list({ query: { which = 'live' } }: Call<'GET /cases'>) {
    return this.cases.summaries(which)
  }

  @Handles('POST /cases')
  receive({ body, me }: Call<'POST /cases'>) {
    return this.cases.receive(body, me.name)
  }

  @Handles('POST /cases/:caseId/return')
  takeBack({ path, body, me }: Call<'POST /cases/:caseId/return'>) {
    return this.cases.takeBack(path.caseId, body, me.name)
  }

  @Handles('GET /dockets/:docket')
  byDocket({ path }: Call<'GET /dockets/:docket'>) {
    return this.cases.byDocket(path.docket)
  }

  @Handles('POST /cases/import')
  import({ body, me }: Call<'POST /cases/import'>) {
    return this.documents.import(body, me.name)
  }

  @Handles('GET /cases/:caseId/chain')
  chain({ path }: Call<'GET /cases/:caseId/chain'>) {
    return this.cases.chain(path.caseId)
  }

  @Handles('GET /schema/case.json')
  schema() {
    return {
      $schema: 'http://json-schema.org/draft-07/schema#',
      $id: 'https://yentrik.example/schema/case.json',
      ...caseDocumentShape,
    }
  }

  @Handles('GET /cases/:caseId')
  record({ path }: Call<'GET /cases/:caseId'>) {
    return this.cases.record(path.caseId)
  }

  @Handles('GET /cases/:caseId/events')
  eventsSince({ path, query }: Call<'GET /cases/:caseId/events'>) {
    return this.cases.record(path.caseId, Number(query.after))
  }

  @Handles('GET /cases/:caseId/summary')
  summary({ path }: Call<'GET /cases/:caseId/summary'>) {
    return this.cases.summary(path.caseId)
  }

  @Handles('GET /cases/:caseId/document')
  export({ path }: Call<'GET /cases/:caseId/document'>) {
    return this.documents.export(path.caseId)
  }

  @Handles('GET /cases/:caseId/jobs/:jobId/statement')
  statement({ path }: Call<'GET /cases/:caseId/jobs/:jobId/statement'>) {
    return this.documents.statement(path.caseId, path.jobId)
  }

  @Handles('POST /cases/:caseId/events')
  command({ path, body: { seen, command, key, doneAt }, me }: Call<'POST /cases/:caseId/events'>) {
    mustHave(me, rightOfCommand(command))
    return this.cases.command(path.caseId, seen, command, me.name, { key, doneAt })
  }
}
