import {
  type CeramicClass,
  ceramicFigures,
  countsAsFiring,
  type Firing,
  type FiringRun,
  firingProgram,
  type JobState,
  type ProgramSegment,
  stepMeaning,
  type TemperatureProgram,
} from '@yentrik/core'
import { attempt } from '../parts/attempt.ts'
import { readNumber } from '../parts/read-number.ts'
import type { Typed } from '../parts/typed-figures.ts'
import { readSegments, type SegmentDraft, typedSegment } from '../program/program-draft.ts'

export interface FiringDraft {
  readonly ceramic: CeramicClass
  readonly firing: Firing
  /** `wall`, mm; `units`; `before`, peak of the firing before, °C. */
  readonly figures: Typed
  readonly dried: 'yes' | 'no'
  readonly infiltrated: 'yes' | 'no'
  readonly bridge: 'yes' | 'no'
  /** The lines as they were changed; none: as proposed. */
  readonly segments: readonly SegmentDraft[]
  /** HH:MM; empty: as soon as the furnace is free. */
  readonly readyBy: string
}

/** What a sheet needs to know of a firing beyond its curve. */
export type FiringFacts = Pick<
  FiringRun,
  | 'ceramic'
  | 'firing'
  | 'peakCelsius'
  | 'wallMillimetres'
  | 'units'
  | 'dried'
  | 'firingNumber'
  | 'showsTooMuchCelsius'
>

export const firingUnits: Readonly<Record<string, string>> = { wall: 'mm', units: '', before: '°C' }

/** What is fired first of a class. */
const firstFiring = (ceramic: CeramicClass): Firing =>
  ceramicFigures[ceramic].crystallises ? 'crystallise' : 'stain'

export const firingStart: FiringDraft = {
  ceramic: 'disilicate',
  firing: firstFiring('disilicate'),
  figures: { wall: '1.5', units: '1' },
  dried: 'yes',
  infiltrated: 'no',
  bridge: 'no',
  segments: [],
  readyBy: '',
}

/** To begin with, for a step of a case: its class, its firing, its wall, whether it was dried. */
export function firingFor(job: JobState, firing: Firing): FiringDraft {
  const ceramic = job.route.choices.ceramic as CeramicClass
  const wall = thinnestOf(job)
  const dried = stepMeaning(job, firing === 'sinter' ? 'greenDried' : 'ceramicDried')?.state.status
  return {
    ...firingStart,
    ceramic,
    firing,
    figures: { wall: String(Math.max(1.5, wall ?? 0)), units: '1' },
    // Drying is what makes it dry.
    dried: firing === 'dry' ? 'no' : firing === 'crystallise' || dried === 'done' ? 'yes' : 'no',
    infiltrated: job.route.choices.infiltration === 'liquid' ? 'yes' : 'no',
  }
}

function thinnestOf({ steps }: JobState): number | undefined {
  const read = Object.values(steps).flatMap(({ readings }) =>
    readings.flatMap(({ checkId, value }) =>
      checkId === 'thinnest-wall' && value !== undefined ? [value] : [],
    ),
  )
  return read.at(-1)
}

/** Which firing of its piece the one of a step would be: those of other steps and of attempts before count too. */
export function firingNumber({ route, steps }: JobState, stepId: string): number {
  let before = 0
  for (const { id, sheets = [] } of route.steps) {
    const sheet = sheets.find(({ kind }) => kind === 'firing')
    if (sheet?.kind !== 'firing' || !countsAsFiring(sheet.firing)) continue
    const { attempt: tries, sheets: recorded } = steps[id]!
    before += tries - 1 + (id !== stepId && recorded.some(({ sheetId }) => sheetId === sheet.id) ? 1 : 0)
  }
  return before + 1
}

const figureOf = ({ figures }: FiringDraft, key: string) =>
  readNumber(figures[key] ?? '', firingUnits[key] ?? '', { wanted: key !== 'before' }).value

/** The load as typed; undefined while a figure is missing. */
export function loadOf(draft: FiringDraft) {
  const [wallMillimetres, units] = [figureOf(draft, 'wall'), figureOf(draft, 'units')]
  if (wallMillimetres === undefined || units === undefined) return undefined
  const peakBefore = figureOf(draft, 'before')
  return {
    ceramic: draft.ceramic,
    firing: draft.firing,
    wallMillimetres,
    units: Math.round(units),
    infiltrated: draft.infiltrated === 'yes',
    bridge: draft.bridge === 'yes',
    ...(peakBefore === undefined ? {} : { peakBefore }),
  }
}

/** The program proposed for the load, or why there is none. */
export function proposedFor(draft: FiringDraft) {
  const load = loadOf(draft)
  return load ? attempt(() => firingProgram(load)) : {}
}

/** The lines as they are shown: as proposed, as long as nobody has changed them. */
export function shownSegments(draft: FiringDraft): readonly SegmentDraft[] {
  return draft.segments.length > 0
    ? draft.segments
    : (proposedFor(draft).answer?.segments.map(typedSegment) ?? [])
}

/** The program as it is wanted inside the furnace; or what is wrong with which line. */
export function wantedProgram(draft: FiringDraft): {
  readonly program?: TemperatureProgram
  readonly wrong?: string
} {
  const proposed = proposedFor(draft).answer
  // Unchanged it is taken as it was worked out: a line shows its figures rounded.
  if (draft.segments.length === 0) return proposed ? { program: proposed } : {}
  const { segments, wrong } = readSegments(draft.segments)
  if (!segments) return { wrong }
  return {
    program: { startCelsius: proposed?.startCelsius ?? 25, segments: segments as readonly ProgramSegment[] },
  }
}

/** As hot as it gets. */
export const peakOf = ({ segments }: TemperatureProgram): number =>
  Math.max(...segments.map(({ toCelsius }) => toCelsius))

/** What a sheet needs to know of a firing beyond its curve; undefined while a figure is missing. */
export function factsOf(
  draft: FiringDraft,
  number: number,
  showsTooMuchCelsius: number,
): FiringFacts | undefined {
  const { program } = wantedProgram(draft)
  const load = loadOf(draft)
  return program && load
    ? {
        ceramic: draft.ceramic,
        firing: draft.firing,
        peakCelsius: peakOf(program),
        wallMillimetres: load.wallMillimetres,
        units: load.units,
        dried: draft.dried === 'yes',
        firingNumber: number,
        showsTooMuchCelsius,
      }
    : undefined
}
