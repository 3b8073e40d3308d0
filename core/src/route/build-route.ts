import { DomainError } from '../refusal/index.ts'
import type { StepSheet } from '../sheet/index.ts'
import type { Amount } from './amounts.ts'
import { ARCH_MATTER } from './arch-matter.ts'
import type { Check } from './checks.ts'
import { cautionsOf } from './hazards.ts'
import { pictureFor } from './pictures.ts'
import type { Conditional, Matter, Route, RouteStep, RouteTemplate, TemplateStep } from './route-template.ts'

type Choices = Readonly<Record<string, string>>

/**
 * Copies a template into a route with every choice made: steps, checks and amounts of other variants left out,
 * those marked "per arch" doubled for a pair, and `after` filled in (the step above, unless the template says).
 *
 * @param choices only the matters to be decided otherwise than usual
 * @throws {DomainError} `no-such-matter`, `no-such-choice`, `choice-does-not-fit`
 */
export function buildRoute(template: RouteTemplate, choices: Choices = {}): Route {
  const made = makeChoices(template, choices)
  const stands = (part: Conditional) => standsBeside(part, made)
  const archs = made[ARCH_MATTER] === 'pair' ? ['upper', 'lower'] : undefined
  const above = aboveEach(template.steps)
  const kept = new Set(template.steps.filter(stands).map((step) => step.id))
  const steps = template.steps.filter(stands).map((step): RouteStep => {
    const { when: _when, plan: _plan, howWhen, uses = [], checks, amounts, sheets, ...rest } = step
    const cautions = cautionsOf(uses, { ...step, amounts: amounts?.filter(stands) })
    const picture = step.picture ?? template.pictures[step.stage]
    return {
      ...rest,
      ...(cautions.length > 0 ? { cautions } : {}),
      ...(picture ? { picture: pictureFor(picture, made) } : {}),
      how: [...step.how, ...(howWhen ?? []).filter(stands).map(({ say }) => say)],
      after: keptBefore(step.id, above, kept),
      ...(checks ? { checks: perArch(checks.filter(stands), archs, nameForArch) } : {}),
      ...(amounts ? { amounts: perArch(amounts.filter(stands), archs, nameAmount) } : {}),
      ...(sheets ? { sheets: perArch(sheets.filter(stands), archs, nameForArch) } : {}),
    }
  })
  return {
    templateId: template.id,
    templateVersion: template.version,
    name: routeName(template, made),
    choices: made,
    ...(template.noDevice ? { noDevice: true } : {}),
    steps,
  }
}

function makeChoices(template: RouteTemplate, choices: Choices): Choices {
  for (const [matterId, choice] of Object.entries(choices)) {
    const matter = template.matters.find((m) => m.id === matterId)
    if (!matter)
      throw new DomainError(
        'no-such-matter',
        `${template.name} has no variant "${matterId}".`,
        `Choose among: ${template.matters.map((m) => m.id).join(', ') || 'none'}.`,
        'choices',
      )
    if (!matter.choices.some((c) => c.id === choice))
      throw new DomainError(
        'no-such-choice',
        `"${choice}" is no choice for ${matter.name.toLowerCase()}.`,
        `Choose one of: ${matter.choices.map((c) => c.id).join(', ')}.`,
        'choices',
      )
  }
  const made = fittingChoices(template, choices)
  for (const { id, name, choices: all } of template.matters)
    if (choices[id] !== undefined && made[id] !== choices[id])
      throw new DomainError(
        'choice-does-not-fit',
        `${name}: "${all.find((each) => each.id === choices[id])!.name}" does not go with the other choices.`,
        `Choose: ${choicesBeside(template, id, made)
          .map((each) => each.name)
          .join('; ')}.`,
        'choices',
      )
  return made
}

const standsBeside = ({ when = {} }: Conditional, made: Choices) =>
  Object.entries(when).every(([matter, wanted]) => wanted.includes(made[matter] ?? ''))

/** The choices of a matter that go with what is chosen above it. */
export function choicesBeside(template: RouteTemplate, matterId: string, made: Choices): Matter['choices'] {
  return template.matters
    .filter(({ id }) => id === matterId)
    .flatMap(({ choices }) => choices.filter((each) => standsBeside(each, made)))
}

/**
 * Every matter decided: as wished where that goes with the matters above it, else as usual, else the first way that does.
 */
export function fittingChoices(template: RouteTemplate, wished: Choices = {}): Choices {
  const made: Record<string, string> = {}
  for (const { id, usual } of template.matters) {
    const fitting = choicesBeside(template, id, made).map((each) => each.id)
    made[id] =
      [wished[id], usual].find((each) => each !== undefined && fitting.includes(each)) ?? fitting[0] ?? usual
  }
  return made
}

function routeName(template: RouteTemplate, made: Choices): string {
  const arch = template.matters.find((m) => m.id === ARCH_MATTER)
  const choice = arch?.choices.find((c) => c.id === made[ARCH_MATTER])
  return choice ? `${template.name}, ${choice.name.toLowerCase()}` : template.name
}

/** For each step of the template the steps before it: those it names, or the one written above it. */
function aboveEach(steps: readonly TemplateStep[]): ReadonlyMap<string, readonly string[]> {
  return new Map(
    steps.map((step, index) => {
      const previous = steps[index - 1]
      return [step.id, step.after ?? (previous ? [previous.id] : [])]
    }),
  )
}

/** The kept steps before a step, looking through those that this variant leaves out. */
function keptBefore(
  stepId: string,
  above: ReadonlyMap<string, readonly string[]>,
  kept: ReadonlySet<string>,
): string[] {
  const found = (above.get(stepId) ?? []).flatMap((id) => (kept.has(id) ? [id] : keptBefore(id, above, kept)))
  return [...new Set(found)]
}

function perArch<T extends (Check | Amount | StepSheet) & Conditional>(
  parts: readonly T[],
  archs: readonly string[] | undefined,
  rename: (part: T, arch: string) => T,
): T[] {
  return parts.flatMap((part) => {
    const { when: _when, perArch: doubled, ...rest } = part
    const clean = rest as T
    return doubled && archs ? archs.map((arch) => rename(clean, arch)) : [clean]
  })
}

const nameForArch = <T extends Check | StepSheet>(part: T, arch: string): T => ({
  ...part,
  id: `${part.id}-${arch}`,
  name: `${part.name}, ${arch}`,
})
const nameAmount = <T extends Amount>(amount: T, arch: string): T => ({
  ...amount,
  id: `${amount.id}-${arch}`,
  note: amount.note ? `${arch}: ${amount.note}` : arch,
})
