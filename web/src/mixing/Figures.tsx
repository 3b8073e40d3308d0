import type { Amount } from '@yentrik/core'
import { useShelf } from '../record/shelf.ts'
import { amountFigures } from './amount-figures.ts'

/** The figures to set on the balance and the cylinder, readable from a step away. */
export function Figures({ amount }: { amount: Amount }) {
  const shelf = useShelf()
  const [lot] = shelf.usable(amount.materialId)
  const { name, figures, note } = amountFigures(amount, shelf.card(amount.materialId, lot?.productId))
  return (
    <div>
      <p className="font-semibold">
        {name}
        {note && <span className="font-normal opacity-80"> · {note}</span>}
      </p>
      <dl className="mt-1 flex flex-wrap gap-x-10 gap-y-2">
        {figures.map(({ value, unit, what }) => (
          <div key={what} className="flex flex-col-reverse">
            <dt className="text-base opacity-80">{what}</dt>
            <dd className="figures text-6xl leading-none font-bold">
              {value}
              {unit && <span className="text-3xl font-semibold"> {unit}</span>}
            </dd>
          </div>
        ))}
      </dl>
    </div>
  )
}
