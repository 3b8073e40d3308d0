/** On an instrument that was opened on its own: figures to see it at work with. What was typed is not lost where something is typed already. */
export function TryExample({ onTry }: { readonly onTry: () => void }) {
  return (
    <button type="button" className="small-act" onClick={onTry}>
      Try it with an example
    </button>
  )
}
