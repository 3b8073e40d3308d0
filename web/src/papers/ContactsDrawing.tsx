import { archOf, type Bite, type PaperMark, spotOf } from '@yentrik/core'
import { ArchPicture } from '../occlusion/ArchesDrawing.tsx'

const letters: Readonly<Record<Bite, string>> = { centric: 'C', right: 'R', left: 'L', protrusive: 'F' }

/** The contacts that a remount ended with, on both arches: each with the letter of its bite. */
export function ContactsDrawing({ contacts }: { readonly contacts: readonly PaperMark[] }) {
  return (
    <section className="mt-3 break-inside-avoid" aria-label="Contacts after the remount">
      <h3 className="font-semibold">Contacts after the remount</h3>
      <p className="text-[9pt]">
        C centric, R to the right, L to the left, F forwards; hatched tips were not ground.
      </p>
      <div className="grid max-w-[150mm] grid-cols-2 gap-3">
        {(['upper', 'lower'] as const).map((arch) => (
          <ArchPicture key={arch} arch={arch} onTouch={() => undefined}>
            {(seen) =>
              contacts
                .filter(({ tooth }) => archOf(tooth) === arch)
                .map(({ tooth, region, slope, bite }, n) => {
                  const at = seen(spotOf(tooth, region, slope))
                  return (
                    <g key={`${n + 1}`}>
                      <circle cx={at.x} cy={at.y} r="1.5" fill="#fff" stroke="#000" strokeWidth="0.3" />
                      <text
                        x={at.x}
                        y={at.y + 0.75}
                        textAnchor="middle"
                        fontSize="2.1"
                        fontWeight="700"
                        fill="#000"
                      >
                        {letters[bite]}
                      </text>
                    </g>
                  )
                })
            }
          </ArchPicture>
        ))}
      </div>
    </section>
  )
}
