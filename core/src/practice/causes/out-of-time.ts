import { type StepWindow, stepWindow } from '../../case/index.ts'
import { USUAL_ROOM_CELSIUS } from '../../heat/index.ts'
import { qty, type Saying, saying } from '../../quantity/index.ts'
import type { StepMeaning } from '../../route/index.ts'
import { flaskIn } from '../model-readings.ts'
import { jobOf } from '../truth.ts'
import type { Cause, Caused, Deed } from './cause.ts'
import { at, type ShowsRef } from './shows-later.ts'

const MINUTE = 60_000
/** A cast from alginate past its window, mm for each ten minutes (choice). */
const SHRINKS_MILLIMETRES_PER_TEN = 0.1
/** A margin of wax that waited, micrometres for each half hour past its window (choice). */
const OPENS_MICROMETRES_PER_HALF_HOUR = 20
/** A base opened warm, mm for each ten degrees above the room (choice). */
const WARPS_MILLIMETRES_PER_TEN_DEGREES = 0.1
/** The bite of a dough packed too late is open by so much, mm (choice). */
const LATE_DOUGH_MILLIMETRES = { least: 1, most: 3 } as const

type Late = (deed: Deed, minutes: number, window: StepWindow) => readonly Caused[]
const made = (
  kind: string,
  named: string,
  size: Saying,
  why: Saying,
  better: Saying,
  ...shows: readonly ShowsRef[]
): Caused => ({ kind, named, size, why, better, shows })

/** By what a step means to those who read the record: begun or ended too late. */
const late: { readonly [M in StepMeaning]?: Late } = {
  invested: (_, minutes) => {
    const micrometres = Math.ceil(minutes / 30) * OPENS_MICROMETRES_PER_HALF_HOUR
    return [
      made(
        'wax-moved',
        'Margin opened while it waited',
        saying`${qty.micrometres(micrometres)}`,
        saying`The pattern waited ${qty.minutes(minutes, 0)} past its window: wax creeps, the margin by about ${qty.micrometres(micrometres)}.`,
        'Invest at once after the last look at the margin.',
        at.looks('margin-fit', 'Open'),
      ),
    ]
  },
  casting: (_, minutes) => [
    made(
      'ring-cooled',
      'Short casting',
      saying`${qty.minutes(minutes, 0)} late`,
      saying`The ring stood ${qty.minutes(minutes, 0)} past its minute: it had cooled before the metal came.`,
      'The metal molten first, then the ring, within the minute.',
      at.region('margin', 'Short'),
    ),
  ],
  doughRipens: ({ random }, minutes) => lateDough(random, minutes),
  trialClosures: ({ random }, minutes) => lateDough(random, minutes),
}

function lateDough(random: () => number, minutes: number): readonly Caused[] {
  const { least, most } = LATE_DOUGH_MILLIMETRES
  const open = Number((least + (most - least) * random()).toFixed(1))
  return [
    made(
      'packed-rubbery',
      'Bite opened by stiff dough',
      saying`${qty.mm(open)}`,
      saying`Packed ${qty.minutes(minutes, 0)} past its stage: the dough no longer flowed, and the flask closed on it.`,
      'Pack in the dough stage, or mix anew.',
      at.above('pin-open', open + 1),
    ),
  ]
}

