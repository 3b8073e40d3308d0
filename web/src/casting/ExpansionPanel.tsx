import {
  type AlloyCard,
  availableExpansion,
  type ConcentrationAnswer,
  concentrationFor,
  type ExpansionBudget,
  type ExpansionRow,
  type Fit,
  fitAt,
  neededExpansion,
  WAX_CONTRACTION_PER_CELSIUS,
} from '@yentrik/core'
import { useMemo } from 'react'
import { Chart } from '../parts/Chart.tsx'
import { readNumber } from '../parts/NumberField.tsx'
import { NumberGrid } from '../parts/NumberGrid.tsx'
import { Told } from '../parts/Told.tsx'
import { FigureFields } from './Figures.tsx'
import { ask, readAll, type Typed } from './typed-figures.ts'

const specs = [
  { key: 'die', label: 'Die, diameter', unit: 'mm' },
  { key: 'spacer', label: 'Spacer', unit: 'µm', hint: '20-40 usual' },
  { key: 'gap', label: 'Gap wanted', unit: 'µm', hint: 'the spacer: size-true' },
  { key: 'shrinkage', label: 'Alloy shrinks', unit: '%', hint: 'from its sheet' },
  { key: 'cooling', label: 'Wax cooled by', unit: '°C', hint: '0.035 % for each' },
  { key: 'hygroscopic', label: 'Hygroscopic', unit: '%', hint: 'water bath, else 0' },
  { key: 'restraint', label: 'Ring lets through', unit: '%', hint: '100 with a liner' },
] as const
const keys = specs.map(({ key }) => key)

export const expansionStart: Typed = {
  die: '8',
  spacer: '30',
  gap: '30',
  cooling: '0',
  hygroscopic: '0',
  restraint: '100',
}
const ROWS = [0, 1, 2, 3, 4]
const columns = [
  ['liquid', 'Special liquid, %'],
  ['setting', 'Setting, %'],
  ['thermal', 'Thermal at peak, %'],
] as const

/** The special liquid that makes a casting fit, from the investment's own table. */
export function ExpansionPanel({
  alloy,
  typed,
  onTyped,
}: {
  readonly alloy: AlloyCard
  readonly typed: Typed
  readonly onTyped: (typed: Typed) => void
}) {
  const entered = {
    ...typed,
    shrinkage: typed.shrinkage ?? String(Number((100 * alloy.shrinkageFraction).toFixed(3))),
  }
  const { values, faults } = readAll(entered, keys)
  const { table, wrong } = readTable(typed)
  const budget: ExpansionBudget | undefined = values && {
    shrinkageFraction: values.shrinkage / 100,
    waxContractionFraction: WAX_CONTRACTION_PER_CELSIUS * values.cooling,
    hygroscopicFraction: values.hygroscopic / 100,
    restraint: values.restraint / 100,
    thermalShare: 1,
    table,
  }
  const die = values && { dieMillimetres: values.die, spacerMillimetres: values.spacer / 1000 }
  const { answer, refusal } =
    budget && die && table.length > 0 ? ask(() => concentrationFor(budget, die, values.gap / 1000)) : {}
  const curve = useMemo(() => {
    if (!budget || !die || !answer) return []
    const [from, to] = [table[0]!.specialLiquidPercent, table.at(-1)!.specialLiquidPercent]
    return Array.from({ length: 41 }, (_, n) => from + ((to - from) * n) / 40).map((percent) => [
      percent,
      1000 * fitAt(budget, die, percent).gapMillimetres,
    ])
  }, [budget, die, answer, table])
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_25rem]">
      <section className="card-flat grid content-start gap-3 p-4" aria-label="Fit">
        {answer && budget && values ? (
          <>
            <Verdict answer={answer} budget={budget} />
            <Chart
              className="h-72"
              says="Gap on the die against the share of special liquid"
              option={gapOption(curve, values.gap, answer)}
            />
          </>
        ) : (
          <p className="text-lg">
            {refusal ??
              wrong ??
              "Copy the rows of the investment's own table: special liquid, setting and thermal expansion."}
          </p>
        )}
        <p className="text-sm opacity-80">
          Free linear change, the same in all directions; a real crown is held by its core and by the ring:
          the figure is for comparing settings. Never beyond the rows of the table. Source: expansions
          multiplied (exact); wax 0.035 % for each °C (Phillips, recalled).
        </p>
      </section>
      <aside className="card-flat p-4" aria-label="Figures">
        <FigureFields specs={specs} typed={entered} faults={faults} onTyped={onTyped} />
        <NumberGrid
          caption="The investment's table"
          columns={columns}
          rows={ROWS.map((row) => ({
            liquid: typed[`liquid ${row}`],
            setting: typed[`setting ${row}`],
            thermal: typed[`thermal ${row}`],
          }))}
          rowName="row"
          onText={(row, column, text) => onTyped({ ...typed, [`${column} ${row}`]: text })}
        />
      </aside>
    </div>
  )
}

