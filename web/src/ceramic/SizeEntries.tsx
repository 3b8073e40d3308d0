import {
  archimedesDensity,
  densityPercent,
  factorWords,
  greenSize,
  isOtherFactor,
  sizeOffPercent,
} from '@yentrik/core'
import { useState } from 'react'
import { attempt } from '../parts/attempt.ts'
import { useDraft } from '../parts/draft.ts'
import { FigureFields } from '../parts/FigureFields.tsx'
import { Message } from '../parts/Message.tsx'
import { NumberEntry, NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { TextField } from '../parts/TextField.tsx'
import { readAll, type Typed } from '../parts/typed-figures.ts'
import { useMillimetres, useWords } from '../preferences/words.tsx'
import type { SheetEntryProps } from '../record/sheet-entry.ts'
import { useShelf } from '../record/shelf.ts'
import { takenLots } from './taken-lots.ts'

interface Size {
  readonly key: number
  readonly place: string
  readonly final: string
  readonly measured: string
}
interface Sizes {
  /** Left out: as the shelf has it. */
  readonly lot?: string
  readonly lotFactor?: string
  readonly used: string
  readonly sizes: readonly Size[]
  readonly reason: string
}

/** Sizes by caliper against the factor of the blank's own lot. */
export function EnlargementEntry({
  sheet,
  last,
  job,
  draftKey,
  refusal,
  open,
  onRecord,
}: SheetEntryProps<'enlargement'>) {
  const mm = useMillimetres(2)
  const say = useWords()
  const shelf = useShelf()
  // Of the blank that this case has taken; the one place where its factor stands.
  const own = takenLots(job, shelf).find(({ enlargement }) => enlargement !== null)
  const green =
    sheet.greenOf &&
    job.steps[sheet.greenOf.stepId]?.sheets.findLast(({ sheetId }) => sheetId === sheet.greenOf?.sheetId)
      ?.sheet
  const before = last ?? (green?.kind === 'enlargement' ? green : undefined)
  const [draft, keep, forget] = useDraft<Sizes>(draftKey, () => ({
    ...(before ? { lot: before.lot, lotFactor: String(before.lotFactor) } : {}),
    used: before ? String(before.usedFactor) : '',
    sizes: before
      ? before.sizes.map(({ place, finalMillimetres, measuredMillimetres }, key) => ({
          key,
          place,
          final: String(finalMillimetres),
          measured: last ? String(measuredMillimetres) : '',
        }))
      : [{ key: 0, place: 'across, mesial to distal', final: '', measured: '' }],
    reason: '',
  }))
  const [tried, setTried] = useState(false)
  const lot = draft.lot ?? own?.number ?? ''
  const lotFactor = draft.lotFactor ?? String(own?.enlargement?.factor ?? '')
  const factor = readNumber(lotFactor, '')
  const used = readNumber(draft.used, '')
  const change = (key: number, to: Partial<Size>) =>
    keep((all) => ({
      ...all,
      sizes: all.sizes.map((each) => (each.key === key ? { ...each, ...to } : each)),
    }))
  const read = draft.sizes.map((each) => ({
    ...each,
    finalRead: readNumber(each.final, 'mm'),
    measuredRead: readNumber(each.measured, 'mm'),
  }))
  const other =
    factor.value !== undefined && used.value !== undefined && isOtherFactor(used.value, factor.value)
      ? factorWords(used.value, factor.value)
      : undefined
  const record = async () => {
    setTried(true)
    const sizes = read.flatMap(({ place, finalRead, measuredRead }) =>
      finalRead.value === undefined || measuredRead.value === undefined
        ? []
        : [{ place, finalMillimetres: finalRead.value, measuredMillimetres: measuredRead.value }],
    )
    if (sizes.length < read.length || factor.value === undefined || used.value === undefined) return
    const reason = draft.reason.trim()
    const data = {
      lot,
      lotFactor: factor.value,
      usedFactor: used.value,
      sizes,
      ...(reason ? { reason } : {}),
    }
    if (await onRecord({ kind: 'enlargement', ...data })) forget()
  }
  const fault = (each: { readonly fault?: string }) => (tried ? each.fault : undefined)
  return (
    <form
      className="grid max-w-2xl gap-3"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        void record()
      }}
    >
      <div className="grid gap-x-3 sm:grid-cols-3">
        <TextField
          label="Lot of the blank"
          text={lot}
          onText={(text) => keep((all) => ({ ...all, lot: text }))}
        />
        <NumberField
          label="Factor of the lot"
          unit=""
          text={lotFactor}
          onText={(text) => keep((all) => ({ ...all, lotFactor: text }))}
          hint="on its label"
          fault={fault(factor)}
        />
        <NumberField
          label="Milled with"
          unit=""
          text={draft.used}
          onText={(text) => keep((all) => ({ ...all, used: text }))}
          hint="in the milling job"
          fault={fault(used)}
        />
      </div>
      {other && <Message tone="error">{`${say(other)}.`}</Message>}
      {read.map((each, n) => {
        const { finalRead, measuredRead } = each
        const wanted =
          finalRead.value === undefined
            ? undefined
            : sheet.state === 'green'
              ? used.value && greenSize(finalRead.value, used.value)
              : finalRead.value
        const off =
          wanted === undefined || measuredRead.value === undefined
            ? undefined
            : sizeOffPercent(measuredRead.value, wanted)
        return (
          <fieldset key={each.key} className="flex flex-wrap items-center gap-2">
            <legend className="sr-only">Size {n + 1}</legend>
            <input
              className="entry min-w-40 grow basis-40"
              aria-label={`Place ${n + 1}`}
              value={each.place}
              onChange={(event) => change(each.key, { place: event.target.value })}
            />
            <span className="flex items-center gap-1">
              final
              <NumberEntry
                name={`Final size ${n + 1}`}
                unit="mm"
                size="narrow"
                text={each.final}
                onText={(final) => change(each.key, { final })}
                wrong={tried && finalRead.value === undefined}
              />
            </span>
            <span className="flex items-center gap-1">
              measured
              <NumberEntry
                name={`Measured size ${n + 1}`}
                unit="mm"
                size="narrow"
                text={each.measured}
                onText={(measured) => change(each.key, { measured })}
                wrong={tried && measuredRead.value === undefined}
              />
            </span>
            {wanted ? (
              <span className="text-sm">
                wanted <b className="figures">{mm(wanted)}</b>
                {off !== undefined && ` ${off >= 0 ? '+' : '−'}${Math.abs(off).toFixed(2)} %`}
              </span>
            ) : null}
          </fieldset>
        )
      })}
      {last || other ? (
        <TextField
          label="Why it stands all the same"
          text={draft.reason}
          onText={(reason) => keep((all) => ({ ...all, reason }))}
          hint="empty: it is judged"
        />
      ) : null}
      {refusal && <Message tone="error" words={refusal} />}
      <div className="flex flex-wrap gap-2">
        <button type="submit" className="act" disabled={!open}>
          Record
        </button>
        <button
          type="button"
          className="small-act"
          onClick={() =>
            keep((all) => ({
              ...all,
              sizes: [
                ...all.sizes,
                { key: Math.max(...all.sizes.map(({ key }) => key)) + 1, place: '', final: '', measured: '' },
              ],
            }))
          }
        >
          Another size
        </button>
      </div>
    </form>
  )
}

