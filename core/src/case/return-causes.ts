import type { Route, Stage } from '../route/index.ts'

/** Why work comes back, and where in the house that is usually put right (common practice). */
export const returnCauses = {
  fit: { name: 'Does not fit', from: ['pour', 'receive'], say: 'A new impression is poured.' },
  bite: { name: 'Bite is wrong', from: ['mount', 'remount', 'finish'], say: 'It is mounted anew.' },
  looks: {
    name: 'Teeth, shade or shape',
    from: ['setUp', 'wax', 'finish'],
    say: 'It is set up or waxed anew.',
  },
  hold: {
    name: 'Loose, or too tight',
    from: ['finish', 'wax'],
    say: 'What holds is adjusted, or made anew.',
  },
  broken: { name: 'Broken or cracked', from: ['wax', 'flask', 'finish'], say: 'It is waxed and made anew.' },
  surface: { name: 'Rough, dull or porous', from: ['finish', 'polish'], say: 'It is finished again.' },
  order: { name: 'Not as ordered', from: ['receive'], say: 'From the order on.' },
  other: { name: 'Something else', from: ['finish', 'receive'], say: 'Choose where it begins.' },
} as const satisfies Readonly<
  Record<string, { readonly name: string; readonly from: readonly Stage[]; readonly say: string }>
>
/** Working days that are usually given for putting something right (choice). */
export const RETURN_USUAL_DAYS = 3
export type ReturnCause = keyof typeof returnCauses
export const returnCauseIds = Object.keys(returnCauses) as readonly ReturnCause[]

type Step = Route['steps'][number]
/** What is done with everything that comes in: the order read, all of it disinfected. */
export const isArrival = ({ means }: Step) => means === 'authorisationRead' || means === 'arrivalDisinfected'

/** Where a job usually begins again for a cause: its first step of the stage that puts it right; else its first step. */
export function usualReturnStep({ steps }: Route, cause: ReturnCause): string {
  const from: readonly Stage[] = returnCauses[cause].from
  const [first] = from.flatMap(
    (stage) => steps.find((step) => step.stage === stage && !isArrival(step))?.id ?? [],
  )
  return first ?? steps[0]!.id
}

/** The route as it was, but that nothing begins before what came is read and disinfected. */
export function routeBack(route: Route, fromStepId: string): Route {
  const arrivals = route.steps.filter((step) => isArrival(step) && step.id !== fromStepId).map(({ id }) => id)
  return {
    ...route,
    steps: route.steps.map((step) =>
      step.id === fromStepId && !isArrival(step)
        ? { ...step, after: [...new Set([...step.after, ...arrivals])] }
        : step,
    ),
  }
}
