/**
 * A ruler to lay a ruler on: when it is 100 mm long, everything else on the sheet has its size too. Stretched to its box: the
 * browser rounds the height to a 64th of a pixel, which would shorten a thin drawing that keeps its shape.
 */
export function LifeSizeBar() {
  return (
    <div className="text-[9pt]">
      Life size when printed at 100 %: this bar is 100 mm, each field 10 mm.
      <svg
        width="100mm"
        height="2mm"
        viewBox="0 0 100 2"
        preserveAspectRatio="none"
        className="mt-1 block"
        aria-hidden
      >
        <rect width="100" height="2" />
        {[10, 30, 50, 70, 90].map((from) => (
          <rect key={from} x={from} y="0.3" width="9.7" height="1.4" fill="#fff" />
        ))}
      </svg>
    </div>
  )
}
