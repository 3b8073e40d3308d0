import {
  capital,
  colourOf,
  GOOD_TO,
  halfway,
  type Lab,
  MOST_POTS,
  type PlannedPot,
  potOf,
  potWarnings,
  type StainPlan,
  saying,
  sheetsWanted,
  showTooth,
  stainedColour,
  stainWarnings,
  type ToothZone,
  toothZones,
  type ZonePlan,
  zoneNames,
} from '@yentrik/core'
import { useMemo } from 'react'
import { useNow } from '../live/lab-clock.ts'
import { Pills } from '../parts/Choices.tsx'
import { Message } from '../parts/Message.tsx'
import { usePreferences } from '../preferences/preferences.ts'
import { type ForCase, IntoRecord } from '../record/IntoRecord.tsx'
import { useShelf } from '../record/shelf.ts'
import { BrushSlider } from './BrushSlider.tsx'
import { Colours } from './Colours.tsx'
import { FiringsRail } from './FiringsRail.tsx'
import { ceramicOf, type FireDraft, isCalibrated, type PlanQuestion, zonesAsked } from './plan-draft.ts'
import { BetterBlocks, NothingYet, Strokes } from './plan-parts.tsx'
import { ToothPicture } from './ToothPicture.tsx'
import { useBlocks, usePlan, useSchools } from './use-plan.ts'
import { Verdict } from './verdict-words.tsx'
import { potColour, ZoneCard } from './ZoneCard.tsx'

const left: readonly ToothZone[] = ['neck', 'body']
const right: readonly ToothZone[] = ['sides', 'edge']

