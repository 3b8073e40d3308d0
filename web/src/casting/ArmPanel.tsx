import {
  alloyCards,
  armSpeed,
  bareMouldCelsius,
  centrifugalKilopascals,
  checksMeaning,
  inflowMetresPerSecond,
  joined,
  LATEST_TRANSFER_SECONDS,
  phosphateOut,
  qty,
  radiiOf,
  saying,
  turnsForEqualPressure,
} from '@yentrik/core'
import { useEffect, useState } from 'react'
import { minutesSeconds, quantity } from '../format/format.ts'
import { labNow, useNow } from '../live/lab-clock.ts'
import { attempt } from '../parts/attempt.ts'
import { SelectField } from '../parts/Choices.tsx'
import { FigureFields } from '../parts/FigureFields.tsx'
import { Message } from '../parts/Message.tsx'
import { readAll, type Typed, unitsOf } from '../parts/typed-figures.ts'
import { usePreferences } from '../preferences/preferences.ts'
import { Said } from '../preferences/words.tsx'
import { useEquipment } from '../record/equipment.ts'
import { type ForCase, IntoRecord } from '../record/IntoRecord.tsx'
import { type AlloyChoice, inText } from './casting-cards.ts'

const specs = [
  { key: 'rpm', label: 'Speed of the arm', unit: 'rpm', hint: 'by film or tachometer' },
  { key: 'inner', label: 'Metal from the axis', unit: 'mm' },
  { key: 'outer', label: 'End of the mould', unit: 'mm', hint: 'from the axis' },
  { key: 'turns', label: 'Turns wound', unit: '' },
] as const
export const armStart: Typed = { rpm: '', inner: '220', outer: '250', turns: '3' }

/** Pressure at the far end of the mould, turns by density, and the minute from oven to arm. */
export function ArmPanel({
  alloy,
  typed,
  onTyped,
  forCase,
}: {
  readonly alloy: AlloyChoice
  readonly typed: Typed
  readonly onTyped: (typed: Typed) => void
  readonly forCase?: ForCase
}) {
  const arms = useEquipment('arm')
  const units = usePreferences((preferences) => preferences.units)
  const { values, faults } = readAll(typed, ['rpm', 'inner', 'outer'], unitsOf(specs))
  const radii = values && { innerMetres: values.inner / 1000, outerMetres: values.outer / 1000 }
  const { answer, refusal } =
    values && radii
      ? attempt(() => ({
          kilopascals: centrifugalKilopascals(alloy.gramsPerCm3, values.rpm, radii),
          inflow: inflowMetresPerSecond(values.rpm, radii),
        }))
      : {}
  const turns = readAll(typed, ['turns'], unitsOf(specs)).values?.turns
  const arm = arms.find(({ name }) => name === typed.arm) ?? arms[0]
  const band =
    arm && turns
      ? attempt(() =>
          armSpeed(arm, turns).map((rpm) => centrifugalKilopascals(alloy.gramsPerCm3, rpm, radiiOf(arm))),
        ).answer
      : undefined
  const [wanted] = forCase ? checksMeaning(forCase.job, 'armTurns') : []
  const gold = alloyCards.find(({ id }) => id === 'gold-type-3')!
  const equal = turns
    ? attempt(() => turnsForEqualPressure(turns, gold.gramsPerCm3, alloy.gramsPerCm3)).answer
    : undefined
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_25rem]">
      <section className="card-flat grid content-start gap-4 p-4" aria-label="Arm">
        {answer ? (
          <p className="text-lg">
            <output className="figures text-6xl leading-none font-bold" aria-label="Pressure">
              {quantity(answer.kilopascals, 'kilopascals', units)}
            </output>{' '}
            at the end of the mould, metal at {answer.inflow.toFixed(1)} m/s
          </p>
        ) : (
          <p className="text-lg">
            <Said
              words={
                refusal ??
                'Speed not measured: only ratios can be given. Film the arm in slow motion, or hold a tachometer to it.'
              }
            />
          </p>
        )}
        {band && arm && (
          <p className="text-lg">
            {arm.name} at {turns} turns:{' '}
            <output className="figures font-bold" aria-label="Pressure of the arm">
              {[...new Set(band.map((each) => quantity(Math.round(each), 'kilopascals', units)))].join(
                ' to ',
              )}
            </output>
            , from its {arm.measuredRpm} rpm at {arm.measuredTurns} turns; the preload of its spring is not
            known.
          </p>
        )}
        <p className="text-lg">
          {`Usual for ${inText(alloy)}: ${alloy.turns.join(' to ')} turns (common practice).`}
          {equal !== undefined &&
            alloy.id !== gold.id &&
            ` What ${turns} turns give gold of ${gold.gramsPerCm3} g/cm³ takes ${equal.toFixed(1)} turns here, on a spring without preload.`}
        </p>
        {forCase && wanted && turns !== undefined && (
          <IntoRecord
            forCase={forCase}
            step={wanted.step}
            figures={[{ step: wanted.step, checkId: wanted.check.id, value: turns }]}
            words={`${turns} turns`}
          />
        )}
        <Transfer />
        <p className="text-sm opacity-80">
          <Said
            words={saying`A turning liquid (exact); friction, spin-up and freezing are not counted. Transfer: a bare phosphate mould from ${qty.celsius(phosphateOut.startCelsius)} as a half-space (Carslaw & Jaeger, recalled); a metal ring with its liner loses less.`}
          />
        </p>
      </section>
      <aside className="card-flat p-4" aria-label="Figures">
        {arms.length > 0 && (
          <SelectField
            label="Arm of the lab"
            options={arms.map(({ name }) => [name, name] as const)}
            value={arm?.name ?? ''}
            onChoose={(name) => onTyped({ ...typed, arm: name })}
          />
        )}
        <FigureFields specs={specs} typed={typed} faults={faults} onTyped={onTyped} />
      </aside>
    </div>
  )
}

