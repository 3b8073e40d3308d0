import { type EventOfType, recordedSheet, stepOf } from '../case/index.ts'
import { readingOutcome } from '../route/index.ts'
import { judgeSheet, type Outcome } from '../sheet/index.ts'
import type { Defect, ShownAt } from './defect.ts'
import { gravity, isDecided, isSeenSheet } from './faults.ts'
import { type Decision, jobOf, minuteOf, type World } from './truth.ts'

type Entry = EventOfType<'checkRecorded'> | EventOfType<'sheetRecorded'>

/** Whether a defect is really there: what was mended is gone. */
export const isThere = ({ state, bornAt }: Defect): boolean =>
  bornAt !== undefined && (state === 'live' || state === 'found')

/** The signs that are there at a check or a sheet of a step. */
export function signsThere(
  world: World,
  stepId: string,
  checkId: string,
  tooth: number | undefined,
): readonly { readonly defect: Defect; readonly sign: ShownAt }[] {
  return world.defects
    .filter(isThere)
    .flatMap((defect) =>
      defect.shows
        .filter((each) => each.stepId === stepId && each.checkId === checkId && each.tooth === tooth)
        .map((sign) => ({ defect, sign })),
    )
}

/**
 * Holds an entry of the learner against the truth.
 * @returns the world with its decision, and whether something was set right on the spot
 */
export function judgeEntry(
  world: World,
  entry: Entry,
): { readonly world: World; readonly setRight: boolean } {
  const given = outcomeOf(world, entry)
  if (!given) return { world, setRight: false }
  const checkId = entry.type === 'checkRecorded' ? entry.checkId : entry.sheetId
  const tooth = entry.type === 'checkRecorded' ? entry.tooth : undefined
  const there = signsThere(world, entry.stepId, checkId, tooth)
  const minute = minuteOf(world)
  const said = gravity(given)
  const was = (sign: ShownAt): Decision['was'] =>
    said === 0 ? 'missed' : said >= gravity(sign.outcome) ? 'found' : 'weak'
  const judged = new Map(there.map(({ defect, sign }) => [defect.id, was(sign)] as const))
  const best = ['found', 'weak', 'missed'].find((each) => [...judged.values()].includes(each as never))
  const decision: Decision = {
    stepId: entry.stepId,
    checkId,
    ...(tooth === undefined ? {} : { tooth }),
    attempt: jobOf(world).steps[entry.stepId]!.attempt,
    minute,
    was: (best as Decision['was'] | undefined) ?? (said === 0 ? 'rightPass' : 'falseAlarm'),
    defects: [...judged.keys()],
  }
  const setRight = given.verdict === 'adjust'
  const defects = world.defects.map((defect) => {
    const how = judged.get(defect.id)
    return how ? afterEntry(defect, how, { minute, stepId: entry.stepId, setRight }) : defect
  })
  return { world: { ...world, defects, decisions: [...world.decisions, decision] }, setRight }
}

function afterEntry(
  defect: Defect,
  how: Decision['was'],
  {
    minute,
    stepId,
    setRight,
  }: { readonly minute: number; readonly stepId: string; readonly setRight: boolean },
): Defect {
  if (how === 'missed') return { ...defect, state: 'live', missed: true }
  const noticed = { foundAt: defect.foundAt ?? minute, foundIn: defect.foundIn ?? stepId }
  if (how === 'weak') return { ...defect, ...noticed, weak: true }
  return { ...defect, ...noticed, state: setRight ? 'mended' : 'found' }
}

/** What the entry comes to; undefined where it is the learner's own decision, which the causes judge. */
function outcomeOf(world: World, entry: Entry): Outcome | undefined {
  const job = jobOf(world)
  const step = stepOf(job, entry.stepId)
  if (entry.type === 'checkRecorded') {
    const check = step.checks?.find(({ id }) => id === entry.checkId)
    return check && !isDecided(check) ? readingOutcome(check, entry) : undefined
  }
  const sheet = step.sheets?.find(({ id }) => id === entry.sheetId)
  return sheet && isSeenSheet(sheet)
    ? judgeSheet(sheet, entry.sheet, (of) => recordedSheet(job, of)).outcome
    : undefined
}

/** Steps that are open again are done again: what was born in them is gone, and what going back cost is counted. */
export function afterGoingBack(before: World, after: World): World {
  const [was, is] = [jobOf(before), jobOf(after)]
  const opened = is.route.steps.filter(
    ({ id }) => is.steps[id]!.status === 'waiting' && was.steps[id] && was.steps[id].status !== 'waiting',
  )
  if (opened.length === 0) return after
  const ids = new Set(opened.map(({ id }) => id))
  const minutes = opened.reduce((sum, step) => sum + step.handsOnMinutes + (step.waitMinutes ?? 0), 0)
  const found = after.defects.filter(({ state, bornStep }) => state === 'found' && ids.has(bornStep))
  return {
    ...after,
    wentBackRightly: found.length > 0,
    defects: after.defects.map((each) => {
      const gone = isThere(each) && ids.has(each.bornStep) && each.bornBy !== 'arrived'
      const cost = found.includes(each)
        ? { costMinutes: (each.costMinutes ?? 0) + minutes / found.length }
        : {}
      return gone ? { ...each, ...cost, state: 'mended' as const, goneAt: minuteOf(after) } : each
    }),
  }
}
