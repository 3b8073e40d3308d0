import {
  afterFiring,
  capital,
  colourDifference,
  colourOf,
  type DataOfKind,
  firedFactor,
  glazed,
  type Lab,
  mattOf,
  meanReading,
  READINGS,
  type RouteStep,
  recipeWords,
  recordedSheet,
  type SheetOfKind,
  type StainPlan,
  saying,
  sheetsWanted,
  stainedColour,
  verdictOf,
  zoneWords,
} from '@yentrik/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { freshen } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { attempt } from '../parts/attempt.ts'
import { Pills } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { Said } from '../preferences/words.tsx'
import { type ForCase, IntoRecord } from '../record/IntoRecord.tsx'
import { useShelf } from '../record/shelf.ts'
import { ColourRow } from './ColourRow.tsx'
import { type ColourText, isEmpty, noColour, readColour } from './plan-draft.ts'
import { Swatches } from './Swatches.tsx'
import { SpectrophotometerBar, useSpectrophotometer } from './spectrophotometer.tsx'
import { Verdict } from './verdict-words.tsx'

type Zones = DataOfKind<'stainPlan'>['zones']
/** How a stand-in's piece came out of the furnace. */
const outcomes = [
  ['1', 'As planned'],
  ['0.8', 'A fifth thinner'],
  ['1.2', 'A fifth thicker'],
  ['2', 'Twice as thick'],
] as const

interface Reading {
  readonly colour: Lab
  readonly from: 'instrument' | 'hand'
}
interface Typed {
  readonly readings: Readonly<Record<string, readonly Reading[]>>
  readonly byHand: Readonly<Record<string, ColourText>>
  readonly cameOut: (typeof outcomes)[number][0]
}
const nothing: Typed = { readings: {}, byHand: {}, cameOut: '1' }

/** The step of a case that reads a colour now: the one that runs, else the first that is not done. */
function readingStepOf({ job }: ForCase) {
  const wanted = sheetsWanted(job, 'shadeReading')
  return (
    wanted.find(({ step }) => job.steps[step.id]?.status === 'running') ??
    wanted.find(({ step }) => job.steps[step.id]?.status !== 'done') ??
    wanted.at(-1)
  )
}

/** The colour as it came out, zone by zone, against the target of the plan; and what to do then. */
export function ReadPanel({ forCase }: { readonly forCase?: ForCase }) {
  const found = forCase && readingStepOf(forCase)
  const plan = found && recordedSheet(forCase.job, found.sheet.planOf)
  if (!forCase || !found || plan?.kind !== 'stainPlan')
    return (
      <section className="card-flat grid justify-items-start gap-3 p-5" aria-label="Colour read">
        <p className="text-lg">
          {forCase && found
            ? 'This case has no stain plan on record yet: there is no target to read against.'
            : 'A colour is read against the plan of a case. Open it from a step of the case.'}
        </p>
        {forCase && found && (
          <Link className="act-main" to={`/fire?case=${forCase.caseId}&job=${forCase.job.jobId}&view=plan`}>
            Plan the stains
          </Link>
        )}
      </section>
    )
  return <Read forCase={forCase} step={found.step} sheet={found.sheet} plan={plan} />
}

