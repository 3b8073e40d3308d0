import { correctMix, hitRatio, type Mix, RATIO_TOLERANCE_FRACTION, saying } from '@yentrik/core'
import { capital, grams, millilitres, ratio } from '../format/format.ts'
import { Message } from '../parts/Message.tsx'
import { useWords } from '../preferences/words.tsx'
import type { Weighed } from './weighed.ts'

/** What a cylinder and a balance on the bench can add at least (choice). */
const READABLE_MILLILITRES = 0.5
const READABLE_GRAMS = 0.1

/** What the chosen ratio does against the usual one of its class. */
export function Effects({ card, mix, wanted }: { card: Weighed; mix: Mix; wanted?: number }) {
  const hit = hitRatio(card, mix, wanted)
  const say = useWords()
  const usual = wanted ?? card.measure.usualMillilitresPerGram
  if (hit.effects.length === 0)
    return <Message tone="good">{wanted ? 'The ratio that was wanted' : 'The usual ratio'}</Message>
  return (
    <div>
      <p className="font-semibold">
        {hit.verdict === 'hit'
          ? `${ratio(hit.millilitresPerGram)} mL/g:`
          : `${capital(hit.verdict)} than ${ratio(usual)}:`}
      </p>
      <ul className="grid gap-0.5">
        {hit.effects.map(say).map((effect) => (
          <li key={effect} className="text-warning font-medium">
            {effect}
          </li>
        ))}
      </ul>
      <p className="mt-1 text-sm opacity-80">{hit.sources.join('; ')}</p>
    </div>
  )
}

interface InTheBowlProps {
  readonly card: Weighed
  readonly wanted: number
  readonly powderGrams?: number
  readonly liquidMillilitres?: number
  readonly thickening: boolean
  readonly onThickening: (thickening: boolean) => void
}

/** What is in the bowl already: good, what to add to it, or start again and why. */
export function InTheBowl({
  card,
  wanted,
  powderGrams,
  liquidMillilitres,
  thickening,
  onThickening,
}: InTheBowlProps) {
  if (!powderGrams || !liquidMillilitres || !(powderGrams > 0) || !(liquidMillilitres > 0))
    return (
      <p className="opacity-80">
        With both in, it says whether the ratio was hit, what to add, or to start again.
      </p>
    )
  const { minMillilitresPerGram: min, maxMillilitresPerGram: max, liquidGramsPerMillilitre } = card.measure
  const fix = correctMix({
    powderGrams,
    liquidMillilitres,
    millilitresPerGram: wanted,
    toleranceFraction: RATIO_TOLERANCE_FRACTION,
    thickening,
    liquidGramsPerMillilitre,
    readableGrams: READABLE_GRAMS,
    readableMillilitres: READABLE_MILLILITRES,
    classRange: { min, max },
  })
  const hit = ratio(liquidMillilitres / powderGrams)
  return (
    <div className="grid gap-2">
      {fix.action === 'goodAsItIs' && (
        <div className="text-xl">
          <Message tone="good">Good as it is: {hit}</Message>
        </div>
      )}
      {fix.action === 'startAgain' && (
        <div className="text-xl">
          <Message tone="error" words={saying`Start again. ${fix.reason}`} />
        </div>
      )}
      {(fix.action === 'addLiquid' || fix.action === 'addPowder') && (
        <p className="text-xl">
          Add{' '}
          <output className="figures text-5xl font-bold" aria-label="To add">
            {fix.action === 'addLiquid' ? millilitres(fix.liquidMillilitres) : grams(fix.powderGrams)}
          </output>{' '}
          {fix.action === 'addLiquid' ? card.liquidName : card.powderName}
          <span className="block text-base">At once, before it thickens.</span>
        </p>
      )}
      {fix.action !== 'goodAsItIs' && (
        <>
          <label className="flex min-h-11 items-center gap-3 font-semibold">
            <input
              type="checkbox"
              className="checkbox checkbox-lg"
              checked={thickening}
              onChange={(event) => onThickening(event.target.checked)}
            />
            It thickens already
          </label>
          <details>
            <summary className="min-h-11 cursor-pointer font-semibold">Poured as it is, {hit}</summary>
            <Effects card={card} mix={{ powderGrams, liquidMillilitres }} wanted={wanted} />
          </details>
        </>
      )}
    </div>
  )
}
