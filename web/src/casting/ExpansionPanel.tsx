import {
  type AlloyCard,
  availableExpansion,
  type ConcentrationAnswer,
  checksMeaning,
  concentrationFor,
  type DieAndSpacer,
  type ExpansionBudget,
  type Fit,
  fitAt,
  type MaterialCard,
  neededExpansion,
  thermalShareAt,
  WAX_CONTRACTION_PER_CELSIUS,
} from '@yentrik/core'
import { useMemo } from 'react'
import { attempt } from '../parts/attempt.ts'
import { Chart } from '../parts/Chart.tsx'
import { SelectField } from '../parts/Choices.tsx'
import { FigureFields } from '../parts/FigureFields.tsx'
import { Message } from '../parts/Message.tsx'
import { NumberGrid } from '../parts/NumberGrid.tsx'
import { readAll, type Typed, unitsOf } from '../parts/typed-figures.ts'
import { usePreferences } from '../preferences/preferences.ts'
import { Said } from '../preferences/words.tsx'
import { type ForCase, IntoRecord } from '../record/IntoRecord.tsx'
import { gapOption, mouldOption } from './expansion-charts.ts'
import { columns, ROWS, readTable, typedTable } from './investment-table.ts'

const specs = [
  { key: 'die', label: 'Die, diameter', unit: 'mm' },
  { key: 'spacer', label: 'Spacer', unit: 'µm', hint: '20-40 usual' },
  { key: 'gap', label: 'Gap wanted', unit: 'µm', hint: 'the spacer: size-true' },
  { key: 'shrinkage', label: 'Alloy shrinks', unit: '%', hint: 'from its sheet' },
  { key: 'cooling', label: 'Wax cooled by', unit: '°C', apart: true, hint: '0.035 % for each °C' },
  { key: 'hygroscopic', label: 'Hygroscopic', unit: '%', hint: 'water bath, else 0' },
  { key: 'mould', label: 'Mould when cast', unit: '°C', hint: 'empty: at its peak' },
  { key: 'restraint', label: 'Ring lets through', unit: '%', hint: '100 with a liner' },
] as const
const keys = ['die', 'spacer', 'gap', 'shrinkage', 'cooling', 'hygroscopic', 'restraint'] as const

