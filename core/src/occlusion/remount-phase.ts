import { type RemountPhase, type RemountSituation, remountPhases } from './remount-data.ts'

/** More than this after curing is for the dentist, mm (common practice). */
export const PIN_ASK_MILLIMETRES = 2
/** Pin on its table: nearer is not read, mm (choice). */
export const PIN_DOWN_MILLIMETRES = 0.05
export const LEAST_STOPS = 3
const MOST_STOPS_APART = 1

/** The bites that are looked at: where no balance is wanted, the sides are left out. */
export function phasesOf({ scheme = 'balanced' }: Pick<RemountSituation, 'scheme'>): readonly RemountPhase[] {
  return scheme === 'balanced'
    ? remountPhases
    : remountPhases.filter((each) => each !== 'right' && each !== 'left')
}
export const biteOf = (phase: RemountPhase) => (phase === 'centricAgain' ? 'centric' : phase)

/** Pin on its table and even stops: both, or centric is not done. */
export function centricIsRight({ pinMillimetres: p, posteriorStops: stops }: RemountSituation): boolean {
  return Math.abs(p) <= PIN_DOWN_MILLIMETRES && stops !== undefined && stopsAreRight(stops)
}
export const stopsAreRight = ({ right, left }: { readonly right: number; readonly left: number }) =>
  Math.min(right, left) >= LEAST_STOPS && Math.abs(right - left) <= MOST_STOPS_APART

/** The bite that is to be worked on. */
export function phaseOf(situation: RemountSituation): RemountPhase {
  if (!centricIsRight(situation)) return 'centric'
  const right = situation.foundRight ?? []
  const open = phasesOf(situation)
    .slice(1)
    .find((each) => !right.includes(each))
  return open ?? 'centricAgain'
}

/** Whether everything is as it should be: then the ground spots are smoothed. */
export function remountIsRight(situation: RemountSituation): boolean {
  return (
    centricIsRight(situation) &&
    phasesOf(situation)
      .slice(1)
      .every((each) => situation.foundRight?.includes(each))
  )
}
