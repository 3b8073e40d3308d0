import type { Body } from '@yentrik/contract'
import { displayUnit, type PressLimits, type PressWord, pressWord } from '@yentrik/core'
import { quantity } from '../format/format.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { Message } from '../parts/Message.tsx'
import { usePreferences } from '../preferences/preferences.ts'
import { ReadingBand } from './ReadingBand.tsx'
import { useDevices, useHadPress } from './use-devices.ts'

const words: Readonly<Record<PressWord, string>> = {
  close: 'Close slowly',
  slower: 'Slower',
  hold: 'Hold: it flows',
  more: 'A little more',
  right: 'Holds',
  letOff: 'Let off',
}
const tones: Readonly<Record<PressWord, string>> = {
  close: '',
  slower: 'text-warning',
  hold: 'opacity-80',
  more: 'text-warning',
  right: 'text-success',
  letOff: 'text-error',
}

/** How tall the panel has been: so much room is kept for it while the press is not heard, and as its words grow shorter. */
let tallestPixels = 160

/** The gauge of the press, large, with the band it must hold in and the word for the hand; nothing where none is connected. */
export function LiveGauge({
  limits,
  onTake,
}: {
  readonly limits: PressLimits
  readonly onTake: (kilopascals: number) => void
}) {
  const devices = useDevices()
  const hadPress = useHadPress()
  const units = usePreferences((preferences) => preferences.units)
  const { refusal, run } = useRequest()
  // What comes in later must not move what a hand is about to touch.
  const place = { minHeight: `${tallestPixels}px` }
  if (!devices && hadPress) return <div className="mb-3" style={place} aria-hidden />
  if (!devices?.press.name) return null
  const { press, gauge } = devices
  const word = pressWord(gauge, limits)
  const { leastKilopascals, mostKilopascals } = limits
  const { unit, fromStored } = displayUnit('kilopascals', units)
  const ready = press.held && word !== undefined && word !== 'close'
  const take = async () => {
    const taken = await run(() => request('POST /devices/press/take'))
    if (taken) onTake(taken.kilopascals)
  }
  return (
    <section
      className="mb-3"
      style={place}
      aria-label="Press"
      ref={(panel) => {
        tallestPixels = Math.max(tallestPixels, panel?.offsetHeight ?? 0)
      }}
    >
      {word && press.kilopascals !== undefined ? (
        <div>
          <p className="flex flex-wrap items-baseline justify-between gap-x-6">
            <output
              className="figures font-mono text-5xl leading-none font-bold"
              aria-label="Press gauge now"
            >
              {fromStored(press.kilopascals).toFixed(0)}
              <span className="text-2xl font-semibold"> {unit}</span>
            </output>
            <strong className={`text-3xl ${tones[word]}`} role="status">
              {words[word]}
            </strong>
          </p>
          <ReadingBand
            value={press.kilopascals}
            least={leastKilopascals}
            most={mostKilopascals}
            full={mostKilopascals * 1.25}
            tooMuch={word === 'letOff'}
          />
          <p className="text-sm opacity-80">
            {`right from ${quantity(leastKilopascals, 'kilopascals', units)} to ${quantity(mostKilopascals, 'kilopascals', units)}`}
          </p>
        </div>
      ) : (
        <Message tone="error">{`${press.fault ?? 'The press says nothing.'} Read its gauge and type it.`}</Message>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        <button type="button" className="act" onClick={() => void take()} disabled={!ready}>
          Take {ready ? quantity(press.kilopascals ?? 0, 'kilopascals', units) : 'it'}
        </button>
        {press.standIn && <PressControls connected={press.connected} />}
      </div>
      {refusal && <Message tone="error" words={refusal} />}
    </section>
  )
}

/** What a person does at the stand-in press: only where no real one is connected. */
function PressControls({ connected }: { readonly connected: boolean }) {
  const does = (body: Body<'POST /devices/stand-in/press'>) =>
    void request('POST /devices/stand-in/press', { body }).catch(() => undefined)
  const deeds = connected
    ? ([
        ['Turn on', { does: 'close' }],
        ['Stop', { does: 'stop' }],
        ['Let off', { does: 'letOff' }],
        ['Unplug', { does: 'unplug' }],
      ] as const)
    : ([['Plug in', { does: 'plugIn' }]] as const)
  return (
    <fieldset className="border-base-300 flex flex-wrap items-center gap-1.5 border-l border-dashed pl-2">
      <legend className="sr-only">Hand at the stand-in press</legend>
      <span className="text-sm opacity-80">Stand-in:</span>
      {deeds.map(([name, body]) => (
        <button key={name} type="button" className="small-act" onClick={() => does(body)}>
          {name}
        </button>
      ))}
    </fieldset>
  )
}
