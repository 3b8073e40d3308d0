import {
  type Amount,
  hitRatio,
  type MaterialCard,
  MIXING_RULES,
  type Mix,
  type MixGiven,
  materials,
  mixParts,
  packsNeeded,
} from '@yentrik/core'
import { useState } from 'react'
import { Link, useNavigate, useSearchParams } from 'react-router'
import { useCaseHand } from '../case/case-hand.ts'
import { MixEntry } from '../case/MixEntry.tsx'
import { capital, clockTime, grams, millilitres, ratio } from '../format/format.ts'
import { useNow } from '../live/live-store.ts'
import { Pills, SelectField } from '../parts/Choices.tsx'
import { NumberField, readNumber } from '../parts/NumberField.tsx'
import { Sheet } from '../parts/Sheet.tsx'
import { Told } from '../parts/Told.tsx'
import { powderWords } from './amount-figures.ts'
import { CountedMix } from './CountedMix.tsx'
import { MixMending, type Weighed } from './MixMending.tsx'
import { Vessels } from './Vessels.tsx'

const weighedCards = [...materials.values()].filter((card): card is Weighed => card.measure?.by === 'mass')

const colours: Readonly<Record<string, string>> = {
  'model-plaster': 'var(--plaster)',
  'impression-plaster': 'var(--plaster)',
  'half-and-half': 'var(--halfstone)',
  'heat-cure-acrylic': 'var(--resin)',
  'cold-cure-acrylic': 'var(--resin)',
}

/** Powder and liquid both ways, what a missed ratio does, and how to mend it. On its own or for a step. */
export function MixScreen() {
  const [query] = useSearchParams()
  const caseId = query.get('case')
  return caseId ? (
    <MixForStep
      caseId={caseId}
      jobId={query.get('job') ?? ''}
      stepId={query.get('step') ?? ''}
      amountId={query.get('amount') ?? ''}
    />
  ) : (
    <MixTool materialId={query.get('material') ?? undefined} />
  )
}

/** The same instrument with a step's figures filled in and a way into its record. */
function MixForStep({
  caseId,
  jobId,
  stepId,
  amountId,
}: {
  caseId: string
  jobId: string
  stepId: string
  amountId: string
}) {
  const hand = useCaseHand(caseId)
  const go = useNavigate()
  const job = hand.state?.jobs.find((each) => each.jobId === jobId)
  const step = job?.route.steps.find((each) => each.id === stepId)
  const amount = step?.amounts?.find((each) => each.id === amountId)
  if (!hand.state || !job || !step || amount?.kind !== 'mix')
    return (
      <main className="p-8">
        {hand.error ? (
          <Told tone="error">{hand.error.message}</Told>
        ) : hand.state ? (
          <Told tone="error">This step has no such mix. Go back to the case.</Told>
        ) : null}
      </main>
    )
  const running = job.steps[stepId]?.status === 'running'
  return (
    <MixTool
      key={amountId}
      materialId={amount.materialId}
      amount={amount}
      title={
        <>
          <Link to={`/case/${caseId}`} className="link">
            {hand.state.docket}
          </Link>{' '}
          · {step.name}
          {!running && ' (not started: it can be recorded once the step is started)'}
        </>
      }
      refusal={hand.refusal?.message}
      onRecord={
        running
          ? async (mix) => {
              const stored = await hand.give({ type: 'recordMix', jobId, stepId, ...mix })
              if (stored) await go(`/case/${caseId}`)
              return stored
            }
          : undefined
      }
    />
  )
}

interface MixToolProps {
  readonly materialId?: string
  readonly amount?: Amount & { readonly kind: 'mix' }
  readonly title?: React.ReactNode
  readonly refusal?: string
  readonly onRecord?: Parameters<typeof MixEntry>[0]['onRecord']
}

const knownParts: readonly (readonly [MixGiven['from'], string])[] = [
  ['powder', 'Powder'],
  ['liquid', 'Liquid'],
  ['total', 'Total'],
  ['bags', 'Bags'],
]