function Read({
  forCase,
  step,
  sheet,
  plan,
}: {
  readonly forCase: ForCase
  readonly step: RouteStep
  readonly sheet: SheetOfKind<'shadeReading'>
  readonly plan: StainPlan
}) {
  const heard = useSpectrophotometer()
  const { attempt: tries = 1 } = forCase.job.steps[step.id] ?? {}
  const [typed, keep] = useDraft<Typed>(
    `fire read ${forCase.caseId} ${forCase.job.jobId} ${step.id} ${tries}`,
    () => nothing,
  )
  const matt = sheet.matt === true
  const key = ({ tooth, zone }: Zones[number]) => `${tooth ?? ''} ${zone}`
  const add = (of: Zones[number], colour: Lab, from: Reading['from']) =>
    keep((before) => ({
      ...before,
      byHand: { ...before.byHand, [key(of)]: noColour },
      readings: { ...before.readings, [key(of)]: [...(before.readings[key(of)] ?? []), { colour, from }] },
    }))
  const read = async (of: Zones[number]) => {
    if (heard.state?.standIn) {
      const came = stainedColour(
        of.block,
        of.coats.map((x, pot) => ({ pot: plan.pots[pot]!, coats: x * Number(typed.cameOut) })),
        plan.specular,
      )
      const colour = matt ? mattOf(came) : came
      await request('POST /devices/stand-in/spectrophotometer', { body: { does: 'put', colour } }).catch(
        () => undefined,
      )
    }
    const found = await heard.read()
    if (found) add(of, found.colour, 'instrument')
  }
  const all = plan.zones.map((of) => {
    const readings = typed.readings[key(of)] ?? []
    const mean = readings.length > 0 ? attempt(() => meanReading(readings.map(({ colour }) => colour))) : {}
    const surface = mean.answer
    const seen = surface && (matt ? glazed(surface) : surface)
    return { of, readings, seen, refusal: mean.refusal }
  })
  // One figure that was typed makes it a reading by hand.
  const from = all.some(({ readings }) => readings.some((each) => each.from === 'hand'))
    ? 'hand'
    : 'instrument'
  const enough = ({ readings, seen }: (typeof all)[number]) =>
    seen !== undefined && (from === 'hand' || readings.length >= READINGS)
  const differences = all.flatMap(({ of, seen }) => (seen ? [colourDifference(seen, of.target)] : []))
  const worst = differences.length > 0 ? Math.max(...differences) : undefined
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_25rem]">
      <section className="card-flat grid content-start gap-4 p-4" aria-label="Colour read">
        {all.map(({ of, readings, seen, refusal }) => (
          <div key={key(of)} className="grid items-start gap-x-4 gap-y-2 sm:grid-cols-[14rem_minmax(0,1fr)]">
            <div className="rounded-xl bg-[#a6a6a6] p-2 text-[#1c292b]">
              <p className="mb-1 flex items-baseline justify-between gap-2 font-bold">
                <Said words={capital(zoneWords(of))} />
                <span className="figures">
                  {seen ? colourDifference(seen, of.target).toFixed(2) : 'not read'}
                </span>
              </p>
              <Swatches
                className="h-10"
                colours={[
                  ['planned', colourOf(of, plan.pots, plan.specular)],
                  ['read', seen],
                  ['target', of.target],
                ]}
              />
              <p className="mt-0.5 grid grid-cols-3 text-center text-sm" aria-hidden>
                <span>planned</span>
                <span>read</span>
                <span>target</span>
              </p>
            </div>
            <div className="grid gap-2">
              <p className="flex flex-wrap items-center gap-2">
                {heard.there && (
                  <button type="button" className="small-act" onClick={() => void read(of)}>
                    Read{readings.length > 0 ? ' again' : ''}
                  </button>
                )}
                {readings.map(({ colour: { L, a, b } }, n) => (
                  <button
                    key={n}
                    type="button"
                    className="chip figures h-11 gap-2"
                    aria-label={`Leave out reading ${n + 1}`}
                    onClick={() =>
                      keep((before) => ({
                        ...before,
                        readings: {
                          ...before.readings,
                          [key(of)]: readings.filter((_, each) => each !== n),
                        },
                      }))
                    }
                  >
                    {L.toFixed(1)}, {a.toFixed(1)}, {b.toFixed(1)} ×
                  </button>
                ))}
              </p>
              {refusal && <Message tone="error" words={refusal} />}
              <details open={!heard.there}>
                <summary className="min-h-11 cursor-pointer">Type it</summary>
                <div className="flex flex-wrap items-center gap-2">
                  <div className="grow">
                    <ColourRow
                      label="Shows"
                      colour={typed.byHand[key(of)] ?? noColour}
                      onColour={(colour) =>
                        keep((before) => ({ ...before, byHand: { ...before.byHand, [key(of)]: colour } }))
                      }
                    />
                  </div>
                  <button
                    type="button"
                    className="small-act"
                    disabled={
                      isEmpty(typed.byHand[key(of)] ?? noColour) ||
                      readColour(typed.byHand[key(of)] ?? noColour) === undefined
                    }
                    onClick={() => {
                      const colour = readColour(typed.byHand[key(of)] ?? noColour)
                      if (colour) add(of, colour, 'hand')
                    }}
                  >
                    Add
                  </button>
                </div>
              </details>
            </div>
          </div>
        ))}
      </section>
      <aside className="card-flat grid content-start gap-3 p-5" aria-label="What it comes to">
        {worst !== undefined && (
          <p className="flex items-center gap-4">
            <output className="figures text-7xl leading-none font-bold" aria-label="Furthest off">
              {worst.toFixed(2)}
            </output>
            <span>
              <Verdict verdict={verdictOf(worst)} className="text-xl" />
              <br />
              from the target{matt ? ', as it will be glazed' : ''}
            </span>
          </p>
        )}
        <Next all={all} plan={plan} />
        <TellThePots all={all} plan={plan} />
        <SpectrophotometerBar heard={heard} specular={plan.specular} />
        {heard.state?.standIn && (
          <Pills
            label="Stand-in: the piece came out"
            options={outcomes}
            value={typed.cameOut}
            onChoose={(cameOut) => keep((before) => ({ ...before, cameOut }))}
          />
        )}
        <IntoRecord
          forCase={forCase}
          step={step}
          figures={
            all.every(enough)
              ? [
                  {
                    step,
                    sheetId: sheet.id,
                    sheet: {
                      kind: 'shadeReading',
                      specular: (from === 'instrument' && heard.state?.specular) || plan.specular,
                      from,
                      zones: all.map(({ of, readings }) => ({
                        ...(of.tooth === undefined ? {} : { tooth: of.tooth }),
                        zone: of.zone,
                        readings: readings.map(({ colour }) => colour),
                      })),
                    },
                  },
                ]
              : []
          }
          words="this reading"
        />
        <p className="text-sm opacity-80">
          {matt
            ? 'Not glazed yet: the reading is shown as it will be seen once it is, darker and deeper. '
            : ''}
          {`${READINGS} readings in each zone, tip flat, piece cold and wet, on the backing of the plan. Neutral light, 5500 to 6500 K; looks of five seconds. A screen is no shade match.`}
        </p>
      </aside>
    </div>
  )
}