export const expansionStart: Typed = {
  die: '8',
  spacer: '30',
  gap: '30',
  cooling: '0',
  hygroscopic: '0',
  restraint: '100',
}
/** The special liquid that makes a casting fit, from the investment's own table. */
export function ExpansionPanel({
  alloy,
  investments,
  typed,
  onTyped,
  forCase,
}: {
  readonly alloy: AlloyCard
  readonly investments: readonly MaterialCard[]
  readonly typed: Typed
  readonly onTyped: (typed: Typed) => void
  readonly forCase?: ForCase
}) {
  const withTable = investments.filter(({ settingExpansion }) => settingExpansion)
  const product = withTable.find(({ id }) => id === typed.investment)
  const figures = product?.investment
  const entered = {
    ...typed,
    shrinkage: typed.shrinkage ?? String(Number((100 * alloy.shrinkageFraction).toFixed(3))),
  }
  const units = usePreferences((preferences) => preferences.units)
  const { values, faults } = readAll(entered, keys, unitsOf(specs), ['cooling'])
  const { table, wrong } = readTable(typed)
  const mould = readAll(typed, ['mould'], unitsOf(specs)).values?.mould
  const { answer: thermalShare = 1, refusal: outside } =
    mould !== undefined && figures?.thermalCurve
      ? attempt(() => thermalShareAt(figures.thermalCurve!, mould, figures.peakCelsius))
      : {}
  const budget: ExpansionBudget | undefined = values && {
    shrinkageFraction: values.shrinkage / 100,
    waxContractionFraction: WAX_CONTRACTION_PER_CELSIUS * values.cooling,
    hygroscopicFraction: values.hygroscopic / 100,
    restraint: values.restraint / 100,
    thermalShare,
    table,
  }
  const die = values && { dieMillimetres: values.die, spacerMillimetres: values.spacer / 1000 }
  const { answer, refusal } =
    budget && die && table.length > 0 ? attempt(() => concentrationFor(budget, die, values.gap / 1000)) : {}
  const curve = useMemo(() => {
    if (!budget || !die || !answer) return []
    const [from, to] = [table[0]!.specialLiquidPercent, table.at(-1)!.specialLiquidPercent]
    return Array.from({ length: 41 }, (_, n) => from + ((to - from) * n) / 40).map((percent) => [
      percent,
      1000 * fitAt(budget, die, percent).gapMillimetres,
    ])
  }, [budget, die, answer, table])
  const [wanted] = forCase ? checksMeaning(forCase.job, 'specialLiquid') : []
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
            {figures?.thermalCurve && (
              <Chart
                className="h-60"
                says="Expansion of the mould against its temperature"
                option={mouldOption(
                  budget,
                  usedPercent(answer),
                  figures.thermalCurve,
                  figures.peakCelsius,
                  units,
                )}
              />
            )}
            {die && figures?.settingPercentPerRatioStep !== undefined && (
              <p>{ratioWords(budget, die, usedPercent(answer), figures.settingPercentPerRatioStep)}</p>
            )}
            {forCase && wanted && answer.reachable && (
              <IntoRecord
                forCase={forCase}
                step={wanted.step}
                figures={[{ step: wanted.step, checkId: wanted.check.id, value: answer.roundedPercent }]}
                words={`${answer.roundedPercent} % special liquid`}
              />
            )}
          </>
        ) : (
          <p className="text-lg">
            <Said
              words={
                refusal ??
                wrong ??
                "Copy the rows of the investment's own table: special liquid, setting and thermal expansion."
              }
            />
          </p>
        )}
        {outside && <Message tone="warning" words={outside} />}
        {mould !== undefined && !figures?.thermalCurve && (
          <Message tone="warning">
            Without the curve of the product a mould is taken at its peak: choose a product that has one.
          </Message>
        )}
        <p className="text-sm opacity-80">
          Free linear change, the same in all directions; a real crown is held by its core and by the ring:
          the figure is for comparing settings. Never beyond the rows of the table. Source: expansions
          multiplied (exact); wax 0.035 % for each °C (Phillips, recalled).
        </p>
      </section>
      <aside className="card-flat p-4" aria-label="Figures">
        <SelectField
          label="Investment"
          options={[['', 'As typed below'], ...withTable.map(({ id, name }) => [id, name] as const)]}
          value={product?.id ?? ''}
          onChoose={(id) => {
            const card = withTable.find((each) => each.id === id)
            onTyped({
              ...typed,
              investment: id,
              ...(card ? typedTable(card) : {}),
              ...(card?.investment?.hygroscopicPercent === undefined
                ? {}
                : { hygroscopic: String(card.investment.hygroscopicPercent) }),
            })
          }}
          hint={withTable.length === 0 ? 'none on the shelf has a table' : undefined}
        />
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

/** The concentration that is shown: as it can be measured, or the best there is. */
function usedPercent(answer: ConcentrationAnswer): number {
  return answer.reachable ? answer.roundedPercent : answer.bestPercent
}

/** What a wetter mix does, where the sheet of the product says it. */
function ratioWords(
  budget: ExpansionBudget,
  die: DieAndSpacer,
  percent: number,
  stepPercent: number,
): string {
  const wetter = budget.table.map((row) => ({
    ...row,
    settingFraction: row.settingFraction + stepPercent / 100,
  }))
  const gap = (table: ExpansionBudget['table']) => fitAt({ ...budget, table }, die, percent).gapMillimetres
  return `0.01 mL/g more liquid: setting ${stepPercent} %, gap ${(1000 * (gap(wetter) - gap(budget.table))).toFixed(1)} µm.`
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
      {several && (
        <Message tone="warning">The table turns: another concentration gives the same fit.</Message>
      )}
    </div>
  )
}
