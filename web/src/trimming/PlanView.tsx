import {
  FIRST_PASS_LEAVES,
  type PairEntry,
  type PairPlan,
  type PlannedModel,
  qty,
  saying,
  type TrimCut,
} from '@yentrik/core'
import { type ReactNode, useState } from 'react'
import { Pills } from '../parts/Choices.tsx'
import { Message } from '../parts/Message.tsx'
import { usePreferences } from '../preferences/preferences.ts'
import { Said, useMillimetres } from '../preferences/words.tsx'
import { HeightDrawing } from './HeightDrawing.tsx'
import { TopDrawing } from './TopDrawing.tsx'
import type { ArchName } from './trim-draft.ts'

/** The plan, one cut at a time: the angle for the table and the depth, large; the drawing; the whole list. */
export function PlanView({
  entry,
  pair,
  onInstead,
  children,
}: {
  entry: PairEntry
  pair: PairPlan
  onInstead: (mm: number) => void
  /** What may be set against the usual. */
  children: ReactNode
}) {
  const [arch, setArch] = useState<ArchName>('upper')
  const [at, setAt] = useState(0)
  const model = pair[arch]
  const cut = model.cuts[at]
  const open = (name: ArchName) => {
    setArch(name)
    setAt(0)
  }
  return (
    <div className="grid min-h-0 grow gap-4 lg:grid-cols-[minmax(0,1fr)_25rem]">
      <section className="card-flat flex min-h-0 flex-col gap-2 overflow-y-auto p-4" aria-label="Drawing">
        <Pills
          label="Model"
          options={[
            ['upper', 'Upper'],
            ['lower', 'Lower'],
          ]}
          value={arch}
          onChoose={open}
        />
        <div className="grid min-h-0 grow items-center gap-4 md:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
          <TopDrawing
            model={model}
            outline={entry[arch].outline}
            cut={at}
            className="h-full max-h-[34rem] w-full"
          />
          <HeightDrawing pair={pair} offMiddle={entry.planeOffMiddleMillimetres ?? 0} />
        </div>
      </section>
      <aside className="card-flat min-h-0 overflow-y-auto p-4">
        {cut && <CutCard cut={cut} model={model} number={at + 1} count={model.cuts.length} />}
        <div className="mt-3 flex gap-2">
          <button type="button" className="act" onClick={() => setAt(at - 1)} disabled={at === 0}>
            Before
          </button>
          {at < model.cuts.length - 1 ? (
            <button type="button" className="act-main" onClick={() => setAt(at + 1)}>
              Next cut
            </button>
          ) : (
            <button
              type="button"
              className="act-main"
              onClick={() => open(arch === 'upper' ? 'lower' : 'upper')}
            >
              To the {arch === 'upper' ? 'lower' : 'upper'}
            </button>
          )}
        </div>
        <Warnings pair={pair} entry={entry} onInstead={onInstead} />
        <BaseHeights model={model} />
        <CutList cuts={model.cuts} at={at} onAt={setAt} />
        {children}
      </aside>
    </div>
  )
}

function CutCard({
  cut,
  model,
  number,
  count,
}: {
  cut: TrimCut
  model: PlannedModel
  number: number
  count: number
}) {
  const _units = usePreferences((preferences) => preferences.units)
  const mm = useMillimetres()
  const side = cut.name.startsWith('right') ? 'right' : cut.name.startsWith('left') ? 'left' : undefined
  const slack = side && cut.name.endsWith('side') ? model.plan.slackMillimetres[side] : undefined
  return (
    <div>
      <p className="chip">
        cut {number} of {count}
      </p>
      <h2 className="mt-1 text-2xl font-bold first-letter:uppercase">{cut.name}</h2>
      <dl className="mt-1 flex flex-wrap gap-x-8">
        <div className="flex flex-col-reverse">
          <dt className="text-sm opacity-80">{cut.name === 'front arc' ? 'radius' : 'table angle'}</dt>
          <dd>
            <output className="figures text-5xl leading-none font-bold" aria-label="Table angle">
              {cut.name === 'front arc' && model.plan.front.kind === 'arc'
                ? mm(model.plan.front.radiusMillimetres)
                : `${cut.tableDegrees.toFixed(1)}°`}
            </output>
          </dd>
        </div>
        <div className="flex flex-col-reverse">
          <dt className="text-sm opacity-80">to take off at the deepest</dt>
          <dd>
            <output className="figures text-5xl leading-none font-bold" aria-label="Depth">
              {cut.depthMillimetres === undefined ? '?' : mm(Math.max(0, cut.depthMillimetres))}
            </output>
          </dd>
        </div>
      </dl>
      <p className="mt-2">
        {cut.depthMillimetres === undefined
          ? 'Mark the present edge to know the depth.'
          : cut.noStone
            ? `No stone reaches this cut, by ${mm(-cut.depthMillimetres)}: leave it.`
            : `Leave about ${mm(FIRST_PASS_LEAVES)} on the first pass: you cannot put it back.`}
        {cut.opensOtherWay && ' The angle opens the other way.'}
        {slack !== undefined && ` ${mm(slack)} of stone stays outside the vestibule.`}
      </p>
    </div>
  )
}

