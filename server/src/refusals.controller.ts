import { Controller } from '@nestjs/common'
import { Refusal } from './errors/problem.filter.ts'
import { explainedRefusals } from './errors/refusals.generated.ts'
import { type Call, Handles } from './shapes/handles.ts'

const byCode = new Map(explainedRefusals.map((each) => [each.code, each]))

/** The catalogue of refusals: where the `type` of every problem leads. */
@Controller()
export class RefusalsController {
  @Handles('GET /refusals')
  all() {
    return explainedRefusals
  }

  @Handles('GET /refusals/:code')
  one({ path: { code } }: Call<'GET /refusals/:code'>) {
    const found = byCode.get(code)
    if (!found)
      throw new Refusal(
        404,
        'no-such-refusal',
        `There is no refusal "${code}".`,
        'Look at /api/refusals for all of them.',
      )
    return found
  }
}
