import { type LabEquipment, stationNames, stations } from '@yentrik/core'
import { useMemo, useState } from 'react'
import { useEntryForm } from '../form/entry-form.ts'
import { FormNumber, FormPills, FormText } from '../form/fields.tsx'
import { useNow } from '../live/lab-clock.ts'
import { freshen, useAnswer } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { Pills, SelectField } from '../parts/Choices.tsx'
import { Message } from '../parts/Message.tsx'
import { readNumber } from '../parts/read-number.ts'
import { Spells } from '../parts/Spells.tsx'
import type { CsvColumn } from '../table/csv.ts'
import { DataTable, type TableColumn } from '../table/DataTable.tsx'
import {
  equipmentKinds,
  equipmentOf,
  factsOf,
  kindNames,
  measured,
  measuresOf,
  measureWords,
  runsPrograms,
  type TypedEquipment,
  typedEquipment,
} from './equipment-kinds.ts'

const none: readonly LabEquipment[] = []

/** What stands in the lab, as it was measured here. */
export function EquipmentList() {
  const { data = none } = useAnswer('GET /equipment')
  const [editing, setEditing] = useState<LabEquipment>()
  const columns = useMemo(() => equipmentColumns(setEditing), [])
  return (
    <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_25rem]">
      <DataTable
        name="Equipment"
        rows={data}
        columns={columns}
        keyOf={({ name }) => name}
        onOpen={setEditing}
        startsBy={{ id: 'kind', desc: false }}
        csv={{ file: 'equipment.csv', columns: csvColumns(data) }}
        empty="Nothing is on the list: usual rings are proposed. Measure your own on the right."
      />
      <EquipmentForm key={editing?.name ?? 'new'} start={editing} onDone={() => setEditing(undefined)} />
    </div>
  )
}

function equipmentColumns(onChange: (piece: LabEquipment) => void): readonly TableColumn<LabEquipment>[] {
  return [
    {
      id: 'kind',
      name: 'Kind',
      width: '8rem',
      wideOnly: true,
      value: ({ kind }) => kindNames.indexOf(kind),
      show: ({ kind }) => equipmentKinds[kind].name,
    },
    {
      id: 'name',
      name: 'Name',
      width: '10rem',
      value: ({ name }) => name,
      show: ({ name }) => <b>{name}</b>,
    },
    {
      id: 'measures',
      name: 'As measured',
      width: 'minmax(0,1fr)',
      value: ({ kind, ...piece }) => measured({ kind, ...piece } as LabEquipment, measuresOf(kind)[0]!.field),
      show: (piece) => (
        <span className="figures">
          {measureWords(piece)} <span className="text-sm opacity-80">({piece.source})</span>
        </span>
      ),
    },
    {
      id: 'change',
      name: '',
      width: '6.5rem',
      right: true,
      value: () => undefined,
      show: (piece) => (
        <button
          type="button"
          className="small-act"
          aria-label={`Change ${piece.name}`}
          onClick={() => onChange(piece)}
        >
          Change
        </button>
      ),
    },
  ]
}

/** One column for each measure that any piece of the list has. */
function csvColumns(pieces: readonly LabEquipment[]): readonly CsvColumn<LabEquipment>[] {
  const used = kindNames.filter((kind) => pieces.some((piece) => piece.kind === kind))
  return [
    { name: 'Kind', value: ({ kind }) => equipmentKinds[kind].name },
    { name: 'Name', value: ({ name }) => name },
    ...used.flatMap((kind) =>
      measuresOf(kind).map(({ field, label, unit }) => ({
        name: `${equipmentKinds[kind].name}: ${label}`,
        unit,
        value: (piece: LabEquipment) => (piece.kind === kind ? measured(piece, field) : undefined),
      })),
    ),
    { name: 'Source', value: ({ source }) => source },
  ]
}

function EquipmentForm({ start, onDone }: { start?: LabEquipment; onDone: () => void }) {
  const { refusal, run } = useRequest()
  const [facts, setFacts] = useState(() => factsOf(start))
  const now = useNow()
  const drop = (name: string) => request('DELETE /equipment/:name', { path: { name } })
  const form = useEntryForm<TypedEquipment>({
    draftKey: `equipment ${start?.name ?? 'new'}`,
    start: () => typedEquipment(start),
    check: (typed) =>
      Object.fromEntries(
        measuresOf(typed.kind).map(({ field, unit, optional }) => [
          field,
          readNumber(typed[field] ?? '', unit, { wanted: !optional }).fault,
        ]),
      ),
    store: async (typed) => {
      const { name, ...body } = equipmentOf(typed, facts, start)
      await request('PUT /equipment/:name', { path: { name }, body })
      if (start && start.name !== name) await drop(start.name)
      await freshen('GET /equipment')
      onDone()
    },
  })
  return (
    <form
      noValidate
      className="card-flat grid gap-3 p-5"
      onSubmit={form.submit}
      aria-label={start ? `Change ${start.name}` : 'New equipment'}
    >
      {!start && (
        <FormPills
          form={form}
          name="kind"
          label="What it is"
          options={kindNames.map((kind) => [kind, equipmentKinds[kind].name] as const)}
        />
      )}
      <FormText form={form} name="name" label="Name in this lab" />
      <div className="grid grid-cols-2 gap-x-3">
        {measuresOf(form.values.kind).map(({ field, label, unit, hint }) => (
          <FormNumber key={field} form={form} name={field} label={label} unit={unit} hint={hint} />
        ))}
      </div>
      {form.values.kind === 'station' && (
        <SelectField
          label="Which place"
          options={stations.map((each) => [each, stationNames[each]] as const)}
          value={facts.what}
          onChoose={(what) => setFacts({ ...facts, what })}
        />
      )}
      {runsPrograms(form.values.kind) && (
        <Pills
          label="Its program begins"
          options={[
            ['hand', 'When somebody starts it'],
            ['timer', 'By its timer'],
          ]}
          value={facts.startsByTimer ? 'timer' : 'hand'}
          onChoose={(value) => setFacts({ ...facts, startsByTimer: value === 'timer' })}
        />
      )}
      {(runsPrograms(form.values.kind) || form.values.kind === 'station') && (
        <Spells
          title="Out of order"
          spells={facts.outOfOrder}
          onSpells={(outOfOrder) => setFacts({ ...facts, outOfOrder })}
          why="Why"
          now={now}
        />
      )}
      {form.fault && <Message tone="error">{form.fault}</Message>}
      {refusal && <Message tone="error" words={refusal} />}
      <div className="flex flex-wrap gap-2">
        <button type="submit" className="act-main" disabled={form.busy}>
          Store
        </button>
        {start && (
          <>
            <button
              type="button"
              className="act"
              onClick={() => {
                form.forget()
                onDone()
              }}
            >
              Leave it
            </button>
            <button
              type="button"
              className="act"
              onClick={() =>
                void run(async () => {
                  await drop(start.name)
                  await freshen('GET /equipment')
                  onDone()
                })
              }
            >
              Off the list
            </button>
          </>
        )}
      </div>
    </form>
  )
}
