import { DomainError } from '../refusal/index.ts'
import type { RouteTemplate } from './route-template.ts'

/**
 * A fixed job is made for teeth: without them nobody can say what.
 * @param teeth of the work authorisation, FDI
 * @throws {DomainError} `teeth-missing`
 */
export function mustHaveTeeth(
  { name, teeth: needed }: Pick<RouteTemplate, 'name' | 'teeth'>,
  teeth: readonly number[],
  field = 'authorisation.teeth',
): void {
  if (needed && teeth.length < needed.least)
    throw new DomainError(
      'teeth-missing',
      `"${name}" is made for ${needed.least === 1 ? 'a tooth' : `at least ${needed.least} teeth`}, and ${teeth.length === 0 ? 'none is' : `only ${teeth.length} are`} entered.`,
      needed.say,
      field,
    )
}
