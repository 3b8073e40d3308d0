import {
  type Amount,
  type JobState,
  materials,
  mixWords,
  type RecordedMix,
  type RouteStep,
  wantedFigures,
} from '@yentrik/core'
import { amountFigures } from '../mixing/amount-figures.ts'
import { Figures } from '../mixing/Figures.tsx'
import { useUsedMix } from '../mixing/used-mix.ts'
import { Message } from '../parts/Message.tsx'
import { amountKindsShown } from './MixEntry.tsx'

interface AmountRowProps {
  readonly amount: Amount
  readonly job: JobState
  readonly step: RouteStep
  readonly caseId: string
  /** The materials, the mould of teeth, the shade that the order names. */
  readonly ordered?: string
  /** Whether it may be recorded now. */
  readonly entering: boolean
  readonly onMix: () => void
  readonly onRecord: (mix: RecordedMix) => Promise<boolean>
}

/** What a step uses of a material: what is wanted, large; then what was used, as it stands on record. */
export function AmountRow({ amount, job, step, caseId, ordered, entering, onMix, onRecord }: AmountRowProps) {
  const { packs, cardOf, ready, mixOf, shelf } = useUsedMix(amount, caseId)
  const mixed = job.steps[step.id]!.mixes.filter((mix) => mix.amountId === amount.id)
  const lotIds = packs.map(({ lots }) => lots[0]?.lotId ?? '')
  const noted = lotIds.filter((lotId) => lotId !== '')
  return (
    <div className="border-base-300 mt-4 flex flex-wrap items-end justify-between gap-3 border-t pt-3">
      <div>
        <Figures amount={amount} />
        <p className="mt-1 text-sm opacity-80">{amountFigures(amount).source}</p>
        {ordered && materials.get(amount.materialId)?.worn && (
          <p className="mt-1">
            The order says: <b>{ordered}</b>
          </p>
        )}
        {mixed.map((mix) => (
          <Message key={mix.sequence} tone="good" words={mixWords(mix, shelf)} />
        ))}
      </div>
      {entering && (
        <div className="flex flex-wrap gap-2">
          {mixed.length === 0 && ready && (
            <button
              type="button"
              className="act btn-primary"
              title={noted.length > 0 ? `Lot ${noted.map(shelf.lotNumber).join(', ')}` : undefined}
              onClick={() => void onRecord(mixOf(lotIds, wantedFigures(amount, cardOf(lotIds[0]!))))}
            >
              As wanted
            </button>
          )}
          <button type="button" className={mixed.length > 0 ? 'small-act' : 'act'} onClick={onMix}>
            {mixed.length > 0 ? 'Record another' : amountKindsShown[amount.kind].does}
            {mixed.length === 0 && <kbd className="key">M</kbd>}
          </button>
        </div>
      )}
    </div>
  )
}
