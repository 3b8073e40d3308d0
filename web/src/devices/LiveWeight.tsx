import { type PourGuide, type PourWord, pourGuide } from '@yentrik/core'
import { grams } from '../format/format.ts'
import { Message } from '../parts/Message.tsx'
import { ReadingBand } from './ReadingBand.tsx'
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

/** The live weight, large, with the band it must end in and the one word for whoever pours. */
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
        <Message tone="error">{balance.fault ?? 'The balance says nothing.'}</Message>
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
      <ReadingBand
        value={guide.grams}
        least={guide.minGrams}
        most={guide.maxGrams}
        full={targetGrams * 1.15}
        target={targetGrams}
        tooMuch={guide.word === 'tooMuch'}
      />
      <p className="flex justify-between text-sm opacity-80">
        <span>{balance.settled ? 'settled' : 'moving'}</span>
        <span>
          right from {grams(guide.minGrams)} to {grams(guide.maxGrams)}
        </span>
      </p>
    </div>
  )
}