function CutList({ cuts, at, onAt }: { cuts: readonly TrimCut[]; at: number; onAt: (at: number) => void }) {
  return (
    <ol className="border-base-300 mt-3 border-t pt-2" aria-label="Cuts in order">
      {cuts.map((cut, index) => (
        <li key={cut.name}>
          <button
            type="button"
            aria-current={index === at || undefined}
            className={`flex min-h-11 w-full items-center justify-between rounded-xl px-3 text-left ${index === at ? 'bg-primary text-primary-content font-semibold' : 'hover:bg-base-200'}`}
            onClick={() => onAt(index)}
          >
            <span className="first-letter:uppercase">{cut.name}</span>
            <span className="figures">
              {cut.name === 'front arc' ? '' : `${cut.tableDegrees.toFixed(1)}°`}
              {cut.depthMillimetres !== undefined && (
                <Said words={saying`  ${qty.mm(cut.depthMillimetres, 1)}`} />
              )}
            </span>
          </button>
        </li>
      ))}
    </ol>
  )
}

/** What comes off the base, corner by corner: the first cut of a model. */
function BaseHeights({ model: { heights, plan } }: { model: PlannedModel }) {
  if (!heights) return null
  return (
    <section className="border-base-300 mt-3 border-t pt-2" aria-label="Base">
      <h3 className="font-semibold">
        {plan.arch === 'upper' ? 'Base first' : 'Base after the back'}: it stands{' '}
        {heights.tiltDegrees.toFixed(1)}° to the occlusal plane. Take off
      </h3>
      <ul className="figures grid grid-cols-2 gap-x-4 text-sm">
        {heights.corners.map(({ name, removeMillimetres }) => (
          <li
            key={name}
            className={`flex justify-between ${removeMillimetres < 0 ? 'text-error font-semibold' : ''}`}
          >
            {name}{' '}
            <b>
              <Said words={[qty.mm(removeMillimetres, 1)]} />
            </b>
          </li>
        ))}
      </ul>
    </section>
  )
}

function Warnings({
  pair,
  entry,
  onInstead,
}: {
  pair: PairPlan
  entry: PairEntry
  onInstead: (mm: number) => void
}) {
  return (
    <section className="mt-3 grid gap-2" aria-label="What cannot be met">
      {(['upper', 'lower'] as const).map((arch) => {
        const { plan, heights } = pair[arch]
        return (
          <div key={arch} className="grid gap-1">
            {(heights?.rebaseMillimetres ?? 0) > 0 && (
              <Message
                tone="error"
                words={saying`${arch === 'upper' ? 'Upper' : 'Lower'} base too thin by ${qty.mm(heights!.shortMillimetres, 1)}: rebase it by ${qty.mm(heights!.rebaseMillimetres, 1)}.`}
              />
            )}
            {heights?.thinOverVault && (
              <Message
                tone="warning"
                words={saying`Only ${qty.mm(heights.overVaultMillimetres ?? 0, 1)} of stone stay over the deepest anatomy of the ${arch}.`}
              />
            )}
            {plan.warnings.map(({ code, sentence }, index) => (
              <Message
                key={`${code} ${index + 1}`}
                tone="warning"
                words={saying`${arch === 'upper' ? 'Upper' : 'Lower'}: ${sentence}`}
              />
            ))}
            <p className="text-sm opacity-80">
              {arch === 'upper' ? 'Upper' : 'Lower'}: angles from the {plan.better} side
              {plan.either ? ' (either would do)' : ''}; the sides differ by{' '}
              <Said words={[qty.mm(plan.asymmetryMillimetres, 1)]} />.
            </p>
          </div>
        )
      })}
      {pair.insteadOfRebaseMillimetres !== undefined && entry.planeOffMiddleMillimetres === undefined && (
        <button type="button" className="act" onClick={() => onInstead(pair.insteadOfRebaseMillimetres ?? 0)}>
          Plane <Said words={[qty.mm(pair.insteadOfRebaseMillimetres, 1)]} /> off the middle instead
        </button>
      )}
    </section>
  )
}
