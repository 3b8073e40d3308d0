import { Controller } from '@nestjs/common'
import { type Call, Handles } from '../shapes/handles.ts'
import { DrillsService } from './drills.service.ts'
import { PracticeService } from './practice.service.ts'

@Controller()
export class PracticeController {
  constructor(
    private readonly practice: PracticeService,
    private readonly drills: DrillsService,
  ) {}

  @Handles('GET /drills')
  standings({ me }: Call<'GET /drills'>) {
    return this.drills.standings(me)
  }

  @Handles('POST /drills')
  done({ body, me }: Call<'POST /drills'>) {
    return this.drills.done(body, me)
  }

  @Handles('GET /practice')
  room({ me }: Call<'GET /practice'>) {
    return this.practice.room(me)
  }

  @Handles('POST /practice')
  begin({ body, me }: Call<'POST /practice'>) {
    return this.practice.begin(body, me)
  }

  @Handles('GET /practice/:practiceId')
  open({ path, me }: Call<'GET /practice/:practiceId'>) {
    return this.practice.open(path.practiceId, me)
  }

  @Handles('POST /practice/:practiceId/acts')
  act({ path, body, me }: Call<'POST /practice/:practiceId/acts'>) {
    return this.practice.act(path.practiceId, body, me)
  }

  @Handles('GET /practice/:practiceId/debrief')
  debrief({ path, me }: Call<'GET /practice/:practiceId/debrief'>) {
    return this.practice.debrief(path.practiceId, me)
  }

  @Handles('POST /practice/:practiceId/again')
  again({ path, body, me }: Call<'POST /practice/:practiceId/again'>) {
    return this.practice.again(path.practiceId, body.stepId, me)
  }

  @Handles('POST /practice/:practiceId/sign')
  sign({ path, me }: Call<'POST /practice/:practiceId/sign'>) {
    return this.practice.sign(path.practiceId, me)
  }
}
