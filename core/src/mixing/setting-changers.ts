import type { Source } from '../materials/index.ts'

/** Something in the water or its warmth that moves the set, as a range of factors on the setting time. */
interface SettingChanger {
  readonly id: string
  readonly name: string
  /** Of the setting time: 0.4 is two fifths of it. */
  readonly factorMin: number
  readonly factorMax: number
  readonly say: string
  readonly source: Source
}

/** For gypsum only, all estimates: a trial with the lab's own powder beats them. */
export const settingChangers: readonly SettingChanger[] = [
  {
    id: 'potassium-sulfate',
    name: '2 % potassium sulfate',
    factorMin: 0.35,
    factorMax: 0.5,
    say: 'Quickens the set; raises nothing else much.',
    source: "Phillips' Science of Dental Materials, recalled: about 10 min becomes 4 min",
  },
  {
    id: 'salt',
    name: 'Table salt, up to 2 %',
    factorMin: 0.4,
    factorMax: 0.7,
    say: 'Quickens the set; the more expansion, so not for master casts. Far more than 2 % slows it.',
    source: 'common practice; direction Phillips, recalled',
  },
  {
    id: 'slurry-water',
    name: 'Slurry water from the trimmer',
    factorMin: 0.5,
    factorMax: 0.8,
    say: 'Its crystals are seeds for new ones: quicker, and a little less expansion.',
    source: 'common practice; direction Phillips, recalled',
  },
  {
    id: 'warm-water',
    name: 'Warm water, 30 to 37 °C',
    factorMin: 0.8,
    factorMax: 0.95,
    say: 'Quickens it a little. Above about 50 °C it slows again, and at 100 °C it does not set.',
    source: 'Phillips, recalled: small effect below 50 °C',
  },
  {
    id: 'borax',
    name: 'Borax, about 1 to 2 %',
    factorMin: 1.5,
    factorMax: 10,
    say: 'Slows the set, with 2 % to hours.',
    source: 'common practice; Phillips, recalled',
  },
]

/**
 * Initial set with what is in the water, minutes, as a range. Together they are multiplied, which is only a guess.
 * @param setMinutes of the card or the pack, above 0
 * @returns the unchanged time twice when nothing is in it
 */
export function changedSetMinutes(
  setMinutes: number,
  changerIds: readonly string[],
): { readonly least: number; readonly most: number } {
  const chosen = settingChangers.filter(({ id }) => changerIds.includes(id))
  return {
    least: chosen.reduce((minutes, { factorMin }) => minutes * factorMin, setMinutes),
    most: chosen.reduce((minutes, { factorMax }) => minutes * factorMax, setMinutes),
  }
}
