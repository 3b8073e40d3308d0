import {
  type Amount,
  joined,
  MIX_WASTE,
  type Mix,
  materials,
  mixClock,
  mixSettingFactor,
  packsNeeded,
  qty,
  type RecordedMix,
  ratioVerdict,
  ripensByRoom,
  type Saying,
  type StepMeaning,
  saying,
} from '@yentrik/core'
import { type ReactNode, useCallback, useState } from 'react'
import { useDevices } from '../devices/use-devices.ts'
import { grams, millilitres, ratio } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { SelectField } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { TextField } from '../parts/TextField.tsx'
import { TryExample } from '../parts/TryExample.tsx'
import { Said } from '../preferences/words.tsx'
import { usePractice } from '../record/practice-case.ts'
import { useRoomCelsius } from '../record/room-celsius.ts'
import { lotWords, useShelf } from '../record/shelf.ts'
import { powderWords } from './amount-figures.ts'
import { type Bowl, bowlNumbers, emptyBowl } from './bowl.ts'
import { ClockStrip } from './ClockStrip.tsx'
import { HowMuchPanel } from './HowMuchPanel.tsx'
import { emptyFlask, freshEntry, type HowMuchEntry, howMuch } from './how-much.ts'
import { MixClocks, useRunningMixes } from './MixClocks.tsx'
import { MoreSums } from './MoreSums.tsx'
import { mixConditions } from './mix-conditions.ts'
import { Vessels } from './Vessels.tsx'
import { BowlFields, WeighPanel, waterFor } from './WeighPanel.tsx'
import { Effects, InTheBowl } from './WhatItDoes.tsx'
import { isWeighed, type Weighed } from './weighed.ts'

const colours: Readonly<Record<string, string>> = {
  'model-plaster': 'var(--plaster)',
  'impression-plaster': 'var(--plaster)',
  'half-and-half': 'var(--halfstone)',
  'heat-cure-acrylic': 'var(--resin)',
  'cold-cure-acrylic': 'var(--resin)',
}

/** The step that a mix is for, and the way into its record. */
interface MixForStepOf {
  readonly caseId: string
  readonly docket: string
  readonly jobId: string
  readonly stepId: string
  readonly means?: StepMeaning
  readonly amount: Amount & { readonly kind: 'mix' }
  /** None while the step does not run. */
  readonly onRecord?: (mix: RecordedMix) => Promise<boolean>
}
interface MixToolProps {
  readonly title: ReactNode
  readonly materialId?: string
  /** A volume that another instrument worked out, to begin with. */
  readonly cm3?: number | undefined
  readonly refusal?: Saying
  readonly step?: MixForStepOf
}