function MixTool({ materialId, amount, title, refusal, onRecord }: MixToolProps) {
  const [cardId, setCardId] = useState(
    materialId && weighedCards.some((c) => c.id === materialId) ? materialId : 'dental-stone',
  )
  const card = weighedCards.find((each) => each.id === cardId)!
  const [from, setFrom] = useState<MixGiven['from']>('powder')
  const [text, setText] = useState(String(amount?.powderGrams ?? 100))
  const [ratioText, setRatioText] = useState(
    amount?.millilitresPerGram ? String(amount.millilitresPerGram) : '',
  )
  const [inPowder, setInPowder] = useState('')
  const [inLiquid, setInLiquid] = useState('')
  const [recording, setRecording] = useState(false)
  const now = useNow()
  const usual = card.measure.usualMillilitresPerGram
  const wanted = ratioText.trim() === '' ? { value: usual } : readNumber(ratioText, 'mL/g')
  const ratioFault =
    wanted.fault ??
    (wanted.value !== undefined && !(wanted.value > 0 && wanted.value <= 2)
      ? 'Enter a ratio above 0 and at most 2 mL/g.'
      : undefined)
  const unit = from === 'liquid' ? 'mL' : from === 'bags' ? '' : 'g'
  const bagGrams = card.measure.bagGrams ?? 1000
  const known = readNumber(text, unit)
  const knownFault =
    known.fault ??
    (known.value !== undefined && !(known.value > 0 && known.value <= 20_000)
      ? 'Enter a number above 0 and at most 20 000.'
      : undefined)
  const mix =
    knownFault || ratioFault || known.value === undefined
      ? undefined
      : mixParts(given(from, known.value, bagGrams, card), wanted.value ?? usual)
  return (
    <main className="mx-auto flex max-w-[1500px] flex-col gap-4 p-4 sm:p-6">
      <header className="flex flex-wrap items-baseline gap-x-5">
        <h1 className="text-3xl font-bold">Mix</h1>
        <p>{title ?? 'Powder and liquid both ways'}</p>
      </header>
      <div className="grid gap-4 lg:grid-cols-[22rem_minmax(0,1fr)]">
        <section className="card-flat grid content-start gap-3 p-5">
          <SelectField
            label="Material"
            options={weighedCards.map((each) => [each.id, each.name])}
            value={cardId}
            onChoose={setCardId}
            disabled={amount !== undefined}
          />
          <Pills label="What is known" options={knownParts} value={from} onChoose={setFrom} />
          <NumberField
            label={
              from === 'bags'
                ? `Bags of ${bagGrams} g`
                : from === 'total'
                  ? 'Powder and liquid together'
                  : from === 'liquid'
                    ? capital(card.liquidName)
                    : capital(card.powderName)
            }
            unit={unit}
            text={text}
            onText={setText}
            fault={knownFault}
          />
          <NumberField
            label="Ratio on the pack"
            unit="mL/g"
            text={ratioText}
            onText={setRatioText}
            fault={ratioFault}
            hint={`Empty: ${ratio(usual)} (class ${ratio(card.measure.minMillilitresPerGram)}-${ratio(card.measure.maxMillilitresPerGram)})`}
          />
          <p className="text-sm opacity-80">{card.measure.source}. The pack wins.</p>
          <ul className="border-base-300 grid gap-1 border-t pt-3 text-sm">
            {(card.family === 'gypsum' ? [...MIXING_RULES, ...card.notes] : card.notes).map((rule) => (
              <li key={rule}>{rule}</li>
            ))}
          </ul>
        </section>
        <div className="flex min-w-0 flex-col gap-4">
          <section
            className="card-flat grid content-start gap-4 p-5 xl:grid-cols-[minmax(0,1fr)_20rem]"
            aria-label="The mix"
          >
            {mix ? (
              <>
                <dl className="flex flex-wrap gap-x-12 gap-y-3">
                  <Figure what={powderWords(card, mix.powderGrams)} text={grams(mix.powderGrams)} />
                  <Figure
                    what={`${card.liquidName}, ${ratio(wanted.value ?? usual)}`}
                    text={millilitres(mix.liquidMillilitres)}
                  />
                  {card.measure.powderGramsPerMillilitre && (
                    <p className="w-full">
                      By volume: {Math.round(mix.powderGrams / card.measure.powderGramsPerMillilitre)} mL of
                      powder to {millilitres(mix.liquidMillilitres)}
                    </p>
                  )}
                  {card.measure.bagGrams && (
                    <p className="w-full">
                      {bags(packsNeeded(mix.powderGrams, card.measure.bagGrams))} of {card.measure.bagGrams} g
                    </p>
                  )}
                </dl>
                <div className="h-52">
                  <Vessels
                    mix={mix}
                    gypsum={card.family === 'gypsum'}
                    colour={colours[card.id] ?? 'var(--stone)'}
                  />
                </div>
                <Effects card={card} mix={mix} />
                <ClockOf card={card} now={now} />
              </>
            ) : (
              <p className="text-xl">Enter what is known to see both parts.</p>
            )}
            {onRecord && (
              <button
                type="button"
                className="act-main justify-self-start"
                onClick={() => setRecording(true)}
              >
                Weighed: into the record
              </button>
            )}
          </section>
          <MixMending
            card={card}
            wantedMillilitresPerGram={wanted.value ?? usual}
            powder={inPowder}
            liquid={inLiquid}
            onPowder={setInPowder}
            onLiquid={setInLiquid}
          />
          <CountedMix />
        </div>
      </div>
      {recording && amount && onRecord && (
        <Sheet title="What was used" onClose={() => setRecording(false)}>
          <MixEntry
            amount={amount}
            refusal={refusal}
            weighed={{ powder: inPowder, liquid: inLiquid }}
            onRecord={onRecord}
          />
        </Sheet>
      )}
    </main>
  )
}

