import {
  type ExpansionPoint,
  type LabProduct,
  type MaterialCard,
  productFaults,
  productFlags,
  type ThermalPoint,
} from '@yentrik/core'
import { type FormEvent, useState } from 'react'
import { ratio } from '../format/format.ts'
import { ApiError, api } from '../live/api.ts'
import { Pills } from '../parts/Choices.tsx'
import { FigureFields } from '../parts/FigureFields.tsx'
import { NumberField, readNumber } from '../parts/NumberField.tsx'
import { TextField } from '../parts/TextField.tsx'
import { Told } from '../parts/Told.tsx'
import type { Typed } from '../parts/typed-figures.ts'

interface ProductFormProps {
  readonly classCard: MaterialCard
  /** The one to change; none: a new one. */
  readonly product?: LabProduct
  readonly onDone: () => void
}

const times = [
  ['pourByMinutes', 'Pour by'],
  ['setMinutes', 'Initial set'],
  ['separateMinutes', 'Separate from'],
] as const
type TimeName = (typeof times)[number][0]

/** What the pack says otherwise; everything left empty is inherited from the class. */
export function ProductForm({ classCard, product, onDone }: ProductFormProps) {
  const text = (value: number | undefined) => (value === undefined ? '' : String(value))
  const [name, setName] = useState(product?.name ?? '')
  const [source, setSource] = useState(product?.source ?? 'the pack')
  const [perGram, setPerGram] = useState(text(product?.millilitresPerGram))
  const [bag, setBag] = useState(text(product?.bagGrams))
  const [density, setDensity] = useState(text(product?.densityGramsPerCm3))
  const [clock, setClock] = useState<Readonly<Record<TimeName, string>>>({
    pourByMinutes: text(product?.clock?.pourByMinutes),
    setMinutes: text(product?.clock?.setMinutes),
    separateMinutes: text(product?.clock?.separateMinutes),
  })
  const [table, setTable] = useState(
    (product?.settingExpansion ?? [])
      .map((p) => [p.specialLiquidPercent, p.expansionPercent, p.thermalPercent].filter(isNumber).join(' '))
      .join('\n'),
  )
  const [curve, setCurve] = useState(
    (product?.thermalCurve ?? []).map((p) => `${p.celsius} ${p.expansionPercent}`).join('\n'),
  )
  const [more, setMore] = useState<Typed>(() =>
    Object.fromEntries(
      [...investmentSpecs, ...alloySpecs].map(({ key }) => [key, text(product?.[key] as number | undefined)]),
    ),
  )
  const [hotEntry, setHotEntry] = useState<'no' | 'yes'>(product?.hotEntry ? 'yes' : 'no')
  const specs = classCard.investment ? investmentSpecs : classCard.alloy ? alloySpecs : []
  const [faults, setFaults] = useState<Readonly<Record<string, string>>>({})
  const weighed = classCard.measure?.by === 'mass' ? classCard.measure : undefined

  const read = (): { entered?: Omit<LabProduct, 'productId'>; wrong: Record<string, string> } => {
    const wrong: Record<string, string> = {}
    const number = (field: string, entry: string, unit: string) => {
      const { value, fault } = readNumber(entry, unit, false)
      if (fault) wrong[field] = fault
      return value
    }
    const rows = readRows(table, 2, 3)
    if (typeof rows === 'string') wrong.settingExpansion = rows
    const points = readRows(curve, 2, 2)
    if (typeof points === 'string') wrong.thermalCurve = points
    const figures = Object.fromEntries(
      specs.flatMap(({ key, unit }) => {
        const value = number(key, more[key] ?? '', unit)
        return value === undefined ? [] : [[key, value]]
      }),
    )
    const minutes = Object.fromEntries(
      times.flatMap(([field]) => {
        const value = number(`clock.${field}`, clock[field], 'min')
        return value === undefined ? [] : [[field, value]]
      }),
    )
    const millilitresPerGram = number('millilitresPerGram', perGram, 'mL/g')
    const bagGrams = number('bagGrams', bag, 'g')
    const densityGramsPerCm3 = number('densityGramsPerCm3', density, 'g/cm3')
    const kept = { ...timesNotShown(product), ...minutes }
    const entered = {
      materialId: classCard.id,
      name: name.trim(),
      source: source.trim(),
      ...(millilitresPerGram === undefined ? {} : { millilitresPerGram }),
      ...(bagGrams === undefined ? {} : { bagGrams }),
      ...(densityGramsPerCm3 === undefined ? {} : { densityGramsPerCm3 }),
      ...(Object.keys(kept).length > 0 ? { clock: kept } : {}),
      ...figures,
      ...(classCard.investment && hotEntry === 'yes' ? { hotEntry: true } : {}),
      ...(typeof rows !== 'string' && rows.length > 0 ? { settingExpansion: rows.map(expansionPoint) } : {}),
      ...(typeof points !== 'string' && points.length > 0 ? { thermalCurve: points.map(thermalPoint) } : {}),
    }
    for (const { field, sentence } of productFaults({ ...entered, productId: 'tried' }, classCard))
      wrong[field] ??= sentence
    return { entered, wrong }
  }
  const { entered, wrong } = read()
  const flags =
    entered && Object.keys(wrong).length === 0
      ? productFlags({ ...entered, productId: 'tried' }, classCard)
      : []

  const store = async (event: FormEvent) => {
    event.preventDefault()
    setFaults(wrong)
    if (!entered || Object.keys(wrong).length > 0) return
    try {
      await api(product ? `/products/${product.productId}` : '/products', {
        method: product ? 'PUT' : 'POST',
        body: entered,
      })
      onDone()
    } catch (error) {
      if (error instanceof ApiError) setFaults({ [error.problem.field ?? 'other']: error.message })
    }
  }
  const number = (
    field: string,
    label: string,
    unit: string,
    entry: string,
    onText: (text: string) => void,
    hint?: string,
  ) => (
    <NumberField label={label} unit={unit} text={entry} onText={onText} fault={faults[field]} hint={hint} />
  )
  return (
    <form
      className="grid gap-3"
      onSubmit={store}
      noValidate
      aria-label={product ? `Change ${product.name}` : 'New product'}
    >
      <div className="grid gap-3 sm:grid-cols-2">
        <TextField
          label="Name in this lab"
          text={name}
          onText={setName}
          fault={faults.name}
          autoFocus={!product}
        />
        <TextField label="Where it stands" text={source} onText={setSource} fault={faults.source} />
      </div>
      <div className="grid gap-x-3 sm:grid-cols-3">
        {weighed &&
          number(
            'millilitresPerGram',
            'Ratio',
            'mL/g',
            perGram,
            setPerGram,
            `class ${ratio(weighed.minMillilitresPerGram)}-${ratio(weighed.maxMillilitresPerGram)}`,
          )}
        {weighed && number('bagGrams', 'Bag', 'g', bag, setBag)}
        {number(
          'densityGramsPerCm3',
          'Density',
          'g/cm3',
          density,
          setDensity,
          classCard.density && `class ${classCard.density.gramsPerCm3}`,
        )}
        {!classCard.alloy &&
          times.map(([field, label]) => (
            <div key={field}>
              {number(
                `clock.${field}`,
                label,
                'min',
                clock[field],
                (entry) => setClock({ ...clock, [field]: entry }),
                classCard.clock && `class ${classCard.clock[field]}`,
              )}
            </div>
          ))}
      </div>
      {specs.length > 0 && <FigureFields specs={specs} typed={more} faults={faults} onTyped={setMore} />}
      {classCard.investment && (
        <>
          <Pills
            label="Marked for a hot furnace"
            options={[
              ['no', 'No'],
              ['yes', 'Yes'],
            ]}
            value={hotEntry}
            onChoose={setHotEntry}
          />
          <TextField
            label="Expansion: special liquid %, setting % and, if printed, thermal %, one line each"
            text={table}
            onText={setTable}
            fault={faults.settingExpansion}
            lines={3}
          />
          <TextField
            label="Thermal curve: °C and expansion %, a pair a line"
            text={curve}
            onText={setCurve}
            fault={faults.thermalCurve}
            lines={3}
          />
        </>
      )}
      {faults.clock && <Told tone="error">{faults.clock}</Told>}
      {faults.other && <Told tone="error">{faults.other}</Told>}
      {flags.map((flag) => (
        <Told key={flag} tone="warning">
          {flag} It can be stored all the same: the pack wins.
        </Told>
      ))}
      <div className="flex gap-2">
        <button type="submit" className="act-main">
          Store
        </button>
        <button type="button" className="act" onClick={onDone}>
          Leave it
        </button>
      </div>
    </form>
  )
}

