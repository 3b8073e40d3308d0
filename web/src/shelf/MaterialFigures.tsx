import { type MaterialCard, qty, type Saying, saying } from '@yentrik/core'
import { Link } from 'react-router'
import { ratio } from '../format/format.ts'
import { Message } from '../parts/Message.tsx'
import { Said, useWords } from '../preferences/words.tsx'

/** Every figure of a card with where it comes from. */
export function MaterialFigures({ card, flags = [] }: { card: MaterialCard; flags?: readonly Saying[] }) {
  const say = useWords()
  const { measure, clock, density, thickness, settingExpansion, iso6873, investment, alloy } = card
  return (
    <div className="grid gap-1">
      {measure?.by === 'mass' && (
        <p>
          <Link to={`/mix?material=${card.id}`} className="link">
            <b className="figures text-xl">{ratio(measure.usualMillilitresPerGram)}</b> mL/g
          </Link>{' '}
          class {ratio(measure.minMillilitresPerGram)}-{ratio(measure.maxMillilitresPerGram)}
          {measure.bagGrams && `, bags of ${measure.bagGrams} g`}
          <Source of={measure.source} />
        </p>
      )}
      {measure?.by === 'parts' && (
        <p>
          1 {measure.powderPart} : {measure.liquidPartsPerPowderPart} {measure.liquidPart}
          <Source of={measure.source} />
        </p>
      )}
      {flags.map(say).map((flag) => (
        <Message key={flag} tone="warning">
          {flag}
        </Message>
      ))}
      {clock && (
        <p className="figures">
          pour by {clock.pourByMinutes}, set {clock.setMinutes}, separate from {clock.separateMinutes} min
          {clock.useWithinMinutes && `, poured by ${clock.useWithinMinutes} min`}
          <Source of={clock.source} />
        </p>
      )}
      {density && (
        <p className="figures">
          {density.gramsPerCm3} g/cm3
          <Source of={density.source} />
        </p>
      )}
      {thickness && (
        <p className="figures">
          <Said words={saying`${qty.mm(thickness.millimetres, 3)} a sheet`} />
          <Source of={thickness.source} />
        </p>
      )}
      {settingExpansion && (
        <p className="figures">
          expands{' '}
          {settingExpansion.points
            .map(({ specialLiquidPercent: c, expansionPercent: e }) => `${e} % at ${c} %`)
            .join(', ')}{' '}
          special liquid
          <Source of={settingExpansion.source} />
        </p>
      )}
      {investment && (
        <p className="figures">
          {investment.binder}-bonded, final hold <Said words={[qty.celsius(investment.peakCelsius)]} />
          {investment.hotEntry && ', may go in hot'}, {investment.vacuumSeconds} s under vacuum at{' '}
          <Said words={between(investment.mixCelsius)} />
          {investment.thermalCurve && <Said words={thermalWords(investment.thermalCurve.at(-1)!)} />}
          <Source of={investment.source} />
        </p>
      )}
      {alloy && (
        <p className="figures">
          shrinks {(100 * alloy.shrinkageFraction).toFixed(2)} %, cast at{' '}
          <Said words={between(alloy.castingCelsius)} />, {alloy.turns.join(' to ')} turns
          <Source of={alloy.source} />
        </p>
      )}
      {alloy?.hazards.map((hazard) => (
        <p key={hazard} className="text-warning text-sm font-semibold">
          {hazard}
        </p>
      ))}
      {iso6873 && (
        <p className="text-sm">
          at least {iso6873.strengthMegapascals.min} MPa at 1 h, setting expansion at most{' '}
          {iso6873.expansionPercent.max} %
          <Source of="ISO 6873:2013, recalled" />
        </p>
      )}
      {card.notes.map((note) => (
        <p key={note} className="text-sm opacity-80">
          {note}
        </p>
      ))}
    </div>
  )
}

function Source({ of }: { of: string }) {
  return <span className="text-sm opacity-80"> ({of})</span>
}

/** From the one to the other, in the degrees of this bench. */
const between = ([low, high]: readonly [number, number]) =>
  saying`${qty.celsius(low)} to ${qty.celsius(high)}`
const thermalWords = ({
  expansionPercent,
  celsius,
}: {
  readonly expansionPercent: number
  readonly celsius: number
}) => saying`, thermal ${expansionPercent} % at ${qty.celsius(celsius)}`
