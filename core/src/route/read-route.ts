import { buildRoute } from './build-route.ts'
import type { Check } from './checks.ts'
import { pictureFor } from './pictures.ts'
import type { Route, RouteStep, RouteTemplate } from './route-template.ts'

/**
 * A route that a case was given, with what it does not say of itself yet: what its steps look like, which instrument and
 * machine serve them, what they mean to those who read the record. Such words came later than many routes; they are taken
 * from the template of today, by the ids that both have. What is to be done stays as it was given out.
 */
export function readRoute(route: Route, templates: ReadonlyMap<string, RouteTemplate>): Route {
  const template = templates.get(route.templateId)
  if (!template || template.version === route.templateVersion) return route
  const known = new Map(buildRoute(template, choicesOf(template, route)).steps.map((step) => [step.id, step]))
  return {
    ...route,
    ...(template.noDevice ? { noDevice: true } : {}),
    steps: route.steps.map((step) => withMeaning(step, known.get(step.id), template, route.choices)),
  }
}

/** The choices of a route that its template still offers. */
function choicesOf(template: RouteTemplate, { choices }: Route): Record<string, string> {
  return Object.fromEntries(
    template.matters.flatMap((matter) => {
      const choice = choices[matter.id]
      return matter.choices.some(({ id }) => id === choice) ? [[matter.id, choice!]] : []
    }),
  )
}

function withMeaning(
  step: RouteStep,
  today: RouteStep | undefined,
  { pictures, formerMeanings = {} }: RouteTemplate,
  choices: Route['choices'],
): RouteStep {
  const usual = pictures[step.stage]
  const picture = step.picture ?? today?.picture ?? (usual && pictureFor(usual, choices))
  const instrument = step.instrument ?? today?.instrument
  const machine = step.machine ?? today?.machine
  const means = step.means ?? today?.means
  return {
    ...step,
    ...(picture ? { picture } : {}),
    ...(instrument ? { instrument } : {}),
    ...(machine ? { machine } : {}),
    ...(means ? { means } : {}),
    ...(step.checks ? { checks: step.checks.map((check) => checkWithMeaning(check)) } : {}),
  }

  function checkWithMeaning(check: Check): Check {
    const meaning =
      check.means ??
      today?.checks?.find(({ id }) => id === check.id)?.means ??
      formerMeanings[check.id.replace(/-(upper|lower)$/, '')]
    return meaning ? { ...check, means: meaning } : check
  }
}
