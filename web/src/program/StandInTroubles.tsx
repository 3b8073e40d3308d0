/** What can be made to go wrong with a stand-in, to see what then. */
export function StandInTroubles({
  troubles,
  onTrouble,
}: {
  readonly troubles: readonly (readonly [words: string, body: object])[]
  readonly onTrouble: (body: object) => void
}) {
  return (
    <details>
      <summary className="min-h-11 cursor-pointer font-semibold">Stand-in: what if</summary>
      <div className="flex flex-wrap gap-2">
        {troubles.map(([words, body]) => (
          <button key={words} type="button" className="small-act" onClick={() => onTrouble(body)}>
            {words}
          </button>
        ))}
      </div>
    </details>
  )
}