/** Density by Archimedes: dry, then hanging in water. */
export function DensityEntry({ sheet, draftKey, refusal, open, onRecord }: SheetEntryProps<'density'>) {
  const specs = [
    { key: 'dry', label: 'Dry', unit: 'g' },
    { key: 'wet', label: 'Hanging in water', unit: 'g', hint: 'no bubble on it' },
    { key: 'water', label: 'Water', unit: '°C' },
  ]
  const [typed, keep, forget] = useDraft<Typed>(draftKey, () => ({ water: '20' }))
  const [tried, setTried] = useState(false)
  const { values, faults } = readAll(typed, ['dry', 'wet', 'water'], { dry: 'g', wet: 'g', water: '°C' })
  const found = values && attempt(() => archimedesDensity(values.dry, values.wet, values.water))
  const percent = found?.answer === undefined ? undefined : densityPercent(found.answer, sheet.ceramic)
  return (
    <form
      className="grid max-w-xl gap-2"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        setTried(true)
        if (values)
          void onRecord({
            kind: 'density',
            dryGrams: values.dry,
            inWaterGrams: values.wet,
            waterCelsius: values.water,
          }).then((kept) => kept && forget())
      }}
    >
      <FigureFields specs={specs} typed={typed} faults={tried ? faults : {}} onTyped={keep} wanted={tried} />
      {found?.answer !== undefined && percent !== undefined && (
        <p>
          <output className="figures text-4xl font-bold" aria-label="Density">
            {percent.toFixed(1)} %
          </output>{' '}
          of its full density, {found.answer.toFixed(2)} g/cm3
        </p>
      )}
      {found?.refusal && <Message tone="error" words={found.refusal} />}
      {refusal && <Message tone="error" words={refusal} />}
      <button type="submit" className="act justify-self-start" disabled={!open}>
        Record
      </button>
    </form>
  )
}
