import { pinAtRotation } from '../mounting/index.ts'
import { seededRandom } from '../random/index.ts'
import { choice, figure, list, maybe, type Of, record, whole, yesNo } from '../shape/index.ts'
import { close, frameOf, inLower } from './closing.ts'
import { type ContactMark, contactMap } from './contact-map.ts'
import { type ExpertRound, grindByRules, trainerArticulator } from './expert.ts'
import { pick, teethWithFlash, withFlash } from './flash.ts'
import { type Blocked, type Stroke, stoneRadius, stroke, volumeTaken } from './grinding.ts'
import { noError, processingErrors, type ToothError, waxSetUp, withErrors } from './mouth.ts'
import { cellAt, copyOf, type Mouth } from './mouth-grid.ts'
import type { Bite } from './regions.ts'
import { type RemountScore, scoreRemount, stopsOf } from './remount-score.ts'

export const lessons = ['one-high', 'lifted-side', 'tilted-molar', 'laterals', 'everything', 'flash'] as const
export type Lesson = (typeof lessons)[number]

const strokeShape = record({
  arch: choice(['upper', 'lower']),
  x: figure(-200, 200),
  y: figure(-200, 200),
  radius: figure(0.1, 5),
  depth: figure(0, 0.5),
  /** Flash is picked off there; the tooth is not touched. */
  picks: maybe(yesNo()),
})
/** A mouth on the bench of the trainer: the lesson, its seed, and every stroke since. */
export const trainedShape = record({
  lesson: choice(lessons),
  seed: whole(0, 1e9),
  strokes: list(strokeShape, 2000),
})
export type Trained = Of<typeof trainedShape>

/** How it stands in a bite. */
export interface TrainedLook {
  readonly pinMillimetres: number
  /** Of the pin off its table in this bite; 0: the pin carries. */
  readonly liftMillimetres: number
  readonly marks: readonly ContactMark[]
  readonly stops: { readonly right: number; readonly left: number }
  readonly volume: number
  /** The teeth that flash is still on: it reads as an open pin. */
  readonly flash: readonly number[]
}

/** A cut across the arch through a place, both surfaces as they stand to each other, mm. */
export interface TrainedSection {
  /** Across: below 0 towards the tongue. */
  readonly across: readonly number[]
  readonly upper: readonly (number | null)[]
  readonly lower: readonly (number | null)[]
}

/** What the expert did with the same mouth. */
export interface ExpertShown {
  readonly rounds: readonly ExpertRound[]
  readonly blocked: readonly Blocked[]
  readonly score: RemountScore
  /** The teeth that it picked flash off before anything was ground. */
  readonly picked: readonly number[]
}

/** Tools of the hand: how wide their mark is and how deep a touch goes, mm (choice); the stone is 5 mm across. */
export const trainerTools = {
  bowl: { name: 'Hand tool', radius: 0.6, depth: 0.05 },
  fine: { name: 'Fine point', radius: 0.35, depth: 0.03 },
  stone: { name: 'Round stone', radius: stoneRadius(2.5, 0.1), depth: 0.1 },
  /** It touches no tooth. */
  pick: { name: 'Pick, flash only', radius: 1.2, depth: 0 },
} as const

const posteriors = [14, 15, 16, 17, 24, 25, 26, 27, 34, 35, 36, 37, 44, 45, 46, 47]
/** What the lessons do to teeth, mm and degrees (choice). */
const ONE_HIGH = 0.45
const SIDE_LIFTED = 0.2
const MOLAR = { lift: 0.15, tiltDegrees: 3 }

function errorsOf(lesson: Lesson, seed: number): ReadonlyMap<number, ToothError> {
  const random = seededRandom(seed)
  const pick = <T>(all: readonly T[]) => all[Math.floor(random() * all.length)]!
  switch (lesson) {
    case 'one-high':
      return new Map([[pick(posteriors), { ...noError, lift: ONE_HIGH }]])
    case 'lifted-side': {
      const quarter = pick([3, 4])
      return new Map([4, 5, 6, 7].map((place) => [10 * quarter + place, { ...noError, lift: SIDE_LIFTED }]))
    }
    case 'tilted-molar': {
      const sign = pick([-1, 1])
      return new Map([
        [
          pick([16, 26, 36, 46]),
          { ...noError, lift: MOLAR.lift, tiltDegrees: [sign * MOLAR.tiltDegrees, 0] },
        ],
      ])
    }
    case 'laterals':
    case 'everything':
    case 'flash':
      return processingErrors(seed)
  }
}

const touch = (mouth: Mouth, { picks, ...each }: Trained['strokes'][number]): unknown =>
  picks ? pick(mouth, each.arch, each) : stroke(mouth, each satisfies Stroke)

