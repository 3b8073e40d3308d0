import {
  anteriorTeeth,
  checkToothSet,
  posteriorTeeth,
  qty,
  saying,
  type ToothSet,
  toothNames,
} from '@yentrik/core'
import { useState } from 'react'
import { useEntryForm } from '../form/entry-form.ts'
import { FormNumber, FormText } from '../form/fields.tsx'
import { freshen, useAnswer } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { SelectField } from '../parts/Choices.tsx'
import { Message } from '../parts/Message.tsx'
import { readNumber } from '../parts/read-number.ts'
import { Sheet } from '../parts/Sheet.tsx'
import { useWords } from '../preferences/words.tsx'

/** The lab's own sets of teeth: choose one, or measure another. */
export function ToothSets({
  name,
  chosen,
  fault,
  onChoose,
}: {
  readonly name: string
  readonly chosen?: ToothSet
  readonly fault?: string
  readonly onChoose: (set: ToothSet) => void
}) {
  const { data: sets = [] } = useAnswer('GET /tooth-sets')
  const [editing, setEditing] = useState<'new' | 'chosen'>()
  const say = useWords()
  const six = chosen && anteriorTeeth.reduce((sum, kind) => sum + 2 * chosen.widthsMillimetres[kind], 0)
  return (
    <div className="grid gap-2">
      {sets.length === 0 ? (
        <p>No set of teeth is on the lab's list yet. Measure one with a caliper.</p>
      ) : (
        <SelectField
          label="Set of teeth"
          options={[['', 'Choose'], ...sets.map((set) => [set.name, set.name] as const)]}
          value={sets.some((set) => set.name === name) ? name : ''}
          onChoose={(next) => {
            const set = sets.find((each) => each.name === next)
            if (set) onChoose(set)
          }}
          hint={
            chosen
              ? say(
                  saying`six front teeth ${qty.mm(six ?? 0, 1)}, central ${qty.mm(chosen.lengthsMillimetres.central)} long, cusps ${qty.degrees(chosen.cuspDegrees)}`,
                )
              : undefined
          }
        />
      )}
      {fault && <Message tone="error">{fault}</Message>}
      <div className="flex flex-wrap gap-2">
        <button type="button" className="small-act" onClick={() => setEditing('new')}>
          Measure another set
        </button>
        {chosen && (
          <button type="button" className="small-act" onClick={() => setEditing('chosen')}>
            Its figures
          </button>
        )}
      </div>
      {editing && (
        <ToothSetSheet
          start={editing === 'chosen' ? chosen : undefined}
          onClose={() => setEditing(undefined)}
          onKept={(set) => {
            setEditing(undefined)
            onChoose(set)
          }}
        />
      )}
    </div>
  )
}

const kinds = [...anteriorTeeth, ...posteriorTeeth]

/** A set as it is typed: the measures by the names that the core refuses them under. */
interface TypedSet {
  name: string
  cuspDegrees: string
  [measure: string]: string
}

function ToothSetSheet({
  start,
  onClose,
  onKept,
}: {
  start?: ToothSet
  onClose: () => void
  onKept: (set: ToothSet) => void
}) {
  const form = useEntryForm<TypedSet>({
    draftKey: `tooth set ${start?.name ?? 'new'}`,
    start: () => typedSet(start),
    check: (typed) => ({
      name: typed.name.trim() === '' ? 'Give it the name the lab uses.' : undefined,
      ...Object.fromEntries(measures.map(({ key, unit }) => [key, readNumber(typed[key] ?? '', unit).fault])),
    }),
    store: async (typed) => {
      const set = setOf(typed)
      checkToothSet(set)
      const { name, ...body } = set
      await request('PUT /tooth-sets/:name', { path: { name }, body })
      await freshen('GET /tooth-sets')
      onKept(set)
    },
  })
  return (
    <Sheet title="A set of teeth, as measured" onClose={onClose}>
      <form noValidate className="grid gap-3" onSubmit={form.submit}>
        <FormText form={form} name="name" label="Name the lab gives it" />
        <div className="grid grid-cols-2 gap-x-3 sm:grid-cols-4">
          {measures.map(({ key, label, unit }) => (
            <FormNumber key={key} form={form} name={key} label={label} unit={unit} />
          ))}
        </div>
        {form.fault && <Message tone="error">{form.fault}</Message>}
        <button type="submit" className="act-main justify-self-start" disabled={form.busy}>
          Keep the set
        </button>
      </form>
    </Sheet>
  )
}

const measures = [
  ...kinds.map((kind) => ({ key: kind as string, label: `${toothNames[kind]}, wide`, unit: 'mm' })),
  ...anteriorTeeth.map((kind) => ({ key: `${kind} long`, label: `${toothNames[kind]}, long`, unit: 'mm' })),
  { key: 'cuspDegrees', label: 'Cusp angle', unit: '°' },
]

function setOf(typed: TypedSet): ToothSet {
  const number = (key: string, unit = 'mm') => readNumber(typed[key] ?? '', unit).value ?? Number.NaN
  return {
    name: typed.name.trim(),
    widthsMillimetres: Object.fromEntries(kinds.map((kind) => [kind, number(kind)])) as never,
    lengthsMillimetres: Object.fromEntries(
      anteriorTeeth.map((kind) => [kind, number(`${kind} long`)]),
    ) as never,
    cuspDegrees: number('cuspDegrees', '°'),
  }
}

function typedSet(set: ToothSet | undefined): TypedSet {
  if (!set) return { name: '', cuspDegrees: '' }
  return {
    name: set.name,
    ...Object.fromEntries(kinds.map((kind) => [kind, String(set.widthsMillimetres[kind])])),
    ...Object.fromEntries(
      anteriorTeeth.map((kind) => [`${kind} long`, String(set.lengthsMillimetres[kind])]),
    ),
    cuspDegrees: String(set.cuspDegrees),
  }
}
