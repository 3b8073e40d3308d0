import { DomainError } from '../refusal/index.ts'
import { parseTeeth, type ToothNotation } from '../teeth/index.ts'
import { type Bite, checkPlace, isFrontTooth, type ToothRegion } from './regions.ts'
import type { PaperMark, Strength } from './remount-data.ts'

/** The words for a region, each by its beginning; the first that fits a tooth counts. */
const regionWords: readonly (readonly [
  word: string,
  back: ToothRegion | undefined,
  front: ToothRegion | undefined,
])[] = [
  ['fossa', 'fossa', undefined],
  ['marginal', 'marginalRidge', undefined],
  ['ridge', 'marginalRidge', undefined],
  ['edge', undefined, 'incisalEdge'],
  ['lip', undefined, 'labialFace'],
  ['cheek tip', 'buccalTip', undefined],
  ['cheek inner', 'buccalInner', undefined],
  ['cheek outer', 'buccalOuter', undefined],
  ['tongue tip', 'lingualTip', undefined],
  ['tongue inner', 'lingualInner', undefined],
  ['tongue outer', 'lingualOuter', undefined],
  ['palatal tip', 'lingualTip', undefined],
  ['palatal inner', 'lingualInner', undefined],
  ['palatal outer', 'lingualOuter', undefined],
  ['tongue', undefined, 'lingualFace'],
  ['palatal', undefined, 'lingualFace'],
]
const biteWords: Readonly<Record<string, Bite>> = {
  centric: 'centric',
  right: 'right',
  left: 'left',
  forwards: 'protrusive',
  protrusive: 'protrusive',
}
const strengthWords: readonly Strength[] = ['heavy', 'medium', 'light']

/** Whether what was typed abbreviates a word: at least two letters, so that left and light, centric and cheek stay apart. */
const begins = (word: string, typed: string) => typed.length >= 2 && word.startsWith(typed)

/**
 * A mark in one line of keys: tooth, region, movement, strength, in that order; each word by its first letters.
 * @param usual the movement and strength where none is typed
 * @throws {DomainError} `mark-line` says which word is meant by nothing; `teeth-unreadable` and others of the tooth
 * @example parseMarkLine('16 pal in ri he', 'fdi', usual)
 */
export function parseMarkLine(
  line: string,
  notation: ToothNotation,
  usual: { readonly bite: Bite; readonly strength: Strength },
): PaperMark {
  const [toothWord = '', ...rest] = line.trim().toLowerCase().split(/\s+/)
  const [tooth] = parseTeeth(toothWord, notation)
  if (tooth === undefined) throw wrong('Begin with the tooth.')
  const { region, used } = regionOf(tooth, rest)
  let { bite, strength } = usual
  for (const word of rest.slice(used)) {
    const moved = Object.keys(biteWords).find((each) => begins(each, word))
    const strong = strengthWords.find((each) => begins(each, word))
    if (moved) bite = biteWords[moved]!
    else if (strong) strength = strong
    else throw wrong(`"${word}" is no movement and no strength.`)
  }
  checkPlace(tooth, region, 'line')
  return { tooth, region, bite, strength }
}

function regionOf(
  tooth: number,
  words: readonly string[],
): { readonly region: ToothRegion; readonly used: number } {
  for (const [phrase, back, front] of regionWords) {
    const region = isFrontTooth(tooth) ? front : back
    const parts = phrase.split(' ')
    if (region && parts.every((part, n) => begins(part, words[n] ?? '')))
      return { region, used: parts.length }
  }
  throw wrong(
    words.length === 0
      ? 'After the tooth comes the region.'
      : `"${words.join(' ')}" names no region of that tooth.`,
  )
}

const wrong = (sentence: string) =>
  new DomainError(
    'mark-line',
    sentence,
    'Type it as in: 16 palatal inner right heavy. Two letters of each word are enough.',
    'line',
  )