const DEPTHS = [3, 6] as const

/** The seconds from the oven, and what the pattern's depth has lost meanwhile. */
function Transfer() {
  const [since, setSince] = useState<number>()
  const [stopped, setStopped] = useState<number>()
  useNow()
  const [, tick] = useState(0)
  const running = since !== undefined && stopped === undefined
  useEffect(() => {
    if (!running) return
    const beat = setInterval(() => tick((n) => n + 1), 250)
    return () => clearInterval(beat)
  }, [running])
  const seconds = since === undefined ? 0 : ((stopped ?? labNow()) - since) / 1000
  return (
    <div className="grid gap-2">
      <div className="flex flex-wrap items-center gap-3">
        <button
          type="button"
          className={running ? 'act btn-error' : 'act-main'}
          onClick={() => {
            if (running) setStopped(labNow())
            else {
              setSince(labNow())
              setStopped(undefined)
            }
          }}
        >
          {running ? 'Arm released' : 'Out of the oven'}
        </button>
        {since !== undefined && (
          <output
            className={`figures text-5xl font-bold ${seconds > LATEST_TRANSFER_SECONDS ? 'text-error' : ''}`}
            aria-label="Since the oven"
          >
            {minutesSeconds(1000 * seconds)}
          </output>
        )}
      </div>
      {since !== undefined && (
        <p className="text-lg">
          <Said
            words={saying`${joined(
              DEPTHS.map(
                (depth) =>
                  saying`${qty.celsiusApart(phosphateOut.startCelsius - bareMouldCelsius(phosphateOut, seconds, depth))} lost at ${qty.mm(depth)}`,
              ),
            )}.`}
          />
        </p>
      )}
      {seconds > LATEST_TRANSFER_SECONDS && (
        <Message tone="error">
          More than a minute: the mould has shrunk at the pattern. Back into the oven and hold again.
        </Message>
      )}
    </div>
  )
}
