import {
  colourDifference,
  type Lab,
  type PlannedPot,
  stainedColour,
  type ToothZone,
  verdictOf,
  type ZonePlan,
  zoneNames,
} from '@yentrik/core'
import { Swatches, shownAs } from './Swatches.tsx'
import { verdictWords } from './verdict-words.tsx'

/** A block on which a pot shows what it is. */
const LIGHT: Lab = { L: 84, a: 1, b: 13 }
/** So many coats of it show its own colour: to tell the pots apart, no plan. */
const SHOWN_COATS = 7

/** The colour of a pot by itself, for the dots of the sheet. */
export const potColour = (pot: PlannedPot): string =>
  shownAs(stainedColour(LIGHT, [{ pot, coats: SHOWN_COATS }]))

/** What a zone is mixed of, in parts. */
export function partsWords({ parts, clear }: ZonePlan['mix'], pots: readonly PlannedPot[]): string {
  const used = parts.flatMap((part, n) => (part > 0 ? [[part, pots[n]!.name] as const] : []))
  if (used.length === 0) return 'glaze only'
  if (used.length === 1 && clear === 0) return `${used[0]![1]} alone`
  return [...used, ...(clear > 0 ? [[clear, 'clear'] as const] : [])]
    .map(([part, name]) => `${part} ${name}`)
    .join(' : ')
}

/** One zone: block, mixed and target side by side, how far apart, how many coats of what. */
export function ZoneCard({
  zone,
  block,
  target,
  mixed,
  plan,
  pots,
}: {
  readonly zone: ToothZone
  readonly block: Lab | undefined
  readonly target: Lab | undefined
  /** As it comes out at the coat that is looked at. */
  readonly mixed: Lab | undefined
  readonly plan: ZonePlan | undefined
  readonly pots: readonly PlannedPot[]
}) {
  const difference = mixed && target ? colourDifference(mixed, target) : undefined
  const quarters = plan
    ? plan.coats.flatMap((x, pot) => Array.from({ length: Math.round(4 * x) }, () => pot))
    : []
  const clear = plan ? 4 * plan.mix.coats - quarters.length : 0
  return (
    <section className="grid min-w-0 content-start gap-1" aria-label={zoneNames[zone]}>
      <h3 className="flex items-baseline gap-2">
        <b>{zoneNames[zone]}</b>
        {difference !== undefined && (
          <>
            <output className="figures text-xl font-bold" aria-label={`${zoneNames[zone]} differs by`}>
              {difference.toFixed(2)}
            </output>
            <b className="text-sm">{verdictWords[verdictOf(difference)]}</b>
          </>
        )}
      </h3>
      <Swatches
        colours={[
          ['block', block],
          ['mixed', mixed],
          ['target', target],
        ]}
      />
      {plan && (
        <>
          <div className="flex flex-wrap items-center gap-0.5">
            {quarters.map((pot, n) => (
              <span
                key={n}
                className="size-3 shrink-0 rounded-full border border-[#1c292b]"
                style={{ background: potColour(pots[pot]!) }}
                aria-hidden
              />
            ))}
            {Array.from({ length: clear }, (_, n) => (
              <span
                key={n}
                className="size-3 shrink-0 rounded-full border border-dashed border-[#1c292b]"
                aria-hidden
              />
            ))}
            <b className="ml-auto whitespace-nowrap">
              {plan.mix.coats} {plan.mix.coats === 1 ? 'coat' : 'coats'}
            </b>
          </div>
          <p className="text-sm leading-tight">{partsWords(plan.mix, pots)}</p>
        </>
      )}
    </section>
  )
}
