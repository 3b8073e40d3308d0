import {
  type ExpansionPoint,
  type LabProduct,
  type MaterialCard,
  productFaults,
  productFlags,
} from '@yentrik/core'
import { type FormEvent, useState } from 'react'
import { ratio } from '../format/format.ts'
import { ApiError, api } from '../live/api.ts'
import { NumberField, readNumber } from '../parts/NumberField.tsx'
import { TextField } from '../parts/TextField.tsx'
import { Told } from '../parts/Told.tsx'

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
      .map((p) => `${p.specialLiquidPercent} ${p.expansionPercent}`)
      .join('\n'),
  )
  const [faults, setFaults] = useState<Readonly<Record<string, string>>>({})
  const weighed = classCard.measure?.by === 'mass' ? classCard.measure : undefined

  const read = (): { entered?: Omit<LabProduct, 'productId'>; wrong: Record<string, string> } => {
    const wrong: Record<string, string> = {}
    const number = (field: string, entry: string, unit: string) => {
      const { value, fault } = readNumber(entry, unit, false)
      if (fault) wrong[field] = fault
      return value
    }
    const points = readTable(table)
    if (typeof points === 'string') wrong.settingExpansion = points
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
      ...(typeof points !== 'string' && points.length > 0 ? { settingExpansion: points } : {}),
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
        {times.map(([field, label]) => (
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
      {classCard.family === 'investment' && (
        <TextField
          label="Setting expansion: special liquid % and expansion %, a pair a line"
          text={table}
          onText={setTable}
          fault={faults.settingExpansion}
          lines={3}
        />
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

/** Pairs of numbers, one a line; or a sentence that names the line at fault. */
function readTable(text: string): readonly ExpansionPoint[] | string {
  const points: ExpansionPoint[] = []
  for (const [index, line] of text.split('\n').entries()) {
    if (line.trim() === '') continue
    const numbers = line
      .trim()
      .split(/[\s;]+/)
      .map((word) => readNumber(word, '%').value)
    const [specialLiquidPercent, expansionPercent] = numbers
    if (numbers.length !== 2 || specialLiquidPercent === undefined || expansionPercent === undefined)
      return `Line ${index + 1} is not two numbers, as in: 60 1.1`
    points.push({ specialLiquidPercent, expansionPercent })
  }
  return points
}
