import { joined, quantityKinds, saying } from '../../quantity/index.ts'
import { DomainError } from '../../refusal/index.ts'
import { choice, figure, list, maybe, record, text, whole, yesNo } from '../../shape/index.ts'
import { showTooth } from '../../teeth/index.ts'
import { sheetKind } from '../sheet-kind.ts'

/**
 * The teeth that a sheet by teeth does not name yet, however the bench numbers them.
 * @param teeth of the work authorisation, FDI
 */
export function teethNotRead(
  { suggestTeeth }: { readonly suggestTeeth?: boolean | undefined },
  places: readonly { readonly place: string }[],
  teeth: readonly number[],
): readonly number[] {
  const named = new Set(places.map(({ place }) => place.trim()))
  return suggestTeeth
    ? teeth.filter(
        (tooth) => !named.has(showTooth(tooth, 'fdi')) && !named.has(showTooth(tooth, 'universal')),
      )
    : []
}

/** The same reading at several named places. */
export const placesSheet = sheetKind({
  kind: 'places',
  data: record({
    places: list(
      record({
        place: text(120, { least: 0, example: 'Front' }),
        value: figure(-1e6, 1e6, { example: 4.1 }),
      }),
      60,
    ),
  }),
  wants: record({
    quantity: choice(quantityKinds),
    min: maybe(figure(-1e6, 1e6)),
    max: maybe(figure(-1e6, 1e6)),
    plausible: record({ min: figure(-1e6, 1e6), max: figure(-1e6, 1e6) }),
    leastPlaces: whole(1, 60),
    suggested: list(text(120), 60),
    /** Suggests the teeth of the work authorisation as well. */
    suggestTeeth: maybe(yesNo()),
  }),
  check: ({ places }, { name, leastPlaces, plausible: { min, max }, quantity: kind }) => {
    if (places.length < leastPlaces)
      throw new DomainError(
        'too-few-places',
        `"${name}" has ${places.length} of ${leastPlaces} places.`,
        'Measure at more places.',
        'places',
      )
    for (const { place, value } of places)
      if (place.trim() === '' || !(value >= min && value <= max))
        throw new DomainError(
          'reading-not-plausible',
          saying`${{ value, kind }} at "${place}" cannot be right for "${name}".`,
          saying`Measure again and enter a number from ${{ value: min, kind }} to ${{ value: max, kind }}.`,
          'places',
        )
  },
  faults: ({ places }, { min, max }) =>
    places.filter(({ value }) => value < (min ?? value) || value > (max ?? value)).map(({ place }) => place),
  words: ({ places }, { quantity: kind }) =>
    joined(places.map(({ place, value }) => saying`${place} ${{ value, kind }}`)),
  good: ({ min, max, plausible, leastPlaces, suggested }) => {
    const [low, high] = [min ?? plausible.min, max ?? plausible.max]
    const value = Number((low + 0.1 * (high - low)).toFixed(1))
    return {
      places: Array.from({ length: Math.max(leastPlaces, suggested.length) }, (_, n) => ({
        place: suggested[n] ?? `place ${n + 1}`,
        value,
      })),
    }
  },
  failingExample: ({ min, plausible, leastPlaces }) => ({
    places: Array.from({ length: leastPlaces }, (_, n) => ({
      place: `place ${n + 1}`,
      value: min === undefined ? plausible.max : plausible.min,
    })),
  }),
  refusedExample: ({ plausible, leastPlaces }) => ({
    places: Array.from({ length: leastPlaces }, () => ({ place: 'here', value: plausible.max + 1 })),
  }),
})