/** Which stains bring a block to its target, zone by zone, and whether they can. */
export function PlanPanel({
  draft,
  onDraft,
  teeth,
  tooth,
  onTooth,
  forCase,
}: {
  readonly draft: FireDraft
  readonly onDraft: (draft: FireDraft) => void
  readonly teeth: readonly number[]
  readonly tooth: string
  readonly onTooth: (tooth: string) => void
  readonly forCase?: ForCase
}) {
  const notation = usePreferences((preferences) => preferences.teeth)
  const shelf = useShelf()
  const today = useNow()
  const calibrated = shelf.products.map(({ product }) => product).filter(isCalibrated)
  const wished = calibrated.filter(({ productId }) => !draft.without.includes(productId))
  // More are too many to try: the rest is said.
  const taken = wished.slice(0, MOST_POTS)
  const pots = useMemo(() => taken.map(potOf), [JSON.stringify(taken)])
  const zones = zonesAsked(draft, teeth)
  const question =
    zones.length > 0 && pots.length > 0
      ? { zones, pots, maxCoats: Number(draft.coats), specular: draft.specular }
      : undefined
  const found = usePlan(question)
  const of = found?.answer?.of
  const plans = found?.answer?.zones ?? []
  // Seen at another coat: what the brush does to it.
  const brushed = Number(draft.brushed)
  const mixed = plans.map((plan, n) => colourAt(of!.zones[n]!.block, plan, of!.pots, brushed, of!.specular))
  const worst = plans.reduce((most, plan, n) => (plan.difference > plans[most]!.difference ? n : most), 0)
  const shownTooth = teeth.length < 2 ? undefined : Number(tooth)
  const at = (zone: ToothZone) =>
    of?.zones.findIndex((each) => each.zone === zone && each.tooth === shownTooth) ?? -1
  // For a case only blocks of its class are any.
  const own = ceramicOf(forCase?.job)
  const zoneAt = (zone: ToothZone) => {
    const n = at(zone)
    return n < 0 ? undefined : { ...of!.zones[n]!, coats: plans[n]!.coats.map((x) => brushed * x) }
  }
  const body = zoneAt('body')
  const between = Object.fromEntries(
    toothZones.flatMap((zone) => {
      const one = zoneAt(zone)
      return one && body ? [[zone, halfway(one, body, of!.pots, of!.specular)]] : []
    }),
  )
  const blocks = shelf.products.flatMap(({ product, card }) =>
    product.block && (own === undefined || card.ceramic === own)
      ? [{ name: product.name, block: product.block.colour }]
      : [],
  )
  const plan = plans[worst]
  const better = useBlocks(
    of && plan && blocks.length > 0 ? { ...of, zones: [of.zones[worst]!], blocks } : undefined,
  )
  const gain = useSchools(of && plan && draft.firings === 'two' ? { ...of, plan: plans } : undefined)
  const sheet: StainPlan | undefined = of && {
    zones: of.zones.map((zone, n) => ({ ...zone, coats: plans[n]!.coats })),
    pots: of.pots,
    specular: of.specular,
  }
  const [wanted] = forCase ? sheetsWanted(forCase.job, 'stainPlan') : []
  const warnings = [
    ...(wished.length > MOST_POTS
      ? [`only the first ${MOST_POTS} of ${wished.length} pots are tried: leave some out below`]
      : []),
    ...potWarnings(taken, {
      ceramic: own,
      lotsOf: (id) =>
        shelf.usable('ceramic-stain').flatMap(({ productId, number }) => (productId === id ? [number] : [])),
      today,
    }),
    ...(sheet ? stainWarnings(sheet) : []),
  ]
  const where = of && plan && zoneOf(of.zones[worst]!)
  function zoneOf({ zone, tooth: fdi }: { zone: ToothZone; tooth?: number }): string {
    return `${fdi === undefined || teeth.length < 2 ? '' : `${showTooth(fdi, notation)} `}${zoneNames[zone].toLowerCase()}`
  }
  return (
    <>
      {teeth.length > 1 && (
        <ul className="flex flex-wrap gap-2" aria-label="Teeth">
          {teeth.map((each) => {
            const own = plans
              .filter((_, n) => of?.zones[n]?.tooth === each)
              .map(({ difference }) => difference)
            return (
              <li key={each}>
                <button
                  type="button"
                  className={`small-act gap-2 ${String(each) === tooth ? 'btn-primary' : ''}`}
                  aria-pressed={String(each) === tooth}
                  onClick={() => onTooth(String(each))}
                >
                  {showTooth(each, notation)}
                  <span className="figures font-normal">
                    {own.length > 0 ? Math.max(...own).toFixed(2) : 'no colours'}
                  </span>
                </button>
              </li>
            )
          })}
        </ul>
      )}
      <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_25rem]">
        <div className="grid content-start gap-3">
          <section className="rounded-box overflow-hidden" aria-label="Plan">
            <div className="grid bg-[#a6a6a6] p-4 text-[#1c292b] sm:p-5 md:grid-cols-[12rem_minmax(0,1fr)_12rem] md:gap-x-0">
              <ZoneColumn zones={left} {...{ at, of, mixed, plans }} />
              <div className="row-start-1 grid place-items-center md:col-start-2">
                <ToothPicture
                  colours={Object.fromEntries(
                    toothZones.flatMap((zone) => {
                      const n = at(zone)
                      return n >= 0 && mixed[n] ? [[zone, mixed[n]]] : []
                    }),
                  )}
                  between={between}
                />
              </div>
              <ZoneColumn zones={right} {...{ at, of, mixed, plans }} />
            </div>
            <div className="bg-base-100 border-base-300 flex flex-wrap items-center gap-x-6 gap-y-2 border border-t-0 p-4">
              <BrushSlider
                value={draft.brushed}
                onValue={(next) => onDraft({ ...draft, brushed: next })}
                ends={plan && where ? { where, thinner: plan.thinner, thicker: plan.thicker } : undefined}
              />
              <p className="ml-auto font-bold">A screen is no shade match</p>
            </div>
          </section>
          {plan && <Strokes draft={draft} pots={of!.pots} plans={plans} />}
        </div>
        <section className="card-flat grid content-start gap-3 p-5" aria-label="What it comes to">
          <p className="border-warning border-l-4 pl-3 leading-tight">
            A lighter block can be toned down, a dark one cannot be lifted.
          </p>
          {plan && where ? (
            <>
              <div className="flex items-center gap-4">
                <output className="figures text-7xl leading-none font-bold" aria-label="Furthest off">
                  {plan.difference.toFixed(2)}
                </output>
                <p>
                  <Verdict verdict={plan.verdict} className="text-xl" />
                  <br />
                  at the {where}, the furthest off
                </p>
              </div>
              <p className="text-sm opacity-80">
                {`Colour difference ΔE00: to 0.8 half of the people do not see it, to 1.8 half accept it (Paravina 2015, recalled). Good to about ±${GOOD_TO}, and the brush.`}
              </p>
              {plan.cannotBeLifted && (
                <Message tone="error">
                  {`This block is too dark at the ${where}: the lightest it can go is L* ${plan.lightest.toFixed(1)}, the target has ${of.zones[worst]!.target.L.toFixed(1)}. Take a lighter block.`}
                </Message>
              )}
              {plan.verdict === 'outOfReach' && !plan.cannotBeLifted && (
                <Message tone="error">
                  {`This is only the nearest. ${draft.coats === '2' ? 'Try three coats, another block' : 'Take another block'}, or ask the dentist.`}
                </Message>
              )}
              <p className="border-base-300 flex items-baseline justify-between gap-3 border-y py-2">
                Lightest this block can go <b className="figures text-xl">L* {plan.lightest.toFixed(1)}</b>
              </p>
              <BetterBlocks own={of.zones[worst]!.block} found={better?.answer ?? []} coats={draft.coats} />
              {gain?.answer && (
                <p className="text-sm">
                  {`A fifth too thin or too thick ends at ${gain.answer.one.toFixed(2)} in one firing; read and added to in between, at ${gain.answer.two.toFixed(2)}. The colours themselves are the same.`}
                </p>
              )}
              {warnings.map((words, n) => (
                <Message key={n} tone="warning" words={saying`${capital(words)}.`} />
              ))}
              {forCase && wanted && sheet && (
                <IntoRecord
                  forCase={forCase}
                  step={wanted.step}
                  figures={[
                    {
                      step: wanted.step,
                      sheetId: wanted.sheet.id,
                      sheet: { kind: 'stainPlan', ...sheet, firings: draft.firings },
                    },
                  ]}
                  words={plan.verdict === 'outOfReach' ? 'the nearest' : 'this plan'}
                />
              )}
            </>
          ) : (
            <NothingYet pots={calibrated.length} zones={zones.length} working={question !== undefined} />
          )}
          {found?.refusal && <Message tone="error" words={found.refusal} />}
        </section>
      </div>
      {plan && <FiringsRail forCase={forCase} firings={draft.firings} />}
      <Colours draft={draft} onDraft={onDraft} teeth={teeth} tooth={tooth} job={forCase?.job} />
      <section className="card-flat grid gap-3 p-4" aria-label="How it is painted">
        <div className="flex flex-wrap gap-x-8 gap-y-3">
          <Pills
            label="Coats at most"
            options={[
              ['2', 'Two'],
              ['3', 'Three, film may pool'],
            ]}
            value={draft.coats}
            onChoose={(coats) => onDraft({ ...draft, coats })}
          />
          <Pills
            label="Stain and glaze"
            options={[
              ['two', 'Two firings'],
              ['one', 'One firing'],
            ]}
            value={draft.firings}
            onChoose={(firings) => onDraft({ ...draft, firings })}
          />
          <Pills
            label="Readings have the gloss"
            options={[
              ['excluded', 'Excluded'],
              ['included', 'Included'],
            ]}
            value={draft.specular}
            onChoose={(specular) => onDraft({ ...draft, specular })}
          />
        </div>
        {calibrated.length > 0 && (
          <fieldset>
            <legend className="mb-1 font-semibold">Pots to try</legend>
            <div className="flex flex-wrap gap-2">
              {calibrated.map((pot) => {
                const { productId, name } = pot
                const without = draft.without.includes(productId)
                return (
                  <label
                    key={productId}
                    className={`small-act cursor-pointer gap-2 has-focus-visible:outline-3 ${without ? 'opacity-60' : ''}`}
                  >
                    <input
                      type="checkbox"
                      className="sr-only"
                      checked={!without}
                      onChange={() =>
                        onDraft({
                          ...draft,
                          without: without
                            ? draft.without.filter((each) => each !== productId)
                            : [...draft.without, productId],
                        })
                      }
                    />
                    <span
                      className={`size-3.5 rounded-full border border-current ${without ? 'border-dashed' : ''}`}
                      style={without ? undefined : { background: potColour(potOf(pot)) }}
                      aria-hidden
                    />
                    {name}
                  </label>
                )
              })}
            </div>
          </fieldset>
        )}
      </section>
    </>
  )
}

