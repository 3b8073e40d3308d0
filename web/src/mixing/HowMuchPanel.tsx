import {
  BEARING_AREA_CM2,
  type FlaskMeasured,
  type MeshUnitId,
  type MixGiven,
  usualJobs,
} from '@yentrik/core'
import { lazy, Suspense } from 'react'
import { capital, grams } from '../format/format.ts'
import { useAnswer } from '../live/queries.ts'
import { type Options, Pills, SelectField } from '../parts/Choices.tsx'
import { Message, Waiting } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { useEquipment } from '../record/equipment.ts'
import {
  type Basis,
  bagGramsOf,
  type Field,
  flaskUnit,
  type HowMuch,
  type HowMuchEntry,
  wasteFor,
} from './how-much.ts'
import type { Weighed } from './weighed.ts'

const MeshDrop = lazy(async () => ({ default: (await import('../mesh/MeshDrop.tsx')).MeshDrop }))

const bases: Options<Basis> = [
  ['weight', 'Weight'],
  ['job', 'Job'],
  ['size', 'Size'],
  ['mesh', 'Mesh'],
  ['flask', 'Flask'],
  ['before', 'As before'],
]
const knownParts: Options<MixGiven['from']> = [
  ['powder', 'Powder'],
  ['liquid', 'Liquid'],
  ['total', 'Total'],
  ['bags', 'Bags'],
]

interface HowMuchPanelProps {
  readonly entry: HowMuchEntry
  readonly onEntry: (change: Partial<HowMuchEntry>) => void
  readonly result: HowMuch
  readonly card: Weighed
  /** The class that it is of, and the step it is for: what "as before" looks up. */
  readonly materialId: string
  readonly stepId?: string
  readonly amountId?: string
}

/** How much: by a known part, a usual job, measured sides, a mesh, a pour of a flask, or what this lab used before. */
export function HowMuchPanel(props: HowMuchPanelProps) {
  const { entry, onEntry, result, card } = props
  const ofBase = entry.basis === 'size' && entry.shape === 'base'
  const field = (name: Field, label: string, unit: string, hint?: string) => (
    <NumberField
      label={label}
      unit={unit}
      text={entry[name]}
      onText={(text) => onEntry({ [name]: text })}
      fault={entry[name].trim() === '' ? undefined : result.faults[name]}
      hint={hint}
    />
  )
  return (
    <div className="grid gap-3">
      <Pills
        label="How much, by"
        options={bases}
        value={entry.basis}
        onChoose={(basis) => onEntry({ basis })}
      />
      {entry.basis === 'weight' && (
        <>
          <SelectField
            label="What is known"
            options={knownParts}
            value={entry.from}
            onChoose={(from) => onEntry({ from })}
          />
          {field(
            'known',
            knownLabel(entry.from, card),
            entry.from === 'liquid' ? 'mL' : entry.from === 'bags' ? '' : 'g',
          )}
        </>
      )}
      {entry.basis === 'job' && (
        <>
          <SelectField
            label="What for"
            options={usualJobs.map(({ id, name }) => [id, name])}
            value={entry.jobId}
            onChoose={(jobId) => onEntry({ jobId })}
            hint={result.source}
          />
          <Pills
            label="Its size"
            options={[
              ['small', 'Small'],
              ['medium', 'Medium'],
              ['large', 'Large'],
            ]}
            value={entry.size}
            onChoose={(size) => onEntry({ size })}
          />
          {field('count', 'How many', '')}
        </>
      )}
      {entry.basis === 'size' && (
        <>
          <Pills
            label="Space"
            options={[
              ['cylinder', 'Round: ring, former'],
              ['block', 'Block'],
              ['base', 'Denture base'],
            ]}
            value={entry.shape}
            onChoose={(shape) => onEntry({ shape, waste: wasteFor(shape, entry.waste) })}
          />
          {entry.shape === 'base' && (
            <Pills
              label="Arch"
              options={[
                ['upper', 'Upper'],
                ['lower', 'Lower'],
              ]}
              value={entry.arch}
              onChoose={(arch) => onEntry({ arch })}
            />
          )}
          <div className="grid grid-cols-2 gap-x-3">
            {entry.shape === 'base' ? (
              <>
                {field('thickness', 'Thick', 'mm', 'plate and flanges')}
                {field('area', 'Area under it', 'cm2', `${BEARING_AREA_CM2[entry.arch]} is the mean`)}
              </>
            ) : entry.shape === 'cylinder' ? (
              field('diameter', 'Across', 'mm')
            ) : (
              <>
                {field('length', 'Long', 'mm')}
                {field('width', 'Wide', 'mm')}
              </>
            )}
            {entry.shape !== 'base' && field('height', 'High', 'mm')}
            {entry.shape !== 'base' && field('inside', 'Stands inside', 'cm3', 'pattern or cast')}
          </div>
        </>
      )}
      {entry.basis === 'mesh' && (
        <Suspense fallback={<Waiting />}>
          <MeshDrop
            unit={entry.meshUnit}
            onMesh={(meshVolume: number | undefined) => onEntry({ meshVolume, meshUnit: undefined })}
            onUnit={(meshUnit: MeshUnitId) => onEntry({ meshUnit })}
          />
        </Suspense>
      )}
      {entry.basis === 'flask' && <OfFlask {...props} />}
      {entry.basis === 'before' && <AsBefore {...props} />}
      {(entry.basis === 'size' || entry.basis === 'mesh' || entry.basis === 'flask') && (
        <div className="grid grid-cols-2 items-start gap-x-3">
          {!ofBase && (
            <Pills
              label="Air in it"
              options={[
                ['vacuum', 'Vacuum'],
                ['hand', 'Hand'],
              ]}
              value={entry.air}
              onChoose={(air) => onEntry({ air })}
            />
          )}
          {field('waste', ofBase ? 'Flash and jar' : 'Stays in the bowl', '%')}
        </div>
      )}
      {result.fault && <Message tone="error" words={result.fault} />}
      {result.cm3 !== undefined && (
        <p className="text-sm">
          <b className="figures text-lg">{result.cm3.toFixed(1)} cm3</b> to fill, {result.source}
        </p>
      )}
    </div>
  )
}

