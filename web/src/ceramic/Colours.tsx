import {
  type JobState,
  type LabProduct,
  showTooth,
  type ToothZone,
  toothZones,
  zoneNames,
} from '@yentrik/core'
import { usePreferences } from '../preferences/preferences.ts'
import { useEquipment } from '../record/equipment.ts'
import { useShelf } from '../record/shelf.ts'
import { ColourHead, ColourRow } from './ColourRow.tsx'
import {
  type ColourText,
  ceramicOf,
  colourText,
  exampleTooth,
  type FireDraft,
  isEmpty,
  type ToothText,
  toothOf,
} from './plan-draft.ts'
import { SpectrophotometerBar, useSpectrophotometer } from './spectrophotometer.tsx'
import { takenLots } from './taken-lots.ts'

/** Block and target, zone by zone; of several teeth each its own, or the same for all. */
export function Colours({
  draft,
  onDraft,
  teeth,
  tooth,
  job,
}: {
  readonly draft: FireDraft
  readonly onDraft: (draft: FireDraft) => void
  readonly teeth: readonly number[]
  /** The one that is looked at; '' where they have no names. */
  readonly tooth: string
  /** The case it is for: its class, and the block it has taken. */
  readonly job: JobState | undefined
}) {
  const notation = usePreferences((preferences) => preferences.teeth)
  const shelf = useShelf()
  const tabs = useEquipment('tab').map(({ name, L, a, b }) => [name, { L, a, b }] as const)
  const ceramic = ceramicOf(job)
  const taken = job ? takenLots(job, shelf).map(({ productId }) => productId) : []
  const inHand = shelf.products.find(
    ({ product }) => product.block && taken.includes(product.productId),
  )?.product
  const takeBlock = (found: NonNullable<LabProduct['block']>) => {
    const graded = Object.fromEntries(
      toothZones.flatMap((zone) => (found[zone] ? [[zone, colourText(found[zone])]] : [])),
    )
    change({ block: colourText(found.colour), graded })
  }
  const blocks = shelf.products.flatMap(({ product, card }) =>
    product.block && (ceramic === undefined || card.ceramic === ceramic)
      ? [[product.name, product.block] as const]
      : [],
  )
  const heard = useSpectrophotometer()
  const typed = toothOf(draft, tooth)
  const change = (to: Partial<ToothText>) =>
    onDraft({ ...draft, teeth: { ...draft.teeth, [tooth]: { ...typed, ...to } } })
  const target = (zone: ToothZone, colour: ColourText) =>
    change({ target: { ...typed.target, [zone]: colour } })
  const reads = (take: (colour: ColourText) => void) =>
    heard.there ? () => void heard.read().then((read) => read && take(colourText(read.colour))) : undefined
  return (
    <section className="card-flat grid content-start gap-3 p-4" aria-label="Block and target">
      <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
        <h2 className="text-xl font-semibold">Block and target</h2>
        {teeth.length > 1 && (
          <>
            <p className="text-lg">of {showTooth(Number(tooth), notation)}</p>
            <button
              type="button"
              className="small-act"
              onClick={() =>
                onDraft({ ...draft, teeth: Object.fromEntries(teeth.map((each) => [String(each), typed])) })
              }
            >
              The same for all
            </button>
          </>
        )}
        {Object.keys(draft.teeth).length === 0 && (
          <button type="button" className="small-act" onClick={() => change(exampleTooth)}>
            Try it with an example
          </button>
        )}
      </div>
      <div className="grid gap-2 xl:grid-cols-2 xl:gap-x-8">
        <div className="grid content-start gap-2">
          <ColourHead />
          <div>
            <ColourRow
              label="Block"
              colour={typed.block}
              onColour={(block) => change({ block, graded: undefined })}
              onRead={reads((block) => change({ block, graded: undefined }))}
            />
            {inHand?.block && isEmpty(typed.block) && (
              <button type="button" className="small-act mt-2" onClick={() => takeBlock(inHand.block!)}>
                The block of this case: {inHand.name}
              </button>
            )}
            {blocks.length > 0 && (
              <select
                className="select bg-base-100 mt-2 h-11 w-full text-base"
                aria-label="Block of the shelf"
                value=""
                onChange={(event) => {
                  const found = blocks.find(([name]) => name === event.target.value)?.[1]
                  if (found) takeBlock(found)
                }}
              >
                <option value="">Take a block of the shelf</option>
                {blocks.map(([name]) => (
                  <option key={name}>{name}</option>
                ))}
              </select>
            )}
            {Object.keys(typed.graded ?? {}).length > 0 && (
              <p className="mt-1 text-sm opacity-80">Graded: each zone has its own colour of the block.</p>
            )}
          </div>
          <SpectrophotometerBar
            heard={heard}
            specular={draft.specular}
            under={[
              ['A light block', { L: 84, a: 1, b: 13 }],
              ['A dark block', { L: 68, a: 4, b: 20 }],
              ...tabs.map(([name, colour]) => [`Tab ${name}`, colour] as const),
            ]}
          />
        </div>
        <div className="grid content-start gap-2">
          <ColourHead />
          {toothZones.map((zone) => (
            <ColourRow
              key={zone}
              label={zoneNames[zone]}
              colour={typed.target[zone]}
              onColour={(colour) => target(zone, colour)}
              choices={tabs}
              chooseLabel={`Tab for the ${zoneNames[zone].toLowerCase()}`}
              onRead={reads((colour) => target(zone, colour))}
            />
          ))}
        </div>
      </div>
    </section>
  )
}
