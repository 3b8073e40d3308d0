import {
  anteriorTeeth,
  checkToothSet,
  DomainError,
  posteriorTeeth,
  type ToothSet,
  toothNames,
} from '@yentrik/core'
import { useState } from 'react'
import { ApiError, api } from '../live/api.ts'
import { useFetched } from '../live/live-store.ts'
import { SelectField } from '../parts/Choices.tsx'
import { NumberField, readNumber } from '../parts/NumberField.tsx'
import { Sheet } from '../parts/Sheet.tsx'
import { TextField } from '../parts/TextField.tsx'
import { Told } from '../parts/Told.tsx'

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
  const { data: sets = [], reload } = useFetched<readonly ToothSet[]>('/tooth-sets')
  const [editing, setEditing] = useState<'new' | 'chosen'>()
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
              ? `six front teeth ${six?.toFixed(1)} mm, central ${chosen.lengthsMillimetres.central} mm long, cusps ${chosen.cuspDegrees}°`
              : undefined
          }
        />
      )}
      {fault && <Told tone="error">{fault}</Told>}
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
            reload()
            onChoose(set)
          }}
        />
      )}
    </div>
  )
}

const kinds = [...anteriorTeeth, ...posteriorTeeth]

function ToothSetSheet({
  start,
  onClose,
  onKept,
}: {
  start?: ToothSet
  onClose: () => void
  onKept: (set: ToothSet) => void
}) {
  const [name, setName] = useState(start?.name ?? '')
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>(() => typedSet(start))
  const [told, setTold] = useState<{ readonly field?: string; readonly words: string }>()
  const keep = async () => {
    const number = (key: string) => readNumber(typed[key] ?? '', '').value ?? Number.NaN
    const set: ToothSet = {
      name: name.trim(),
      widthsMillimetres: Object.fromEntries(kinds.map((kind) => [kind, number(kind)])) as never,
      lengthsMillimetres: Object.fromEntries(
        anteriorTeeth.map((kind) => [kind, number(`${kind} long`)]),
      ) as never,
      cuspDegrees: number('cuspDegrees'),
    }
    try {
      checkToothSet(set)
      const { name: _name, ...measures } = set
      await api(`/tooth-sets/${encodeURIComponent(set.name)}`, { method: 'PUT', body: measures })
      onKept(set)
    } catch (error) {
      if (error instanceof DomainError)
        setTold({ field: error.field, words: `${error.message} ${error.remedy}` })
      else if (error instanceof ApiError) setTold({ words: error.message })
      else throw error
    }
  }
  const field = (key: string, label: string, unit = 'mm') => (
    <NumberField
      key={key}
      label={label}
      unit={unit}
      text={typed[key] ?? ''}
      onText={(text) => setTyped({ ...typed, [key]: text })}
    />
  )
  return (
    <Sheet title="A set of teeth, as measured" onClose={onClose}>
      <form
        noValidate
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          void keep()
        }}
      >
        <TextField label="Name the lab gives it" text={name} onText={setName} />
        <div className="grid grid-cols-2 gap-x-3 sm:grid-cols-4">
          {kinds.map((kind) => field(kind, `${toothNames[kind]}, wide`))}
          {anteriorTeeth.map((kind) => field(`${kind} long`, `${toothNames[kind]}, long`))}
          {field('cuspDegrees', 'Cusp angle', '°')}
        </div>
        {told && <Told tone="error">{told.words}</Told>}
        <button type="submit" className="act-main justify-self-start">
          Keep the set
        </button>
      </form>
    </Sheet>
  )
}

function typedSet(set: ToothSet | undefined): Record<string, string> {
  if (!set) return {}
  return {
    ...Object.fromEntries(kinds.map((kind) => [kind, String(set.widthsMillimetres[kind])])),
    ...Object.fromEntries(
      anteriorTeeth.map((kind) => [`${kind} long`, String(set.lengthsMillimetres[kind])]),
    ),
    cuspDegrees: String(set.cuspDegrees),
  }
}
