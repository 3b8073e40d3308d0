import { Link } from 'react-router'
import { instrumentsShown } from '../instruments/instruments.ts'
import { onSteps } from '../keys/shortcuts.ts'
import { Sheet } from '../parts/Sheet.tsx'
import { places } from './Rail.tsx'

/** Keys of the screens as a whole. */
const everywhere: readonly (readonly [key: string, does: string])[] = [
  ...places.flatMap(({ key, name }) => (key ? [[key, name] as const] : [])),
  ...Object.values(instrumentsShown).map(({ key, name }) => [key, name] as const),
  ['h', 'The handbook, at the page of this screen'],
  ['a', 'Take in a new case'],
  ['?', 'This sheet'],
]

/** The keys, and how a scanner is used. */
export function HelpSheet({ onClose }: { onClose: () => void }) {
  return (
    <Sheet title="Keys and scanner" onClose={onClose}>
      <div className="grid gap-6 sm:grid-cols-2">
        <Keys title="On a step" keys={onSteps} />
        <Keys title="Everywhere" keys={everywhere} />
      </div>
      <p className="mt-6">
        Scan or paste a docket code anywhere and its case opens. With the{' '}
        <Link to="/papers/commands" className="link font-semibold" onClick={onClose}>
          command sheet
        </Link>{' '}
        at the bench a gloved hand scans start, done, not now, fault and weigh.
      </p>
    </Sheet>
  )
}

function Keys({ title, keys }: { title: string; keys: readonly (readonly [string, string])[] }) {
  return (
    <section>
      <h3 className="mb-2 font-semibold opacity-80">{title}</h3>
      <dl className="grid grid-cols-[auto_1fr] items-center gap-x-4 gap-y-2">
        {keys.map(([key, does]) => (
          <div key={key} className="contents">
            <dt>
              <kbd className="kbd kbd-lg">{key}</kbd>
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
    </section>
  )
}