/**
 * The trainer: a mouth is what its lesson, its seed and its strokes say, so nothing is kept but what saves time. The same seed gives the
 * same mouth.
 * @param spacing cells, mm; coarser is faster
 */
export function remountTrainer(spacing?: number) {
  const wax = waxSetUp(spacing === undefined ? {} : { spacingMillimetres: spacing })
  let begun: { readonly key: string; readonly mouth: Mouth } | undefined
  let worked: { readonly key: string; readonly done: number; readonly mouth: Mouth } | undefined
  let shown: { readonly key: string; readonly volume: number; readonly expert: ExpertShown } | undefined

  const begin = (lesson: Lesson, seed: number): Mouth => {
    const key = `${lesson} ${seed}`
    if (begun?.key !== key) {
      const mouth = withErrors(wax, errorsOf(lesson, seed))
      // Centric is done already: what is left are the movements.
      if (lesson === 'laterals') grindByRules(mouth, { only: ['centric'] })
      begun = { key, mouth: lesson === 'flash' ? withFlash(mouth, seed) : mouth }
    }
    return begun.mouth
  }
  const mouthOf = ({ lesson, seed, strokes }: Trained): Mouth => {
    const start = begin(lesson, seed)
    const keyOf = (count: number) => JSON.stringify([lesson, seed, strokes.slice(0, count)])
    const goesOn = worked && worked.done <= strokes.length && worked.key === keyOf(worked.done)
    const mouth = goesOn && worked ? worked.mouth : copyOf(start)
    for (const each of strokes.slice(goesOn && worked ? worked.done : 0)) touch(mouth, each)
    worked = { key: keyOf(strokes.length), done: strokes.length, mouth }
    return mouth
  }
  const expertOf = (lesson: Lesson, seed: number) => {
    const key = `${lesson} ${seed}`
    if (shown?.key !== key) {
      const mouth = copyOf(begin(lesson, seed))
      const picked = teethWithFlash(mouth)
      pick(mouth, 'upper')
      pick(mouth, 'lower')
      const { rounds, blocked } = grindByRules(mouth)
      const volume = volumeTaken(mouth)
      shown = { key, volume, expert: { rounds, blocked, picked, score: scoreRemount(mouth, volume) } }
    }
    return shown
  }
  return {
    /** Closes in a bite, and marks. @throws {DomainError} `advance`, `paper-thickness`, `grind-depth`, `no-contact` */
    look(trained: Trained, bite: Bite, advance: number, paperMicrometres?: number): TrainedLook {
      const mouth = mouthOf(trained)
      const centric = close(mouth, frameOf(trainerArticulator, 'centric', 0))
      const here = bite === 'centric' ? centric : close(mouth, frameOf(trainerArticulator, bite, advance))
      return {
        pinMillimetres: pinAtRotation(trainerArticulator, centric.teeth),
        liftMillimetres: Math.max(0, here.teeth - here.frame.table) * trainerArticulator.pinTip.x,
        marks: contactMap(mouth, here, paperMicrometres),
        stops: stopsOf(contactMap(mouth, centric, paperMicrometres)),
        volume: volumeTaken(mouth),
        flash: teethWithFlash(mouth),
      }
    },

    /** A cut across the arch, from the tongue to the cheek, through a place of the upper. */
    section(
      trained: Trained,
      bite: Bite,
      advance: number,
      at: { readonly x: number; readonly y: number },
    ): TrainedSection {
      const mouth = mouthOf(trained)
      const { frame, opening } = close(mouth, frameOf(trainerArticulator, bite, advance))
      const { grid, upper, lower } = mouth
      const side = at.y < 0 ? -1 : 1
      const across = Array.from({ length: 101 }, (_, n) => -7 + (14 * n) / 100)
      const cut = across.map((b) => {
        const [x, y] = [at.x, at.y + side * b]
        const above = cellAt(grid, x, y)
        const z = above >= 0 && upper.tooth[above] !== 0 ? upper.z[above]! : null
        const q = inLower(frame, opening, { x, y, z: z ?? -37 })
        const below = cellAt(grid, q.x, q.y)
        const bottom = below >= 0 && lower.tooth[below] !== 0 ? (z ?? -37) - (q.z - lower.z[below]!) : null
        return { z, bottom }
      })
      return { across, upper: cut.map(({ z }) => z), lower: cut.map(({ bottom }) => bottom) }
    },

    /** What the work is worth, against the expert on the same mouth. */
    score(trained: Trained): RemountScore {
      return scoreRemount(mouthOf(trained), expertOf(trained.lesson, trained.seed).volume)
    },

    /** The expert on the untouched mouth, round by round. */
    expert: (lesson: Lesson, seed: number): ExpertShown => expertOf(lesson, seed).expert,
  }
}
export type RemountTrainer = ReturnType<typeof remountTrainer>
