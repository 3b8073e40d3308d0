import { type Amount, hitRatio, materials, type RecordedMix, type Saying } from '@yentrik/core'
import { useState } from 'react'
import { capital, ratio } from '../format/format.ts'
import { SelectField } from '../parts/Choices.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { Told } from '../parts/Told.tsx'
import { useWords } from '../preferences/words.tsx'
import { lotWords, useShelf } from '../record/shelf.ts'

interface MixEntryProps {
  readonly amount: Amount
  readonly refusal?: Saying
  readonly onRecord: (mix: RecordedMix) => Promise<boolean>
}

/** What was really used, with its lot: into the record. */
export function MixEntry({ amount, refusal, onRecord }: MixEntryProps) {
  const shelf = useShelf()
  const say = useWords()
  const lots = shelf.usable(amount.materialId)
  const [chosenLot, setChosenLot] = useState<string>()
  const lotId = chosenLot ?? lots[0]?.lotId ?? ''
  const productId = lots.find((lot) => lot.lotId === lotId)?.productId
  const card = shelf.card(amount.materialId, productId) ?? materials.get(amount.materialId)!
  const parts = amount.kind === 'parts'
  const [powder, setPowder] = useState('')
  const [liquid, setLiquid] = useState('')
  const [tried, setTried] = useState(false)
  const powderUnit = parts ? '' : 'g'
  const liquidUnit = parts ? '' : 'mL'
  const p = readNumber(powder, powderUnit)
  const l = readNumber(liquid, liquidUnit)
  const record = async () => {
    setTried(true)
    const named = {
      amountId: amount.id,
      materialId: amount.materialId,
      lots: lotId ? [lotId] : [],
      ...(productId ? { product: card.name } : {}),
    }
    if (amount.kind === 'use') return onRecord(named)
    if (p.value === undefined || l.value === undefined) return false
    return onRecord(
      parts
        ? { ...named, powderParts: p.value, liquidParts: l.value }
        : { ...named, powderGrams: p.value, liquidMillilitres: l.value },
    )
  }
  const hit =
    amount.kind === 'mix' && p.value && l.value && p.value > 0 && l.value > 0
      ? hitRatio(card, { powderGrams: p.value, liquidMillilitres: l.value }, amount.millilitresPerGram)
      : undefined
  return (
    <form
      noValidate
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        void record()
      }}
    >
      {amount.kind !== 'use' && (
        <div className="grid grid-cols-2 gap-3">
          <NumberField
            label={capital(card.powderName)}
            unit={powderUnit}
            text={powder}
            onText={setPowder}
            fault={tried ? p.fault : undefined}
            autoFocus
          />
          <NumberField
            label={capital(card.liquidName)}
            unit={liquidUnit}
            text={liquid}
            onText={setLiquid}
            fault={tried ? l.fault : undefined}
          />
        </div>
      )}
      {hit && (
        <div className="text-sm">
          <p className="text-base">
            Ratio <b className="figures text-xl">{ratio(hit.millilitresPerGram)}</b>{' '}
            {hit.verdict === 'hit' ? 'as wanted' : hit.verdict}
          </p>
          {hit.effects.map(say).map((effect) => (
            <Told key={effect} tone="warning">
              {effect}
            </Told>
          ))}
        </div>
      )}
      <SelectField
        label="Lot"
        options={[...lots.map((lot) => [lot.lotId, lotWords(lot, shelf)] as const), ['', 'No lot noted']]}
        value={lotId}
        onChoose={setChosenLot}
      />
      {refusal && <Told tone="error" words={refusal} />}
      <button type="submit" className="act-main">
        Into the record
      </button>
    </form>
  )
}
