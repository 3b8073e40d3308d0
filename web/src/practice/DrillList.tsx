import { drillIds, drills } from '@yentrik/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { useAnswer } from '../live/queries.ts'
import { anySeed } from './any-seed.ts'
import { scoreText } from './practice-words.ts'

/** The drills, each with the best of the last five. */
export function DrillList() {
  const { data: standings = [] } = useAnswer('GET /drills')
  // The same until the page is opened again: a list does not change under a finger.
  const [seed] = useState(anySeed)
  return (
    <section className="card-flat p-6" aria-label="Drills">
      <h2 className="mb-1 text-xl font-bold">Drills</h2>
      <p className="mb-2 opacity-80">One instrument, two to five minutes.</p>
      <ul>
        {drillIds.map((id) => {
          const standing = standings.find(({ drill }) => drill === id)
          return (
            <li key={id} className="border-base-300 border-t">
              <Link
                to={`/practise/drill/${id}?seed=${seed}`}
                className="hover:bg-base-200 flex min-h-12 items-center gap-3 rounded-lg px-1 leading-tight"
              >
                <b className="w-16 shrink-0">{drills[id].name}</b>
                <span className="grow text-sm">{drills[id].does}</span>
                {standing && (
                  <span className="figures text-right text-sm whitespace-nowrap">
                    <b className="text-lg">{scoreText(standing.best)}</b>, best of {standing.n}
                  </span>
                )}
              </Link>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
