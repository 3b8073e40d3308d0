import { joined, type Lab, MOST_COATS, type PlannedPot, saying, type ZonePlan } from '@yentrik/core'
import { Message } from '../parts/Message.tsx'
import { Said } from '../preferences/words.tsx'
import type { FireDraft } from './plan-draft.ts'
import { Verdict } from './verdict-words.tsx'

/** What is still missing before anything can be worked out. */
export function NothingYet({ pots, zones, working }: { pots: number; zones: number; working: boolean }) {
  if (working) return <p role="status">Working it out</p>
  if (pots === 0)
    return (
      <Message tone="warning">No pot of stain is calibrated: read two drawdowns of each under Pots.</Message>
    )
  return (
    <p>
      {zones === 0
        ? 'Enter the colour of the block and the target of one zone, below.'
        : 'Choose the pots to try, below.'}
    </p>
  )
}

/** The blocks of the shelf for the worst zone, three at most, and which one is in hand. */
export function BetterBlocks({
  own,
  found,
  coats,
}: {
  own: Lab
  found: readonly { name: string; block: Lab; difference: number; verdict: ZonePlan['verdict'] }[]
  coats: string
}) {
  const same = (block: Lab) => block.L === own.L && block.a === own.a && block.b === own.b
  return (
    <ul className="grid gap-2" aria-label="Blocks for this zone">
      {found.slice(0, 3).map(({ name, block, difference, verdict }) => (
        <li
          key={name}
          className={`flex items-center gap-3 rounded-xl border px-3 py-2 ${same(block) ? 'border-primary border-2' : 'border-base-300'}`}
        >
          <b className="figures">{difference.toFixed(2)}</b>
          <span className="min-w-0 grow text-sm">
            {name}, {coats} coats{same(block) ? ', in hand' : ''}
          </span>
          <Verdict verdict={verdict} className="text-sm whitespace-nowrap" />
        </li>
      ))}
    </ul>
  )
}

/** The order of the strokes, and the pots they take. */
export function Strokes({
  draft,
  pots,
  plans,
}: {
  draft: FireDraft
  pots: readonly PlannedPot[]
  plans: readonly ZonePlan[]
}) {
  const used = pots.filter((_, n) => plans.some(({ coats }) => coats[n]! > 0)).map(({ name }) => name)
  const most = Math.max(...plans.map(({ coats }) => coats.reduce((sum, x) => sum + x, 0)))
  return (
    <section className="card-flat p-4" aria-label="Order of the strokes">
      <ol className="grid gap-x-4 gap-y-1 md:grid-cols-5">
        {[
          ['Liquid', 'a very thin film, margin to edge'],
          ['Body', 'from the margin, fading up, no hard stop'],
          ['Edge, sides', 'grey and blue where it lets light through'],
          ['Brightener', 'where the value is low'],
          [
            'Glaze',
            draft.firings === 'two' ? 'after the first firing, like thin honey' : 'over all, like thin honey',
          ],
        ].map(([name, how], n) => (
          <li key={name}>
            <b>
              {n + 1} {name}
            </b>
            <span className="block text-sm">{how}</span>
          </li>
        ))}
      </ol>
      <p className="mt-2 text-sm opacity-80">
        <Said
          words={saying`${used.length > 0 ? saying`${joined(used)}, mixed fresh today. ` : ''}${most > 2 ? `More than 2 of ${MOST_COATS} coats: thin ones, dried in between. ` : ''}Not in the model: translucency, fluorescence, texture, cement.`}
        />
      </p>
    </section>
  )
}
