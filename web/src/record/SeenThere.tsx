import {
  type Check,
  levelRules,
  lookMeans,
  type Means,
  meansCards,
  type Saying,
  type SeenByLook,
  type SeenOnScale,
} from '@yentrik/core'
import { Droplets, Eye, Hand, Lamp, type LucideIcon, Ruler, ScanSearch, StickyNote } from 'lucide-react'
import { ReadingDrawing } from '../drawings/ReadingDrawing.tsx'
import { Said } from '../preferences/words.tsx'
import type { PracticeHand } from './opened.ts'
import { usePractice } from './practice-case.ts'

export const meansIcons: { readonly [M in Means]: LucideIcon } = {
  eye: Eye,
  lens: ScanSearch,
  finger: Hand,
  dry: Droplets,
  paper: StickyNote,
  light: Lamp,
  instrument: Ruler,
}

/** Of a practice case: what is to be seen or read at a check. Nothing on a case of the lab. */
export function SeenThere({
  check,
  tooth,
  unit,
}: {
  readonly check: Pick<Check, 'id' | 'name'>
  readonly tooth?: number | undefined
  readonly unit: string
}) {
  const practice = usePractice()
  if (!practice) return null
  const here = practice.seen.filter((each) =>
    each.kind === 'sheet' ? each.sheetId === check.id : each.checkId === check.id && each.tooth === tooth,
  )
  return here.map((each) =>
    each.kind === 'look' ? (
      <Look key="look" practice={practice} look={each} name={check.name} />
    ) : each.kind === 'scale' ? (
      <Reading
        key={each.name ?? 'scale'}
        practice={practice}
        reading={each}
        name={each.name ?? check.name}
        unit={each.name ? 'mm' : unit}
      />
    ) : (
      <Lies key="words" words={each.words} />
    ),
  )
}

function Look({
  practice,
  look: { stepId, checkId, tooth, seen },
  name,
}: {
  readonly practice: PracticeHand
  readonly look: SeenByLook
  readonly name: string
}) {
  const taken = new Set(seen.map(({ means }) => means))
  return (
    <section
      className="bg-base-200 mb-3 grid gap-2 rounded-xl p-3"
      aria-label={`${name}: what is to be seen`}
    >
      {seen.map(({ means, say }) => {
        const Icon = meansIcons[means]
        return (
          <p key={means} className="flex gap-3 text-lg">
            <Icon className="mt-1 size-5 shrink-0" aria-hidden />
            <span>
              <span className="sr-only">{meansCards[means].name}: </span>
              {say.join(' ')}
            </span>
          </p>
        )
      })}
      <p className="flex flex-wrap items-center gap-1.5">
        {lookMeans
          .filter((means) => means !== 'eye' && !taken.has(means))
          .map((means) => {
            const Icon = meansIcons[means]
            const { name: by, minutes } = meansCards[means]
            const words = `Look closer: ${by.toLowerCase()}, ${minutes} min`
            return (
              <button
                key={means}
                type="button"
                className="small-act border-base-300 bg-base-100 gap-1 px-2 text-sm"
                aria-label={words}
                title={words}
                onClick={() =>
                  void practice.act({
                    act: 'look',
                    stepId,
                    checkId,
                    ...(tooth === undefined ? {} : { tooth }),
                    means,
                  })
                }
              >
                <Icon className="size-5" aria-hidden /> {by}
              </button>
            )
          })}
      </p>
    </section>
  )
}

/** An instrument to be read. */
function Reading({
  practice,
  reading: { scale, pointer },
  name,
  unit,
}: {
  readonly practice: PracticeHand
  readonly reading: SeenOnScale
  readonly name: string
  readonly unit: string
}) {
  const decimals = Math.max(0, Math.ceil(-Math.log10(scale.step) - 1e-9))
  return (
    <section className="mb-3 max-w-md" aria-label={`${name}: read it`}>
      <h4 className="mb-1 font-semibold">Read it: {name.charAt(0).toLowerCase() + name.slice(1)}</h4>
      <ReadingDrawing scale={scale} pointer={pointer} unit={unit} name={`${name}, an instrument`} />
      {levelRules[practice.level].digits && (
        <p className="figures mt-1 font-semibold">
          {pointer.toFixed(decimals)} {unit}
        </p>
      )}
    </section>
  )
}

/** Of a practice case: what lies there for a sheet. */
export function LiesThere({ stepId, sheetId }: { readonly stepId: string; readonly sheetId: string }) {
  const practice = usePractice()
  if (!practice) return null
  return practice.seen.map((each) => {
    if (each.stepId !== stepId) return null
    if (each.kind === 'scale' && each.checkId === sheetId)
      return (
        <Reading
          key={each.name ?? 'scale'}
          practice={practice}
          reading={each}
          name={each.name ?? ''}
          unit="mm"
        />
      )
    if (each.kind !== 'sheet' || each.sheetId !== sheetId) return null
    return <Lies key="words" words={each.words} />
  })
}

function Lies({ words }: { readonly words: Saying }) {
  return (
    <p className="bg-base-200 mb-3 flex gap-3 rounded-xl p-3 text-lg">
      <Eye className="mt-1 size-5 shrink-0" aria-hidden />
      <Said words={words} />
    </p>
  )
}