const flaskFields: readonly (readonly [keyof FlaskMeasured, string, string?])[] = [
  ['lowerMillilitres', 'Lower half', 'to its rim'],
  ['ringMillilitres', 'Ring above', 'to the lid'],
  ['ringMillimetres', 'Ring high'],
  ['castMillimetres', 'Cast to land'],
  ['castLengthMillimetres', 'Cast long'],
  ['castWidthMillimetres', 'Cast wide'],
  ['cuspMillimetres', 'Cusps', 'above the land'],
  ['waxUpCm3', 'Wax-up', 'above the land, with ridge and teeth'],
]

const waterFields = ['lowerMillilitres', 'ringMillilitres', 'ringMillimetres'] as const

/** The three pours of a flask, from its water and its cast. */
function OfFlask({ entry, onEntry, result }: HowMuchPanelProps) {
  const flasks = useEquipment('flask')
  const known = flasks.find((flask) => waterFields.every((key) => entry.flask[key] === String(flask[key])))
  const isWater = (field: keyof FlaskMeasured) => waterFields.some((key) => key === field)
  const fields = known ? flaskFields.filter(([field]) => !isWater(field)) : flaskFields
  const cm3 = (pour: HowMuchEntry['pour']) =>
    result.flask ? ` ${result.flask.cm3[pour].toFixed(0)} cm3` : ''
  return (
    <>
      <Pills
        label="Pour, cm3"
        options={[
          ['first', `First${cm3('first')}`],
          ['second', `Second${cm3('second')}`],
          ['cap', `Cap${cm3('cap')}`],
        ]}
        value={entry.pour}
        onChoose={(pour) => onEntry({ pour })}
      />
      {flasks.length > 0 ? (
        <SelectField
          label="Flask"
          options={[['', 'Typed below'], ...flasks.map(({ name }) => [name, name] as const)]}
          value={known?.name ?? ''}
          onChoose={(name) => {
            const flask = flasks.find((each) => each.name === name)
            const water = Object.fromEntries(waterFields.map((key) => [key, flask ? String(flask[key]) : '']))
            onEntry({ flask: { ...entry.flask, ...water } })
          }}
          hint="from Shelf, Equipment"
        />
      ) : (
        <p className="text-sm">
          Fill the flask with water once, and weigh it: 1 g is 1 mL. Put it on the list: Shelf, Equipment.
        </p>
      )}
      <div className="grid grid-cols-2 gap-x-3">
        {fields.map(([field, label, hint]) => (
          <NumberField
            key={field}
            label={label}
            unit={flaskUnit(field)}
            text={entry.flask[field]}
            onText={(text) => onEntry({ flask: { ...entry.flask, [field]: text } })}
            fault={entry.flask[field].trim() === '' ? undefined : result.faults[field]}
            hint={hint}
          />
        ))}
      </div>
      {result.flask?.warning && <Message tone="warning" words={result.flask.warning} />}
    </>
  )
}

function knownLabel(from: MixGiven['from'], card: Weighed): string {
  switch (from) {
    case 'bags':
      return `Bags of ${bagGramsOf(card)} g`
    case 'total':
      return 'Powder and liquid together'
    case 'liquid':
      return capital(card.liquidName)
    case 'powder':
      return capital(card.powderName)
  }
}

function AsBefore({ entry, onEntry, materialId, stepId, amountId }: HowMuchPanelProps) {
  const { data } = useAnswer('GET /mixing/remembered', {
    query: { materialId, ...(stepId && amountId ? { stepId, amountId } : {}) },
  })
  const before = data?.remembered
  if (!data) return <Waiting />
  if (!before) return <p>Nothing of it is on record yet. Go by the job or the size.</p>
  return (
    <div className="grid gap-2">
      <p>
        <b className="figures text-2xl">{grams(before.medianPowderGrams)}</b> is the middle of {before.count}{' '}
        {before.count === 1 ? 'mix' : 'mixes'} on record{stepId ? ' for this step' : ''}, from{' '}
        {grams(before.leastPowderGrams)} to {grams(before.mostPowderGrams)}.
      </p>
      <button
        type="button"
        className={`small-act justify-self-start ${entry.beforeGrams === before.medianPowderGrams ? 'btn-primary' : ''}`}
        onClick={() => onEntry({ beforeGrams: before.medianPowderGrams })}
      >
        As before
      </button>
    </div>
  )
}