/** Times that the form shows go by the form, also when emptied; those that it does not show stay as they were. */
function timesNotShown(product: LabProduct | undefined): LabProduct['clock'] {
  const shown = new Set<string>(times.map(([field]) => field))
  return Object.fromEntries(Object.entries(product?.clock ?? {}).filter(([field]) => !shown.has(field)))
}

/** Numbers, so many a line; or a sentence that names the line at fault. */
function readRows(text: string, least: number, most: number): readonly (readonly number[])[] | string {
  const rows: number[][] = []
  for (const [index, line] of text.split('\n').entries()) {
    if (line.trim() === '') continue
    const numbers = line
      .trim()
      .split(/[\s;]+/)
      .flatMap((word) => readNumber(word, '%').value ?? Number.NaN)
    if (numbers.length < least || numbers.length > most || numbers.some(Number.isNaN))
      return `Line ${index + 1} is not ${least === most ? 'two' : 'two or three'} numbers, as in: 60 1.1`
    rows.push(numbers)
  }
  return rows
}

const isNumber = (value: number | undefined): value is number => value !== undefined

function expansionPoint([
  specialLiquidPercent = 0,
  expansionPercent = 0,
  thermal,
]: readonly number[]): ExpansionPoint {
  return {
    specialLiquidPercent,
    expansionPercent,
    ...(thermal === undefined ? {} : { thermalPercent: thermal }),
  }
}
function thermalPoint([celsius = 0, expansionPercent = 0]: readonly number[]): ThermalPoint {
  return { celsius, expansionPercent }
}

/** What only an investment has, and what only an alloy has. */
const investmentSpecs = [
  { key: 'peakCelsius', label: 'Final hold', unit: '°C' },
  { key: 'hygroscopicPercent', label: 'In a water bath', unit: '%', hint: 'hygroscopic expansion' },
  {
    key: 'settingPercentPerRatioStep',
    label: 'Setting for 0.01 mL/g more',
    unit: '%',
    hint: 'usually below 0',
  },
] as const
const alloySpecs = [
  { key: 'castingShrinkagePercent', label: 'Casting shrinkage', unit: '%' },
  { key: 'castingFromCelsius', label: 'Cast from', unit: '°C' },
  { key: 'castingToCelsius', label: 'Cast to', unit: '°C' },
] as const
