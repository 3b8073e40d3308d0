import { checkEquipment, DomainError, type EquipmentKind, type LabEquipment } from '@yentrik/core'
import { type FormEvent, useState } from 'react'
import { ApiError, api } from '../live/api.ts'
import { useFetched } from '../live/live-store.ts'
import { Pills } from '../parts/Choices.tsx'
import { FigureFields, type FigureSpec } from '../parts/FigureFields.tsx'
import { readNumber } from '../parts/NumberField.tsx'
import { TextField } from '../parts/TextField.tsx'
import { Told } from '../parts/Told.tsx'
import type { Typed } from '../parts/typed-figures.ts'

const kinds: readonly {
  readonly kind: EquipmentKind
  readonly name: string
  readonly specs: readonly FigureSpec[]
}[] = [
  {
    kind: 'ring',
    name: 'Ring',
    specs: [
      { key: 'innerDiameterMillimetres', label: 'Inside', unit: 'mm' },
      { key: 'heightMillimetres', label: 'High', unit: 'mm' },
      { key: 'formerMillimetres', label: 'Former, high', unit: 'mm' },
      { key: 'linerMillimetres', label: 'Liner', unit: 'mm', hint: '0: none' },
    ],
  },
  {
    kind: 'arm',
    name: 'Casting arm',
    specs: [
      { key: 'innerMillimetres', label: 'Metal from the axis', unit: 'mm' },
      { key: 'outerMillimetres', label: 'End of the mould', unit: 'mm' },
      { key: 'measuredRpm', label: 'Speed measured', unit: 'rpm', hint: 'film or tachometer' },
      { key: 'measuredTurns', label: 'At turns', unit: '' },
    ],
  },
  {
    kind: 'furnace',
    name: 'Furnace',
    specs: [
      { key: 'timeConstantMinutes', label: 'Cools by 63 % in', unit: 'min', hint: 'switched off' },
      { key: 'mostRings', label: 'Rings it takes', unit: '' },
    ],
  },
  {
    kind: 'bath',
    name: 'Curing bath',
    specs: [
      { key: 'timeConstantMinutes', label: 'Cools by 63 % in', unit: 'min', hint: 'switched off' },
      { key: 'mostFlasks', label: 'Flasks it takes', unit: '' },
    ],
  },
  {
    kind: 'flask',
    name: 'Flask',
    specs: [
      { key: 'lowerMillilitres', label: 'Lower half', unit: 'mL', hint: 'water to its rim' },
      { key: 'ringMillilitres', label: 'Ring above', unit: 'mL', hint: 'water to the lid' },
      { key: 'ringMillimetres', label: 'Ring, high', unit: 'mm' },
    ],
  },
]

/** What stands in the lab, as it was measured here. */
export function EquipmentList() {
  const { data = [], reload } = useFetched<readonly LabEquipment[]>('/equipment')
  const [editing, setEditing] = useState<LabEquipment | 'new'>()
  return (
    <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_25rem]">
      <section className="card-flat grid gap-4 p-5" aria-label="Equipment">
        {data.length === 0 && (
          <p className="text-lg">
            Nothing is on the list: usual rings are proposed. Measure your own on the right.
          </p>
        )}
        {kinds.map(({ kind, name, specs }) => {
          const own = data.filter((each) => each.kind === kind)
          if (own.length === 0) return null
          return (
            <section key={kind}>
              <h2 className="text-xl font-semibold">{name}</h2>
              <ul className="grid gap-2">
                {own.map((each) => (
                  <li
                    key={each.name}
                    className="border-base-300 flex flex-wrap items-center justify-between gap-3 border-t py-2"
                  >
                    <div>
                      <b>{each.name}</b>
                      <p className="figures">
                        {specs
                          .map(({ key, label, unit }) =>
                            `${label.toLowerCase()} ${figure(each, key)} ${unit}`.trim(),
                          )
                          .join(', ')}
                        <span className="text-sm opacity-80"> ({each.source})</span>
                      </p>
                    </div>
                    <button
                      type="button"
                      className="small-act"
                      aria-label={`Change ${each.name}`}
                      onClick={() => setEditing(each)}
                    >
                      Change
                    </button>
                  </li>
                ))}
              </ul>
            </section>
          )
        })}
      </section>
      <EquipmentForm
        key={editing === 'new' || !editing ? 'new' : editing.name}
        start={editing === 'new' ? undefined : editing}
        onDone={() => {
          setEditing(undefined)
          reload()
        }}
      />
    </div>
  )
}

