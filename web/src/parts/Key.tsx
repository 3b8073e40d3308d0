/** What a colour of a chart stands for. */
export function Key({ colour, words }: { readonly colour: string; readonly words: string }) {
  return (
    <span>
      <span className="mr-2 inline-block h-1 w-8 align-middle" style={{ background: colour }} />
      {words}
    </span>
  )
}
