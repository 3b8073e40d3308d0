import {
  type BestTilt,
  joined,
  LEVEL,
  type RoomBody,
  type SurveyArch,
  saying,
  TAPERS,
  type TableTilt,
  type TiltAim,
  tiltWords,
  waxGrams,
} from '@yentrik/core'
import { useState } from 'react'
import { Link } from 'react-router'
import type { Attempt } from '../parts/attempt.ts'
import { Pills } from '../parts/Choices.tsx'
import { Message } from '../parts/Message.tsx'
import { Said } from '../preferences/words.tsx'
import { type CastBounds, whereWords } from './survey-draft.ts'

/** Block-out in mL and grams, with a taper; what other tilts would come to; the best tilt by one aim. */
export function RoomPanel({
  cubicMillimetres,
  rooms,
  bodies,
  cast,
  before,
  taper,
  tilt,
  arch,
  best,
  searching,
  aims,
  onTaper,
  onBest,
  onStop,
  onTilt,
}: {
  readonly cubicMillimetres: number | undefined
  /** By each taper; undefined while it is worked out. */
  readonly rooms: Attempt<readonly number[]> | undefined
  /** Body by body, the largest first. */
  readonly bodies: readonly RoomBody[]
  readonly cast: CastBounds
  /** On record from a scan before it was blocked out, mL. */
  readonly before?: number | undefined
  readonly taper: '0' | '2' | '6'
  readonly tilt: TableTilt
  readonly arch: SurveyArch
  readonly best: { readonly aim: TiltAim; readonly answer: Attempt<BestTilt> } | undefined
  readonly searching: { readonly aim: TiltAim; readonly tried: number } | undefined
  readonly aims: readonly (readonly [TiltAim, string])[]
  readonly onTaper: (taper: '0' | '2' | '6') => void
  readonly onBest: (aim: TiltAim) => void
  readonly onStop: () => void
  readonly onTilt: (tilt: TableTilt) => void
}) {
  const [aim, setAim] = useState<TiltAim>('room')
  const at = TAPERS.indexOf(Number(taper) as 0)
  const volume = at > 0 ? rooms?.answer?.[at] : cubicMillimetres
  const shown = volume === undefined ? '…' : (volume / 1000).toFixed(2)
  const grams = volume === undefined ? '…' : waxGrams(volume).toFixed(2)
  const found = best?.answer.answer
  return (
    <section className="card-flat grid content-start gap-3 p-4" aria-label="Block out">
      <h2 className="font-bold">Block out, down to the floor</h2>
      <p className="figures text-4xl font-bold">
        {shown}
        <span className="text-lg font-semibold"> mL = </span>
        {grams}
        <span className="text-lg font-semibold"> g of wax</span>
      </p>
      {before !== undefined && volume !== undefined && volume / 1000 < before && (
        <p className="font-semibold">
          {before.toFixed(2)} mL on record: {(before - volume / 1000).toFixed(2)} mL, or{' '}
          {waxGrams(1000 * before - volume).toFixed(2)} g of wax, went in since.
        </p>
      )}
      <div className="flex flex-wrap items-end justify-between gap-3">
        <Pills<'0' | '2' | '6'>
          label="Shaved"
          options={[
            ['0', 'straight'],
            ['2', '2°'],
            ['6', '6°'],
          ]}
          value={taper}
          onChoose={onTaper}
        />
        {volume !== undefined && (
          <Link className="link" to={`/mix?material=model-plaster&cm3=${(volume / 1000).toFixed(2)}`}>
            Plaster for it, in Mix
          </Link>
        )}
      </div>
      {bodies.length > 0 && (
        <details>
          <summary className="cursor-pointer py-2.5 font-semibold">Where it goes, the most first</summary>
          <ol className="figures grid gap-1">
            {bodies.slice(0, 8).map(({ cubicMillimetres: here, middle }) => (
              <li key={middle.join()} className="border-base-300 flex justify-between border-t py-1">
                <span>{whereWords(arch, middle, cast)}</span>
                <strong>{(here / 1000).toFixed(3)} mL</strong>
              </li>
            ))}
          </ol>
        </details>
      )}
      <div className="border-base-300 grid gap-2 border-t pt-3">
        <div className="flex flex-wrap items-end gap-2">
          <Pills<TiltAim> label="Best tilt for" options={aims} value={aim} onChoose={setAim} />
        </div>
        {searching ? (
          <p role="status" className="flex items-center gap-3">
            <progress className="progress progress-primary grow" value={searching.tried} max={USUAL_TRIED} />
            <span className="figures">{searching.tried} tilts</span>
            <button type="button" className="small-act" onClick={onStop}>
              Stop
            </button>
          </p>
        ) : (
          <button type="button" className="act justify-self-start" onClick={() => onBest(aim)}>
            Find the best tilt
          </button>
        )}
        {best?.answer.refusal && <Message tone="error" words={best.answer.refusal} />}
        {found && best && !searching && (
          <>
            {found.levelIsAsGood && (
              <Message tone="good">No tilt is as good as the table level: leave it so.</Message>
            )}
            <ul className="grid gap-1.5" aria-label="Tilts compared">
              {[
                { name: 'Table level', of: found.level, tilt: LEVEL },
                { name: 'Yours', of: found.present, tilt: found.present.tilt },
                ...(found.levelIsAsGood ? [] : [{ name: 'Best', of: found.chosen, tilt: found.chosen.tilt }]),
              ].map((row) => (
                <li key={row.name}>
                  <button
                    type="button"
                    className={`border-base-300 flex w-full cursor-pointer items-baseline justify-between gap-3 rounded-xl border px-3 py-2 text-left ${same(row.tilt, tilt) ? 'outline-primary outline-3' : ''}`}
                    onClick={() => onTilt(row.tilt)}
                  >
                    <span className="font-semibold">{row.name}</span>
                    <span className="text-sm">
                      <Said words={saying`${joined(tiltWords(arch, row.tilt))}`} />
                    </span>
                    <span className="figures font-bold whitespace-nowrap">
                      {worth(best.aim, row.of.value)}
                      {row.of.cubicMillimetres !== undefined &&
                        `, ${(row.of.cubicMillimetres / 1000).toFixed(2)} mL`}
                    </span>
                  </button>
                </li>
              ))}
            </ul>
          </>
        )}
      </div>
    </section>
  )
}

/** A search takes about so many. */
const USUAL_TRIED = 175

const same = (a: TableTilt, b: TableTilt) =>
  Math.abs(a.lateralDegrees - b.lateralDegrees) < 0.05 &&
  Math.abs(a.anteroposteriorDegrees - b.anteroposteriorDegrees) < 0.05
/** What an aim comes to, in words. */
function worth(aim: TiltAim, value: number): string {
  if (aim === 'retention') return `off by ${Math.sqrt(value).toFixed(2)} mm`
  if (aim === 'guiding') return `off by ${((Math.asin(Math.sqrt(value)) * 180) / Math.PI).toFixed(1)}°`
  return `${(value / 1000).toFixed(2)} mL`
}