/** The zones at one side of the tooth. */
function ZoneColumn({
  zones,
  at,
  of,
  mixed,
  plans,
}: {
  readonly zones: readonly ToothZone[]
  /** Where a zone stands in the plan; -1: it has none. */
  readonly at: (zone: ToothZone) => number
  readonly of: PlanQuestion | undefined
  readonly mixed: readonly Lab[]
  readonly plans: readonly ZonePlan[]
}) {
  return (
    <div className="grid min-w-0 content-between gap-4 max-md:mt-4">
      <p className="-mb-3 grid grid-cols-3 text-center text-sm" aria-hidden>
        <span>block</span>
        <span>mixed</span>
        <span>target</span>
      </p>
      {zones.map((zone) => {
        const n = at(zone)
        const own = n >= 0 ? of?.zones[n] : undefined
        return (
          <ZoneCard
            key={zone}
            zone={zone}
            block={own?.block}
            target={own?.target}
            mixed={n >= 0 ? mixed[n] : undefined}
            plan={n >= 0 ? plans[n] : undefined}
            pots={of?.pots ?? []}
          />
        )
      })}
    </div>
  )
}

/** A zone at another coat than it was planned with. */
const colourAt = (
  block: Lab,
  { coats }: ZonePlan,
  pots: readonly PlannedPot[],
  by: number,
  specular: StainPlan['specular'],
) =>
  by === 1
    ? colourOf({ block, coats }, pots, specular)
    : stainedColour(
        block,
        coats.map((x, pot) => ({ pot: pots[pot]!, coats: by * x })),
        specular,
      )
