import type { Stage } from '@yentrik/core'

/** The page that tells of a part of the workshop, by the name of its file. */
const byStage: Readonly<Record<Stage, string>> = {
  receive: 'mixing-and-pouring',
  pour: 'mixing-and-pouring',
  trim: 'trimming',
  mount: 'mounting-and-set-up',
  setUp: 'mounting-and-set-up',
  wax: 'waxing',
  invest: 'casting',
  burnOut: 'casting',
  cast: 'casting',
  clinic: 'mounting-and-set-up',
  flask: 'flasking-and-curing',
  pack: 'flasking-and-curing',
  cure: 'flasking-and-curing',
  deflask: 'flasking-and-curing',
  remount: 'remount',
  recover: 'finishing',
  finish: 'finishing',
  polish: 'finishing',
  fire: 'ceramics',
  check: 'delivery',
  document: 'delivery',
  deliver: 'delivery',
}
export const pageOfStage = (stage: Stage): string => byStage[stage]

/** The page of each place, by the beginning of its address; the longest that fits counts. */
const byPlace: readonly (readonly [address: string, page: string])[] = [
  ['/mix', 'mixing-and-pouring'],
  ['/trim', 'trimming'],
  ['/mount', 'articulator'],
  ['/survey', 'survey'],
  ['/set-up', 'mounting-and-set-up'],
  ['/cast', 'casting'],
  ['/cure', 'flasking-and-curing'],
  ['/remount', 'remount'],
  ['/finish', 'finishing'],
  ['/fire', 'ceramics'],
  ['/plan', 'plan'],
  ['/practise', 'practise'],
  ['/quality', 'quality'],
  ['/shelf', 'mixing-and-pouring'],
  ['/settings', 'running-a-lab'],
  ['/papers/quality', 'quality'],
  ['/papers', 'delivery'],
]
/** Where the handbook opens from a screen. */
export const pageOfPlace = (pathname: string): string =>
  byPlace.find(([address]) => pathname === address || pathname.startsWith(`${address}/`))?.[1] ?? 'handbook'
