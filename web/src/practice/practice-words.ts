import { type DebriefBar, type Level, levelNames, type Origin } from '@yentrik/core'

/** Inside a sentence. */
export const levelWords = (level: Level): string => `${levelNames[level].toLowerCase()} level`
/** Of 100; a half is told. */
export const scoreText = (total: number): string => String(Math.round(total * 10) / 10)
/** Hours with a tenth, as costs are told. */
export const hoursText = (minutes: number): string => `${(minutes / 60).toFixed(1)} h`

export const originWords: Readonly<Record<Origin, string>> = {
  arrived: 'arrived with the case',
  hand: 'a slip of the hand',
  material: 'of the material',
  machine: 'of the machine',
  learner: 'yours',
}
export const endWords: Readonly<Record<DebriefBar['end'], string>> = {
  found: 'found',
  weak: 'noticed, not dealt with',
  delivered: 'delivered, comes back',
  gone: 'gone with other work, never noticed',
  open: 'still on it',
}