/** The instrument: how much, the balance, what the ratio does, the clock. */
export function MixTool({ title, materialId, cm3, refusal: stepRefusal, step }: MixToolProps) {
  const shelf = useShelf()
  const devices = useDevices()
  const now = useNow()
  const running = useRunningMixes()
  const ofStep = step?.amount.materialId ?? materialId
  const draft = (what: string) =>
    `mix ${step ? `${step.caseId} ${step.jobId} ${step.stepId} ${step.amount.id}` : `${materialId ?? ''}${cm3 ? ` ${cm3}` : ''}`} ${what}`
  const [chosen, setChosen] = useDraft(draft('material'), () =>
    ofStep && isWeighed(materials.get(ofStep)) ? ofStep : 'dental-stone',
  )
  const [lotId, setLotId] = useDraft<string>(draft('lot'), () => 'first')
  const [flask, keepFlask] = useDraft(`flask ${step?.caseId ?? ''}`, () => emptyFlask)
  const [entry, setEntry] = useDraft(draft('amount'), () =>
    cm3
      ? {
          ...freshEntry(100, undefined, flask),
          basis: 'mesh' as const,
          meshVolume: 1000 * cm3,
          meshUnit: 'mm' as const,
          waste: String(Math.round(100 * (MIX_WASTE - 1))),
        }
      : freshEntry(step?.amount.powderGrams ?? 100, step?.means, flask),
  )
  const [ratioText, setRatioText] = useDraft(draft('ratio'), () =>
    step?.amount.millilitresPerGram ? String(step.amount.millilitresPerGram) : '',
  )
  const [bowl, setBowl, , beginBowl] = useDraft<Bowl>(draft('bowl'), () => emptyBowl)
  const [thickening, setThickening] = useState(false)
  const [changers, setChangers] = useDraft<readonly string[]>(draft('changers'), () => [])
  const { refusal, refuse, run } = useRequest()
  const wrong = refusal ?? stepRefusal
  const onBowl = useCallback(
    (change: Partial<Bowl>) => setBowl((before) => ({ ...before, ...change })),
    [setBowl],
  )

  // A product on the list is chosen by its own id; its class is what the step and the lots go by.
  const product = shelf.products.find((each) => each.product.productId === chosen)
  const classId = product?.product.materialId ?? chosen
  const lots = shelf.usable(classId).filter((lot) => !product || lot.productId === chosen)
  const lot = lots.find((each) => each.lotId === (lotId === 'first' ? lots[0]?.lotId : lotId))
  const card = shelf.card(classId, product ? chosen : lot?.productId) as Weighed
  const usual = card.measure.usualMillilitresPerGram
  const typed = ratioText.trim() === '' ? { value: usual } : readNumber(ratioText, 'mL/g')
  const ratioFault =
    typed.fault ??
    (typed.value !== undefined && !(typed.value > 0 && typed.value <= 2)
      ? 'Enter a ratio above 0 and at most 2 mL/g.'
      : undefined)
  const wanted = ratioFault === undefined ? (typed.value ?? usual) : undefined
  const result = wanted === undefined ? undefined : howMuch(entry, card, wanted)
  const mix = result?.mix
  const inBowl = bowlNumbers(bowl)
  /** What lies on the pan, while nothing has been taken. */
  const onPan =
    devices?.balance.connected && (devices.balance.grams ?? 0) > 0.5 ? devices.balance.grams : undefined
  const { roomCelsius, field: room } = useRoomCelsius()
  const own = running.find((each) => each.caseId === step?.caseId && each.materialId === classId)

  const [ratioReason, setRatioReason] = useDraft<string>(draft('ratio reason'), () => '')
  const outside =
    step !== undefined &&
    ratioVerdict(step.amount, {
      materialId: classId,
      powderGrams: inBowl.powder,
      liquidMillilitres: inBowl.liquid,
      pack: mixConditions(classId, card, undefined, undefined).pack,
    }) === 'outside'

  const settingFactor = mixSettingFactor(
    card,
    inBowl.powder && inBowl.liquid ? inBowl.liquid / inBowl.powder : wanted,
    changers,
  )
  const practice = usePractice()
  const met = async () => {
    const productId = product ? chosen : lot?.productId
    const body = {
      materialId: classId,
      settingFactor,
      ...(productId ? { productId } : {}),
      ...(step ? { caseId: step.caseId, docket: step.docket } : {}),
    }
    await run(() => request('POST /mixing/clocks', { body }))
  }
  const record = async () => {
    refuse(undefined)
    if (!step?.onRecord) return
    if (inBowl.powder === undefined || inBowl.liquid === undefined)
      return refuse('Weigh powder and liquid first, or type what was used.')
    // Its fault stands at its field.
    if (ripensByRoom(classId) && roomCelsius === undefined) return
    const conditions = mixConditions(classId, card, own, roomCelsius)
    const reason = ratioReason.trim()
    const productName = shelf.products.find((each) => each.product.productId === card.id)?.product.name
    const stored = await step.onRecord({
      amountId: step.amount.id,
      materialId: classId,
      powderGrams: inBowl.powder,
      liquidMillilitres: inBowl.liquid,
      powderFrom: bowl.powderFrom,
      liquidFrom: bowl.liquidFrom,
      lots: lot ? [lot.lotId] : [],
      ...(productName ? { product: productName } : {}),
      // What is in the water is known here though no clock was started.
      ...(card.family === 'gypsum' ? { settingFactor } : {}),
      ...conditions,
      ...(outside && reason ? { ratioReason: reason } : {}),
    })
    if (!stored) return
    beginBowl()
    setRatioReason('')
  }
  return (
    <main className="mx-auto flex max-w-[1500px] flex-col gap-3 p-4 sm:p-5">
      <header className="flex flex-wrap items-baseline gap-x-5">
        <h1 className="text-3xl font-bold">Mix</h1>
        <p>{title}</p>
      </header>
      <div className="grid gap-3 lg:grid-cols-[18rem_minmax(0,1fr)] xl:grid-cols-[18rem_minmax(0,1fr)_19rem]">
        <section className="card-flat grid content-start gap-3 p-4" aria-label="How much">
          {!step && bowl.powder === '' && bowl.liquid === '' && (
            <p>
              <TryExample onTry={() => setBowl({ ...emptyBowl, powder: '100', liquid: '33' })} />
            </p>
          )}
          <SelectField
            label="Material"
            options={materialOptions(shelf.products, step ? classId : undefined)}
            value={chosen}
            onChoose={(id) => {
              setChosen(id)
              setLotId('first')
            }}
          />
          <HowMuchPanel
            entry={entry}
            onEntry={(change: Partial<HowMuchEntry>) => {
              setEntry((before) => ({ ...before, ...change }))
              if (change.flask) keepFlask(change.flask)
            }}
            result={result ?? { faults: {}, source: '' }}
            card={card}
            materialId={classId}
            stepId={step?.stepId}
            amountId={step?.amount.id}
          />
          <NumberField
            label="Ratio on the pack"
            unit="mL/g"
            text={ratioText}
            onText={setRatioText}
            fault={ratioFault}
            hint={`Empty: ${ratio(usual)} (class ${ratio(card.measure.minMillilitresPerGram)}-${ratio(card.measure.maxMillilitresPerGram)}), ${card.measure.source}`}
          />
        </section>
        <section className="card-flat grid content-start gap-3 p-4" aria-label="The mix">
          {mix && wanted !== undefined ? (
            <>
              <div className="flex flex-wrap items-center justify-between gap-x-4 xl:flex-nowrap">
                <Target card={card} mix={mix} wanted={wanted} />
                <div className="h-28 w-44 shrink-0">
                  <Vessels
                    mix={mix}
                    card={card}
                    colour={colours[classId] ?? 'var(--stone)'}
                    inBowl={{ ...inBowl, powder: inBowl.powder ?? onPan }}
                  />
                </div>
              </div>
              <WeighPanel target={mix} wanted={wanted} bowl={bowl} onBowl={onBowl} devices={devices} />
              <div className="border-base-300 border-t pt-3">
                <Effects card={card} mix={mix} />
              </div>
            </>
          ) : (
            <p className="text-xl">Enter what is known to see both parts.</p>
          )}
        </section>
        <section
          className="card-flat grid content-start gap-3 p-4 lg:col-span-2 xl:col-span-1"
          aria-label="In the bowl"
        >
          <BowlFields
            card={card}
            bowl={bowl}
            faults={{
              powder: bowl.powder ? inBowl.powderFault : undefined,
              liquid: bowl.liquid ? inBowl.liquidFault : undefined,
            }}
            onBowl={onBowl}
            waterMillilitres={mix && wanted !== undefined ? waterFor(bowl, mix, wanted) : 0}
          />
          {wanted !== undefined && (
            <InTheBowl
              card={card}
              wanted={wanted}
              powderGrams={inBowl.powder}
              liquidMillilitres={inBowl.liquid}
              thickening={thickening}
              onThickening={setThickening}
            />
          )}
          {ripensByRoom(classId) && <NumberField label="Room" unit="°C" {...room} />}
          {outside && (
            <TextField
              label="Why it is used all the same"
              text={ratioReason}
              onText={setRatioReason}
              hint="Outside the range of card and pack: else correct it, or mix again."
            />
          )}
          <SelectField
            label="Lot"
            options={[
              ...lots.map((each) => [each.lotId, lotWords(each, shelf)] as const),
              ['', 'No lot noted'],
            ]}
            value={lot?.lotId ?? ''}
            onChoose={setLotId}
          />
          {/* A practice case has no clock of the lab. */}
          {!practice && (
            <button
              type="button"
              className={step?.onRecord ? 'act' : 'act-main'}
              onClick={() => void met()}
              disabled={own !== undefined}
            >
              Powder meets {card.liquidName === 'water' ? 'water' : 'liquid'}
            </button>
          )}
          {step?.onRecord && (
            <button type="button" className="act-main" onClick={() => void record()}>
              Into the record
            </button>
          )}
          {card.investment && (
            <p>
              <Said
                words={saying`About ${card.investment.vacuumSeconds} s under vacuum, powder and liquid at ${joined(
                  card.investment.mixCelsius.map((each) => [qty.celsius(each)]),
                  ' to ',
                )}: warmer sets sooner (${card.investment.source}).`}
              />
            </p>
          )}
          {wrong !== undefined && <Message tone="error" words={wrong} />}
        </section>
      </div>
      <MixClocks running={running} />
      {card.clock && !own && (
        <section className="card-flat p-4" aria-label="Clock, mixed now">
          <h2 className="mb-1 font-semibold">Mixed now</h2>
          <ClockStrip clock={mixClock(card.clock, now, settingFactor)} now={now} running={false} />
        </section>
      )}
      <MoreSums card={card} changers={changers} onChangers={setChangers} />
    </main>
  )
}

