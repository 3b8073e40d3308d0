import type { Body } from '@yentrik/contract'

type Trouble = Body<'POST /machine-runs/:runId/troubles'>

/** What can be made to go wrong with a stand-in, to see what then. */
export function StandInTroubles({
  troubles,
  onTrouble,
}: {
  readonly troubles: readonly (readonly [words: string, trouble: Trouble])[]
  readonly onTrouble: (trouble: Trouble) => void
}) {
  return (
    <details>
      <summary className="min-h-11 cursor-pointer font-semibold">Stand-in: what if</summary>
      <div className="flex flex-wrap gap-2">
        {troubles.map(([words, trouble]) => (
          <button key={words} type="button" className="small-act" onClick={() => onTrouble(trouble)}>
            {words}
          </button>
        ))}
      </div>
    </details>
  )
}