/** What to do with each zone that is too far off. */
function Next({
  all,
  plan,
}: {
  all: readonly { readonly of: Zones[number]; readonly seen: Lab | undefined }[]
  plan: StainPlan
}) {
  const names = plan.pots.map(({ name }) => name)
  return (
    <>
      {all.map(({ of, seen }) => {
        if (!seen) return null
        const { answer, refusal } = attempt(() => afterFiring(seen, of.target, plan.pots, plan.specular))
        const where = zoneWords(of)
        if (refusal) return <Message key={`${of.tooth} ${of.zone}`} tone="error" words={refusal} />
        if (!answer || answer.does === 'leave') return null
        return (
          <Message
            key={`${of.tooth} ${of.zone}`}
            tone={answer.does === 'add' ? 'warning' : 'error'}
            words={
              answer.does === 'add'
                ? saying`Add at the ${where}: ${recipeWords(answer.plan.coats, names)}, then fire once more.`
                : saying`At the ${where} nothing can be added that brings it there: strip it and start again.`
            }
          />
        )
      })}
    </>
  )
}

/** What a zone of one pot says of how thick it really lay: kept with the pot, and offered as its factor once three agree. */
function TellThePots({
  all,
  plan,
}: {
  all: readonly { readonly of: Zones[number]; readonly seen: Lab | undefined }[]
  plan: StainPlan
}) {
  const shelf = useShelf()
  const { refusal, run } = useRequest()
  const [told, setTold] = useState<readonly string[]>([])
  const alone = all.flatMap(({ of, seen }) => {
    const used = of.coats.flatMap((x, pot) => (x > 0 ? [pot] : []))
    const pot = used.length === 1 ? plan.pots[used[0]!] : undefined
    if (!pot || !seen) return []
    const factor = attempt(() =>
      firedFactor({ block: of.block, coats: of.coats[used[0]!]!, read: seen }, pot, plan.specular),
    ).answer
    const product = shelf.products
      .map((each) => each.product)
      .find(({ productId }) => productId === pot.productId)
    return factor && product?.stain ? [{ key: `${of.tooth} ${of.zone}`, pot, factor, product, of }] : []
  })
  const tell = ({ key, factor, product }: (typeof alone)[number]) =>
    run(async () => {
      const { productId, stain, ...rest } = product
      // Against the pot as it was calibrated: what was planned had its factor already.
      const real = Number((factor * (stain!.factor ?? 1)).toFixed(3))
      await request('PUT /products/:productId', {
        path: { productId },
        body: { ...rest, stain: { ...stain!, fired: [...(stain!.fired ?? []), real].slice(-60) } },
      })
      await freshen('GET /products')
      setTold((before) => [...before, key])
    })
  return (
    <>
      {alone.map((each) => (
        <p key={each.key} className="flex flex-wrap items-center gap-2 text-sm">
          <span className="grow">
            <Said
              words={saying`${each.pot.name} at the ${zoneWords(each.of)} lay ${each.factor.toFixed(2)} times as thick as planned.`}
            />
          </span>
          <button
            type="button"
            className="small-act"
            disabled={told.includes(each.key)}
            onClick={() => void tell(each)}
          >
            {told.includes(each.key) ? 'Kept with the pot' : 'Keep it with the pot'}
          </button>
        </p>
      ))}
      {refusal && <Message tone="error" words={refusal} />}
    </>
  )
}
