import { MOST_OLD_SHARE } from '@yentrik/core'
import { useState } from 'react'
import type { DrillProps } from './drill-props.ts'
import { Ready } from './Ready.tsx'

/** Pieces on the bench, tapped into the crucible. The sum is done by whoever does the drill. */
export function ChargeDrill({ task: { needGrams, pieces }, done, onAnswer }: DrillProps<'charge'>) {
  const [taken, setTaken] = useState<readonly number[]>([])
  const toggle = (n: number) =>
    setTaken(taken.includes(n) ? taken.filter((each) => each !== n) : [...taken, n])
  return (
    <div className="grid gap-4">
      <p className="text-lg">
        Needed: <b className="figures text-4xl">{needGrams.toFixed(2)} g</b>, of which at most{' '}
        {100 * MOST_OLD_SHARE} % may have been melted before.
      </p>
      <ul className="grid grid-cols-3 gap-3">
        {pieces.map(({ grams, old }, n) => (
          <li key={`${grams} ${old}`}>
            <button
              type="button"
              disabled={done}
              aria-pressed={taken.includes(n)}
              className={`act h-20 w-full flex-col gap-0 ${taken.includes(n) ? 'btn-primary' : ''}`}
              onClick={() => toggle(n)}
            >
              <span className="figures text-2xl font-bold">{grams.toFixed(2)} g</span>
              <span className="text-sm font-normal">
                {n + 1}, {old ? 'melted once' : 'new'}
              </span>
            </button>
          </li>
        ))}
      </ul>
      <Ready
        done={done}
        words="Melt these"
        disabled={taken.length === 0}
        onReady={() => onAnswer({ drill: 'charge', taken })}
      />
    </div>
  )
}
