import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { pathToFileURL } from 'node:url'

const require = createRequire(import.meta.url)
const instrumenter = dirname(require.resolve('@stryker-mutator/instrumenter/package.json'))
const { allMutators } = await import(pathToFileURL(join(instrumenter, 'dist/src/mutators/mutate.js')).href)

/**
 * Figures are the heart of this product, and Stryker by itself leaves them alone: here a small whole number becomes
 * the next one, any other grows by a twentieth.
 */
const figureMutator = {
  name: 'Figure',
  *mutate(path) {
    if (!path.isNumericLiteral()) return
    if (path.parentPath.isObjectProperty() && path.key === 'key') return
    const { value } = path.node
    const other = Number.isInteger(value) && value <= 20 ? value + 1 : value * 1.05
    yield { type: 'NumericLiteral', value: other }
  },
}

/** Tells Stryker of the figures; its list of mutators is not part of what it offers, so its version is pinned. */
export function addFigures() {
  if (!allMutators.includes(figureMutator)) allMutators.push(figureMutator)
}

/** Where a mutant is made and by which mutator, the how manieth of them there; lines from 1. */
export const spotOf = (mutator, { start, end }, index) =>
  [mutator, start.line, start.column, end.line, end.column, index].join(' ')

/** From now on only these are made: a place that was drawn brings none of the mutants within it along. */
export function makeOnly(spots) {
  for (const [at, mutator] of allMutators.entries()) {
    const { mutate } = mutator.everywhere ?? mutator
    allMutators[at] = {
      name: mutator.name,
      everywhere: { mutate },
      *mutate(path, options) {
        let index = 0
        for (const replacement of mutate.call(mutator, path, options))
          if (path.node.loc && spots.has(spotOf(mutator.name, path.node.loc, index++))) yield replacement
      },
    }
  }
}
