import { correctMix, type MassMeasure, type MaterialCard, RATIO_TOLERANCE_FRACTION } from '@yentrik/core'
import { useState } from 'react'
import { grams, millilitres, ratio } from '../format/format.ts'
import { NumberField, readNumber } from '../parts/NumberField.tsx'
import { Told } from '../parts/Told.tsx'

/** A material whose powder is weighed. */
export type Weighed = MaterialCard & { readonly measure: MassMeasure }

interface MixMendingProps {
  readonly card: Weighed
  readonly wantedMillilitresPerGram: number
  /** What is in the bowl, as typed. */
  readonly powder: string
  readonly liquid: string
  readonly onPowder: (text: string) => void
  readonly onLiquid: (text: string) => void
}

/** What is in the bowl already: what to add to it, or whether to start again. */
export function MixMending({
  card,
  wantedMillilitresPerGram,
  powder,
  liquid,
  onPowder,
  onLiquid,
}: MixMendingProps) {
  const [thickening, setThickening] = useState(false)
  const p = readNumber(powder, 'g')
  const l = readNumber(liquid, 'mL')
  return (
    <section
      className="card-flat grid gap-x-5 gap-y-2 p-5 lg:grid-cols-[12rem_12rem_auto_minmax(0,1fr)]"
      aria-label="Too much in the bowl"
    >
      <h2 className="text-xl font-semibold lg:col-span-4">Too much in the bowl?</h2>
      <NumberField
        label="Powder in"
        unit="g"
        text={powder}
        onText={onPowder}
        fault={powder ? p.fault : undefined}
      />
      <NumberField
        label="Liquid in"
        unit="mL"
        text={liquid}
        onText={onLiquid}
        fault={liquid ? l.fault : undefined}
      />
      <label className="flex h-14 items-center gap-3 self-center font-semibold">
        <input
          type="checkbox"
          className="checkbox checkbox-lg"
          checked={thickening}
          onChange={(event) => setThickening(event.target.checked)}
        />
        It thickens already
      </label>
      <Correction
        card={card}
        wanted={wantedMillilitresPerGram}
        powder={p.value}
        liquid={l.value}
        thickening={thickening}
      />
    </section>
  )
}

function Correction({
  card,
  wanted,
  powder,
  liquid,
  thickening,
}: {
  card: Weighed
  wanted: number
  powder?: number
  liquid?: number
  thickening: boolean
}) {
  if (powder === undefined || liquid === undefined || !(powder > 0) || !(liquid > 0) || !(wanted > 0))
    return <p className="self-center opacity-80">Enter both to see what to add, or whether to start again.</p>
  const fix = correctMix({
    powderGrams: powder,
    liquidMillilitres: liquid,
    millilitresPerGram: wanted,
    toleranceFraction: RATIO_TOLERANCE_FRACTION,
    thickening,
    liquidGramsPerMillilitre: card.measure.liquidGramsPerMillilitre,
  })
  if (fix.action === 'goodAsItIs')
    return (
      <p className="self-center text-xl">
        <Told tone="good">Good as it is: {ratio(liquid / powder)}</Told>
      </p>
    )
  if (fix.action === 'startAgain')
    return (
      <div className="self-center text-xl">
        <Told tone="error">Start again. {fix.reason}</Told>
      </div>
    )
  return (
    <p className="self-center text-2xl">
      Add{' '}
      <output className="figures text-5xl font-bold" aria-label="To add">
        {fix.action === 'addLiquid' ? millilitres(fix.liquidMillilitres) : grams(fix.powderGrams)}
      </output>{' '}
      {fix.action === 'addLiquid' ? card.liquidName : card.powderName}
      <span className="block text-base">At once, before it thickens.</span>
    </p>
  )
}
