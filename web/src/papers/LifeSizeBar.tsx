/** A bar to lay a ruler on: when it is 100 mm long, everything else on the sheet has its size too. */
export function LifeSizeBar() {
  return (
    <p className="text-[9pt]">
      Life size when printed at 100 %: this bar is 100 mm.
      <span
        className="mt-1 block h-[2mm] w-[100mm] border border-black"
        style={{ boxSizing: 'border-box' }}
      />
    </p>
  )
}