function given(from: MixGiven['from'], value: number, bagGrams: number, card: Weighed): MixGiven {
  switch (from) {
    case 'powder':
      return { from, powderGrams: value }
    case 'liquid':
      return { from, liquidMillilitres: value }
    case 'total':
      return { from, totalGrams: value, liquidGramsPerMillilitre: card.measure.liquidGramsPerMillilitre }
    case 'bags':
      return { from, bags: value, bagGrams }
  }
}

function bags(count: number): string {
  return count === 1 ? '1 bag' : `${count} bags`
}

function Figure({ what, text }: { what: string; text: string }) {
  const [value, unit] = text.split(' ')
  return (
    <div className="flex flex-col-reverse">
      <dt className="opacity-80">{what}</dt>
      <dd>
        <output className="figures text-6xl leading-none font-bold" aria-label={what}>
          {value}
          <span className="text-3xl font-semibold"> {unit}</span>
        </output>
      </dd>
    </div>
  )
}

/** What the chosen ratio does against the usual one. */
function Effects({ card, mix }: { card: Weighed; mix: Mix }) {
  const hit = hitRatio(card, mix)
  return (
    <div>
      {hit.effects.length === 0 ? (
        <Told tone="good">The usual ratio of its class</Told>
      ) : (
        <>
          <p className="font-semibold">
            {capital(hit.verdict)} than the usual {ratio(card.measure.usualMillilitresPerGram)}:
          </p>
          {hit.effects.map((effect) => (
            <Told key={effect} tone="warning">
              {effect}
            </Told>
          ))}
          <p className="mt-1 text-sm opacity-80">{hit.sources.join('; ')}</p>
        </>
      )}
    </div>
  )
}

/** How long there is, as clock times from now. */
function ClockOf({ card, now }: { card: MaterialCard; now: number }) {
  if (!card.clock) return null
  const at = (minutes: number) => clockTime(now + minutes * 60_000)
  const { pourByMinutes, setMinutes, separateMinutes, source } = card.clock
  return (
    <div>
      <p className="font-semibold">Mixed now:</p>
      <p className="figures text-lg">
        pour by <b>{at(pourByMinutes)}</b>, set <b>{at(setMinutes)}</b>, separate from{' '}
        <b>{at(separateMinutes)}</b>
      </p>
      <p className="text-sm opacity-80">{source}; the pack wins</p>
    </div>
  )
}