/** The figures to weigh and measure, readable from a step away. */
function Target({ card, mix, wanted }: { card: Weighed; mix: Mix; wanted: number }) {
  const { bagGrams, powderGramsPerMillilitre } = card.measure
  const bags = bagGrams ? packsNeeded(mix.powderGrams, bagGrams) : 0
  return (
    <dl className="flex flex-wrap gap-x-8 gap-y-1">
      <Figure what={powderWords(card, mix.powderGrams)} text={grams(mix.powderGrams)} />
      <Figure what={`${card.liquidName}, ${ratio(wanted)}`} text={millilitres(mix.liquidMillilitres)} />
      {bagGrams && bagGrams <= 1000 && (
        <p className="w-full">
          {bags === 1 ? '1 bag' : `${bags} bags`} of {bagGrams} g
        </p>
      )}
      {powderGramsPerMillilitre && (
        <p className="w-full">
          By volume: {Math.round(mix.powderGrams / powderGramsPerMillilitre)} mL of powder
        </p>
      )}
    </dl>
  )
}

function Figure({ what, text }: { what: string; text: string }) {
  const [value, unit] = text.split(' ')
  return (
    <div className="flex flex-col-reverse">
      <dt className="text-sm opacity-80">{what}</dt>
      <dd>
        <output className="figures text-6xl leading-none font-bold" aria-label={what}>
          {value}
          <span className="text-3xl font-semibold"> {unit}</span>
        </output>
      </dd>
    </div>
  )
}

type Products = ReturnType<typeof useShelf>['products']

/** Classes, and under each the lab's products of it; for a step only those of its class. */
function materialOptions(products: Products, onlyClass?: string): (readonly [string, string])[] {
  return [...materials.values()]
    .filter(isWeighed)
    .filter(({ id }) => onlyClass === undefined || id === onlyClass)
    .flatMap((card) => [
      [card.id, card.name] as const,
      ...products
        .filter(({ product }) => product.materialId === card.id)
        .map(({ product }) => [product.productId, `    ${product.name}`] as const),
    ])
}