const figure = (equipment: LabEquipment, key: string) =>
  (equipment as unknown as Readonly<Record<string, number>>)[key]

function EquipmentForm({ start, onDone }: { start?: LabEquipment; onDone: () => void }) {
  const [kind, setKind] = useState<EquipmentKind>(start?.kind ?? 'ring')
  const [name, setName] = useState(start?.name ?? '')
  const [typed, setTyped] = useState<Typed>(() =>
    start
      ? Object.fromEntries(
          kinds
            .find((each) => each.kind === start.kind)!
            .specs.map(({ key }) => [key, String(figure(start, key))]),
        )
      : {},
  )
  const [told, setTold] = useState<{ readonly field?: string; readonly words: string }>()
  const { specs } = kinds.find((each) => each.kind === kind)!
  const tell = (error: unknown) => {
    if (error instanceof DomainError)
      setTold({ field: error.field, words: `${error.message} ${error.remedy}` })
    else if (error instanceof ApiError) setTold({ field: error.problem.field, words: error.message })
    else throw error
  }
  const store = async (event: FormEvent) => {
    event.preventDefault()
    const figures = Object.fromEntries(
      specs.map(({ key }) => [key, readNumber(typed[key] ?? '', '').value ?? Number.NaN]),
    )
    const equipment = {
      kind,
      name: name.trim(),
      source: 'measured here',
      ...figures,
    } as unknown as LabEquipment
    try {
      checkEquipment(equipment)
      const { name: _name, ...body } = equipment
      await api(`/equipment/${encodeURIComponent(equipment.name)}`, { method: 'PUT', body })
      if (start && start.name !== equipment.name) await drop(start.name)
      onDone()
      if (!start) {
        setName('')
        setTyped({})
      }
      setTold(undefined)
    } catch (error) {
      tell(error)
    }
  }
  const drop = (which: string) => api(`/equipment/${encodeURIComponent(which)}`, { method: 'DELETE' })
  const faults: Typed =
    told?.field && specs.some(({ key }) => key === told.field) ? { [told.field]: told.words } : {}
  return (
    <form
      noValidate
      className="card-flat grid gap-3 p-5"
      onSubmit={(event) => void store(event)}
      aria-label={start ? `Change ${start.name}` : 'New equipment'}
    >
      {!start && (
        <Pills
          label="What it is"
          options={kinds.map((each) => [each.kind, each.name] as const)}
          value={kind}
          onChoose={setKind}
        />
      )}
      <TextField
        label="Name in this lab"
        text={name}
        onText={setName}
        fault={told?.field === 'name' ? told.words : undefined}
      />
      <FigureFields specs={specs} typed={typed} faults={faults} onTyped={setTyped} wanted />
      {told && told.field !== 'name' && Object.keys(faults).length === 0 && (
        <Told tone="error">{told.words}</Told>
      )}
      <div className="flex flex-wrap gap-2">
        <button type="submit" className="act-main">
          Store
        </button>
        {start && (
          <>
            <button type="button" className="act" onClick={onDone}>
              Leave it
            </button>
            <button
              type="button"
              className="act"
              onClick={() => void drop(start.name).then(onDone).catch(tell)}
            >
              Off the list
            </button>
          </>
        )}
      </div>
    </form>
  )
}