/** Ended before its time. */
const soon: { readonly [M in StepMeaning]?: (deed: Deed, minutes: number) => readonly Caused[] } = {
  doughRipens: (_, minutes) => [
    made(
      'packed-sandy',
      'Pores all through the base',
      saying`${qty.minutes(minutes, 0)} early`,
      saying`Packed ${qty.minutes(minutes, 0)} before the dough stage: the beads had not swollen, and air stayed between them.`,
      'Wait until it comes away clean from the wall.',
      at.looks('resin-surface', 'Bubbles inside'),
    ),
  ],
  flaskCools: ({ before, step }) => {
    const celsius = flaskIn(before, step) ?? USUAL_ROOM_CELSIUS
    const millimetres = Number(
      ((WARPS_MILLIMETRES_PER_TEN_DEGREES * Math.max(0, celsius - USUAL_ROOM_CELSIUS)) / 10).toFixed(2),
    )
    return millimetres < WARPS_MILLIMETRES_PER_TEN_DEGREES / 2
      ? []
      : [
          made(
            'opened-warm',
            'Base warped',
            saying`${qty.mm(millimetres)}`,
            saying`The flask was at about ${qty.celsius(celsius, 0)} when it was opened: the base sprang by ${qty.mm(millimetres)}.`,
            'Bench first, then cold water, until it may be held in the hand.',
            at.looks('on-cast', 'Wobbles'),
            at.looks('remount-seated', 'Rocks or gaps'),
          ),
        ]
  },
  burntOut: (_, minutes) => [
    made(
      'cold-core',
      'Short casting',
      saying`${qty.minutes(minutes, 0)} early`,
      saying`The ring came out ${qty.minutes(minutes, 0)} early: its core was colder than the metal can bear, and wax had stayed.`,
      'By the core of the ring, not by the display.',
      at.region('margin', 'Short'),
      at.region('walls', 'Pinholes'),
    ),
  ],
  waterStorage: (_, minutes) => [
    made(
      'monomer-left',
      'Monomer left in the base',
      saying`${qty.minutes(minutes, 0)} of water missing`,
      saying`It lay ${qty.minutes(minutes, 0)} less in water than it should: nobody sees that, the mouth feels it.`,
      'The whole day in water.',
    ),
  ],
}

/** A wait that counts from stone, plaster or investment, ended before it. */
function pulledEarly({ step }: Deed, minutes: number): readonly Caused[] {
  const { ofMix, earliestMinutes = 1 } = step.wait ?? {}
  if (!ofMix || (ofMix.pace !== 'separate' && ofMix.pace !== 'set')) return []
  const share = Math.max(0, 1 - minutes / Math.max(1, earliestMinutes))
  return [
    made(
      'pulled-early',
      'Broken out of green stone',
      saying`${qty.percent(100 * share, 0)} of its time`,
      saying`Taken up ${qty.minutes(minutes, 0)} before its time: at ${qty.percent(100 * share, 0)} of it the stone has little strength.`,
      'By the clock of the mix, until the heat has gone.',
      at.looks('teeth-whole', 'A tooth broke'),
      at.looks('die-whole', 'Broken'),
      at.looks('master-whole', 'Bubble or break on the ridge'),
      at.looks('replicas-firm', 'One moves'),
      at.looks('no-holes', 'A hole is open'),
      at.looks('casts-seated', 'A cast rocks'),
      at.looks('no-undercut', 'Undercut or rough'),
      at.looks('split-faces', 'Cast broke'),
    ),
  ]
}

/** What was begun or ended outside its window: how far, and what that does. */
export const outOfTime: Cause = (deed) => {
  const { event, step, before } = deed
  if ((event.type !== 'stepStarted' && event.type !== 'stepFinished') || !event.outOfTime) return []
  const window = stepWindow(jobOf(before), step)
  if (!window) return []
  const now = Date.parse(event.at)
  if (event.outOfTime === 'tooSoon') {
    const minutes = (window.goodFrom - now) / MINUTE
    const own = step.means && soon[step.means]?.(deed, minutes)
    return own ?? pulledEarly(deed, minutes)
  }
  const minutes = (now - (window.pastFrom ?? window.lateFrom)) / MINUTE
  if (step.pours && event.type === 'stepStarted') return [shrunk(minutes)]
  return (step.means && late[step.means]?.(deed, minutes, window)) ?? []
}

function shrunk(minutes: number): Caused {
  const millimetres = Number(((SHRINKS_MILLIMETRES_PER_TEN * minutes) / 10).toFixed(2))
  return made(
    'shrunk-cast',
    'Shrunken cast',
    saying`${qty.mm(millimetres)}`,
    saying`Poured ${qty.minutes(minutes, 0)} past its window: the impression had dried, the cast is small by about ${qty.mm(millimetres)}.`,
    'A new impression, or stone within its window.',
    at.looks('casts-seated', 'A cast rocks'),
    at.looks('bite-fits', 'One rocks or stays open'),
    at.looks('record-fits', 'It rocks'),
    at.looks('on-cast', 'Wobbles'),
    at.looks('seats', 'Will not seat'),
  )
}
