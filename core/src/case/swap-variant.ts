import { buildRoute, type RouteStep } from '../route/index.ts'
import type { CommandContext, CommandOf } from './case-command.ts'
import type { CaseEventData } from './case-event.ts'
import { refuse, sentence } from './refuse.ts'
import { routeBack } from './return-causes.ts'
import type { JobState } from './state.ts'

/**
 * Another way for what has not begun.
 * @throws {DomainError} `no-such-template`, `variant-too-late`, `words-missing`; as `buildRoute`
 */
export function swapVariant(
  job: JobState,
  command: CommandOf<'swapVariant'>,
  { templates, routeIdOf }: CommandContext,
): CaseEventData {
  const template = templates.get(job.route.templateId)
  if (!template)
    refuse(
      'no-such-template',
      `There is no route template ${job.route.templateId} any more.`,
      'Keep the route as it is.',
    )
  const built = buildRoute(template, { ...job.route.choices, [command.matter]: command.choice })
  const comesFirst = job.fromStepId !== undefined && built.steps.some(({ id }) => id === job.fromStepId)
  const route = comesFirst ? routeBack(built, job.fromStepId!) : built
  for (const step of job.route.steps) {
    const touched = job.steps[step.id]!.status !== 'waiting'
    if (touched && workOf(route.steps.find(({ id }) => id === step.id)) !== workOf(step))
      refuse(
        'variant-too-late',
        `"${step.name}" would change, and it has been begun.`,
        'Go back to before it, then change the variant.',
        'choice',
      )
  }
  return {
    ...command,
    type: 'variantSwapped',
    routeId: routeIdOf(route),
    reason: sentence(command.reason, 'reason', 'why it is changed'),
  }
}

/** What is to be done on a step, to be compared: how it is drawn and read later does not count. */
function workOf(step: RouteStep | undefined): string {
  return JSON.stringify(step, (key, value: unknown) =>
    ['picture', 'instrument', 'machine', 'means'].includes(key) ? undefined : value,
  )
}
