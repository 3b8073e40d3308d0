import {
  blendRatio,
  changedSetMinutes,
  dilutedLiquid,
  type MaterialCard,
  MIXING_RULES,
  materials,
  settingChangers,
} from '@yentrik/core'
import { useState } from 'react'
import { grams, millilitres, ratio } from '../format/format.ts'
import { type Options, Pills, SelectField } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { CountedMix } from './CountedMix.tsx'
import { isWeighed } from './weighed.ts'

type Sum = 'rules' | 'set' | 'blend' | 'special' | 'counted'

interface MoreSumsProps {
  readonly card: MaterialCard
  readonly changers: readonly string[]
  readonly onChangers: (ids: readonly string[]) => void
}

/** The sums beside the mix: what is in the water, blends, special liquid, what is counted, and the rules. */
export function MoreSums({ card, changers, onChangers }: MoreSumsProps) {
  const gypsum = card.family === 'gypsum'
  const sums: Options<Sum> = [
    ...(gypsum ? ([['set', 'What moves the set']] as const) : []),
    ['blend', 'A blend'],
    ['special', 'Special liquid'],
    ['counted', 'Counted, not weighed'],
    ['rules', 'Rules'],
  ]
  const [open, setOpen] = useState<Sum>('counted')
  const shown = sums.some(([id]) => id === open) ? open : 'counted'
  return (
    <section className="card-flat grid content-start gap-4 p-5" aria-label="More sums">
      <Pills label="More sums" options={sums} value={shown} onChoose={setOpen} />
      {shown === 'set' && <SettingChangers card={card} changers={changers} onChangers={onChangers} />}
      {shown === 'blend' && <Blend />}
      {shown === 'special' && <SpecialLiquid />}
      {shown === 'counted' && <CountedMix />}
      {shown === 'rules' && (
        <ul className="grid gap-1">
          {[...MIXING_RULES, ...card.notes].map((rule) => (
            <li key={rule}>{rule}</li>
          ))}
        </ul>
      )}
    </section>
  )
}

function SettingChangers({ card, changers, onChangers }: MoreSumsProps) {
  const { least, most } = changedSetMinutes(card.clock?.setMinutes ?? 0, changers)
  const toggle = (id: string) =>
    onChangers(changers.includes(id) ? changers.filter((each) => each !== id) : [...changers, id])
  return (
    <div className="grid gap-4 lg:grid-cols-[minmax(0,1fr)_16rem]">
      <ul className="grid gap-1">
        {settingChangers.map(({ id, name, say, source }) => (
          <li key={id}>
            <label className="flex min-h-11 items-start gap-3">
              <input
                type="checkbox"
                className="checkbox checkbox-lg mt-1"
                checked={changers.includes(id)}
                onChange={() => toggle(id)}
              />
              <span>
                <b>{name}</b>: {say} <span className="text-sm opacity-80">{source}</span>
              </span>
            </label>
          </li>
        ))}
      </ul>
      <p>
        Initial set{' '}
        <b className="figures block text-4xl">
          {least === most ? `${least} min` : `${least.toFixed(0)}-${most.toFixed(0)} min`}
        </b>
        {changers.length > 1 ? 'only a guess for several together' : 'an estimate'}: a trial with your own
        powder beats it
      </p>
    </div>
  )
}

const blendable = [...materials.values()]
  .filter(isWeighed)
  .filter((card) => card.family === 'gypsum' && !card.blend)

/** Any number of powders, each taking up its own water. */
function Blend() {
  const [parts, setParts] = useDraft<
    readonly { readonly key: number; readonly id: string; readonly text: string }[]
  >('blend', () => [
    { key: 0, id: 'model-plaster', text: '110' },
    { key: 1, id: 'dental-stone', text: '110' },
  ])
  const change = (at: number, to: object) =>
    setParts(parts.map((part, n) => (n === at ? { ...part, ...to } : part)))
  const read = parts.map(({ id, text }) => {
    const { value, fault } = readNumber(text, 'g')
    const wrong =
      fault ??
      (value !== undefined && !(value > 0 && value <= 20_000) ? 'Enter a number above 0.' : undefined)
    return { value, wrong, usual: blendable.find((card) => card.id === id)!.measure.usualMillilitresPerGram }
  })
  const sound = parts.length > 0 && read.every(({ wrong }) => !wrong)
  const powder = read.reduce((sum, { value = 0 }) => sum + value, 0)
  const blended = sound
    ? blendRatio(read.map(({ value, usual }) => ({ grams: value!, millilitresPerGram: usual })))
    : undefined
  return (
    <div className="grid gap-3">
      {parts.map((part, at) => (
        <div key={part.key} className="grid grid-cols-[minmax(0,1fr)_11rem_auto] items-start gap-3">
          <SelectField
            label="Powder"
            options={blendable.map((card) => [card.id, card.name])}
            value={part.id}
            onChoose={(id) => change(at, { id })}
          />
          <NumberField
            label="Of it"
            unit="g"
            text={part.text}
            onText={(text) => change(at, { text })}
            fault={read[at]?.wrong}
          />
          <button
            type="button"
            className="small-act mt-8"
            onClick={() => setParts(parts.filter((_, n) => n !== at))}
            disabled={parts.length === 1}
          >
            Take away
          </button>
        </div>
      ))}
      <button
        type="button"
        className="small-act justify-self-start"
        onClick={() => setParts([...parts, { key: Date.now(), id: 'dental-stone', text: '' }])}
      >
        Another powder
      </button>
      {blended !== undefined && (
        <p className="text-xl">
          {grams(powder)} take{' '}
          <output className="figures text-5xl font-bold" aria-label="Water for the blend">
            {millilitres(powder * blended)}
          </output>{' '}
          water, {ratio(blended)} mL/g
        </p>
      )}
    </div>
  )
}

function SpecialLiquid() {
  const [total, setTotal] = useDraft<string>('special liquid in all', () => '20')
  const [share, setShare] = useDraft<string>('special liquid share', () => '60')
  const t = readNumber(total, 'mL')
  const s = readNumber(share, '%')
  const totalFault =
    t.fault ??
    (t.value !== undefined && !(t.value > 0 && t.value <= 5000) ? 'Enter a number above 0.' : undefined)
  const shareFault =
    s.fault ?? (s.value !== undefined && !(s.value >= 0 && s.value <= 100) ? 'Enter 0 to 100.' : undefined)
  const parts = !totalFault && !shareFault ? dilutedLiquid(t.value!, s.value!) : undefined
  return (
    <div className="grid items-start gap-x-5 gap-y-2 sm:grid-cols-[11rem_11rem_minmax(0,1fr)]">
      <NumberField label="Liquid in all" unit="mL" text={total} onText={setTotal} fault={totalFault} />
      <NumberField
        label="Special liquid"
        unit="%"
        text={share}
        onText={setShare}
        fault={shareFault}
        hint="by the table of the pack"
      />
      {parts && (
        <p className="self-center text-xl">
          <output className="figures text-5xl font-bold" aria-label="Special liquid to measure">
            {millilitres(parts.specialMillilitres)}
          </output>{' '}
          special liquid and <b className="figures">{millilitres(parts.waterMillilitres)}</b> water
        </p>
      )}
    </div>
  )
}