const micrometres = (fit: Fit) => `${(1000 * fit.gapMillimetres).toFixed(0)} µm`
const percent = (fraction: number) => `${(100 * fraction).toFixed(2)} %`
const fitWords: Readonly<Record<Fit['verdict'], string>> = {
  willNotSeat: 'will not seat',
  tight: 'tighter than the spacer',
  asSpaced: 'as the spacer',
  loose: 'looser than the spacer',
}

function Verdict({ answer, budget }: { answer: ConcentrationAnswer; budget: ExpansionBudget }) {
  const needed = percent(neededExpansion(budget.shrinkageFraction))
  if (!answer.reachable)
    return (
      <div>
        <p className="text-error text-4xl leading-tight font-bold">Out of reach</p>
        <p className="text-lg">
          {`At ${answer.bestPercent} % it stays too ${answer.side === 'tooSmall' ? 'small' : 'large'}: gap `}
          <output className="figures font-bold" aria-label="Gap at the best">
            {micrometres(answer.best)}
          </output>
          {`, ${fitWords[answer.best.verdict]}.`}
        </p>
        <p>
          {`Needed ${needed}, the mould gives ${percent(availableExpansion(budget, answer.bestPercent))}: ${percent(Math.abs(answer.shortFraction))} ${answer.side === 'tooSmall' ? 'more' : 'less'} would reach it, by another investment, a higher peak or a thicker spacer.`}
        </p>
      </div>
    )
  const { specialLiquidPercent, roundedPercent, rounded, gapPerPercentMillimetres, several } = answer
  return (
    <div>
      <p className="text-lg">
        <output className="figures text-6xl leading-none font-bold" aria-label="Special liquid">
          {roundedPercent} %
        </output>{' '}
        special liquid
      </p>
      <p className="text-lg">
        {`Gap ${micrometres(rounded)}, ${fitWords[rounded.verdict]}; worked out ${specialLiquidPercent.toFixed(1)} %.`}
      </p>
      <p>
        {`1 % more liquid: ${(1000 * gapPerPercentMillimetres).toFixed(1)} µm. Needed ${needed}, the mould gives ${percent(availableExpansion(budget, roundedPercent))}.`}
      </p>
      {several && <Told tone="warning">The table turns: another concentration gives the same fit.</Told>}
    </div>
  )
}

function readTable(typed: Typed): { readonly table: readonly ExpansionRow[]; readonly wrong?: string } {
  const table: ExpansionRow[] = []
  for (const row of ROWS) {
    const texts = columns.map(([column]) => typed[`${column} ${row}`] ?? '')
    if (texts.every((text) => text.trim() === '')) continue
    const [liquid, setting, thermal] = texts.map((text) => readNumber(text, '%').value)
    if (liquid === undefined || setting === undefined || thermal === undefined)
      return { table: [], wrong: `Row ${row + 1} of the table wants three numbers.` }
    table.push({
      specialLiquidPercent: liquid,
      settingFraction: setting / 100,
      thermalFraction: thermal / 100,
    })
  }
  return { table }
}

function gapOption(curve: readonly (readonly number[])[], wanted: number, answer: ConcentrationAnswer) {
  const at = answer.reachable ? answer.specialLiquidPercent : answer.bestPercent
  return {
    animation: false,
    textStyle: { fontFamily: 'inherit', fontSize: 14 },
    grid: { left: 48, right: 16, top: 16, bottom: 40 },
    tooltip: { trigger: 'axis', valueFormatter: (value: number) => `${value.toFixed(1)} µm` },
    xAxis: {
      type: 'value',
      name: 'special liquid, %',
      nameLocation: 'middle',
      nameGap: 26,
      min: 'dataMin',
      max: 'dataMax',
    },
    yAxis: { type: 'value', name: 'gap, µm', scale: true },
    series: [
      {
        type: 'line',
        data: curve,
        showSymbol: false,
        lineStyle: { width: 3 },
        color: '#3f8f97',
        markLine: {
          symbol: 'none',
          label: { formatter: '{b}', position: 'insideEndTop' },
          data: [
            { yAxis: wanted, name: 'wanted' },
            { xAxis: at, name: `${at.toFixed(1)} %` },
          ],
        },
      },
    ],
  }
}
