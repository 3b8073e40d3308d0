import {
  type ChartPoint,
  choice,
  type Findings,
  id,
  instant,
  type LabEvent,
  labDeedShape,
  maybe,
  type QualityFigures,
  qualityTables,
  record,
  type SeriesChart,
  text,
  type Unknown,
  whole,
  words,
} from '@yentrik/core'
import { result, results, route } from './route.ts'

/** What the lab's own record says, and what is needed to put it into words. */
export interface QualityShown {
  readonly figures: QualityFigures
  readonly unknowns: readonly Unknown[]
  /** Of the lots that are compared: their numbers and materials. */
  readonly lots: Readonly<Record<string, { readonly number: string; readonly materialId: string }>>
  /** Everything in it is invented. */
  readonly isDemo: boolean
}
/** A chart with every value in it. */
export interface ChartShown extends Omit<SeriesChart, 'points'> {
  readonly points: readonly ChartPoint[]
  /** The numbers of the lots that its values are from. */
  readonly lots: Readonly<Record<string, string>>
}
/** How often each cause of a fault was found in this lab. */
export interface FaultFindings {
  readonly place: string
  readonly fault: string
  readonly found: Findings
}

const periodShape = record({
  from: maybe(instant({ description: 'Left out: the first of this month' })),
  until: maybe(instant({ description: 'Left out: now' })),
})

export const qualityRoutes = {
  'GET /quality': route({
    room: 'quality',
    summary: "What the lab's own record says of a period: every figure with its count and its interval",
    query: periodShape,
    answer: result<QualityShown>('Figures of a period, and what cannot be known yet'),
  }),
  'GET /quality/chart': route({
    room: 'quality',
    summary: 'One series of measured values with its limits and signals',
    query: record({ series: text(400) }),
    answer: result<ChartShown>('A chart of single values'),
  }),
  'GET /quality/table': route({
    room: 'quality',
    summary: 'A table of the period as CSV',
    query: record({ which: choice(qualityTables), ...periodShape.properties }),
    answer: text(100_000_000),
  }),
  'GET /quality/findings': route({
    room: 'quality',
    summary: 'How often each cause of a fault was measured or seen in this lab',
    answer: results<FaultFindings>('Of one fault'),
  }),
  'GET /quality/said': route({
    room: 'quality',
    summary: 'What the lab has said of its figures: limits set anew, signals looked at, findings set back',
    answer: results<LabEvent>('A fact of the lab, in order'),
  }),
  'POST /quality/seen': route({
    room: 'quality',
    right: 'work',
    summary: 'Say what was different about a value that a chart has signalled',
    body: record({ series: text(400), caseId: id(), entry: whole(1, 1e6), words: words(1000) }),
    answer: result<LabEvent>('What is on record now'),
    status: 201,
  }),
  'POST /quality/said': route({
    room: 'quality',
    right: 'decide',
    summary:
      'Set limits anew, leave a value out of them, set findings back, refuse a learned time: with its reason',
    body: labDeedShape,
    answer: result<LabEvent>('What is on record now'),
    status: 201,
  }),
}
