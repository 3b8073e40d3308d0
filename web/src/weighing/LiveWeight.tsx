import { type PourGuide, type PourWord, pourGuide } from '@yentrik/core'
import { grams } from '../format/format.ts'
import { Told } from '../parts/Told.tsx'
import type { Devices } from './use-devices.ts'

const words: Readonly<Record<PourWord, (guide: PourGuide) => string>> = {
  pour: () => 'Pour',
  slowly: () => 'Slowly',
  stop: () => 'Stop',
  wait: () => 'Let it settle',
  right: () => 'Right',
  more: ({ missingGrams }) => `${grams(missingGrams)} more`,
  tooMuch: ({ missingGrams }) => `${grams(-missingGrams)} too much`,
}
const tones: Readonly<Record<PourWord, string>> = {
  pour: '',
  slowly: 'text-warning',
  stop: 'text-error',
  wait: 'opacity-80',
  right: 'text-success',
  more: 'text-warning',
  tooMuch: 'text-error',
}

/** The live weight, large, with the band it must end in and the one word for the pouring hand. */
export function LiveWeight({
  devices,
  targetGrams,
  toleranceFraction,
}: {
  devices: Devices
  targetGrams: number
  toleranceFraction: number
}) {
  const { balance, samples } = devices
  const guide = pourGuide(samples, { targetGrams, toleranceFraction })
  if (!guide)
    return (
      <div className="grid min-h-32 content-center gap-1">
        <Told tone="error">{balance.fault ?? 'The balance says nothing.'}</Told>
        {balance.grams !== undefined && (
          <p>Last seen {grams(balance.grams)}. It was not taken: check the balance, or type the weight.</p>
        )}
      </div>
    )
  return (
    <div className="min-h-32">
      <p className="flex flex-wrap items-baseline justify-between gap-x-6">
        <output
          className="figures font-mono text-6xl leading-none font-bold"
          aria-label="Weight on the balance"
        >
          {guide.grams.toFixed(1)}
          <span className="text-3xl font-semibold"> g</span>
        </output>
        <strong className={`text-4xl ${tones[guide.word]}`} role="status">
          {words[guide.word](guide)}
        </strong>
      </p>
      <Band guide={guide} targetGrams={targetGrams} />
      <p className="flex justify-between text-sm opacity-80">
        <span>{balance.settled ? 'settled' : 'moving'}</span>
        <span>
          right from {grams(guide.minGrams)} to {grams(guide.maxGrams)}
        </span>
      </p>
    </div>
  )
}

/** The weight as a bar that grows towards its band; the band is drawn wide enough to be seen. */
function Band({ guide, targetGrams }: { guide: PourGuide; targetGrams: number }) {
  const full = targetGrams * 1.15
  const share = (value: number) => `${(100 * Math.min(1, Math.max(0, value / full))).toFixed(2)}%`
  return (
    <div
      className="bg-base-200 border-base-300 relative mt-3 h-8 overflow-hidden rounded-xl border"
      aria-hidden
    >
      <div className="hatched absolute inset-y-0" style={{ left: share(guide.minGrams), right: 0 }} />
      <div
        className="absolute inset-y-0 opacity-60"
        style={{
          left: share(guide.minGrams),
          width: `${(100 * (guide.maxGrams - guide.minGrams)) / full}%`,
          background: 'var(--good)',
        }}
      />
      <div
        className="absolute inset-y-0 left-0"
        style={{
          width: share(guide.grams),
          background: guide.word === 'tooMuch' ? 'var(--color-error)' : 'var(--stone)',
        }}
      />
      <div className="bg-base-content absolute inset-y-0 w-0.5" style={{ left: share(targetGrams) }} />
    </div>
  )
}
