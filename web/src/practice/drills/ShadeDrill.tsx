import { shadeOf, shownColour } from '@yentrik/core'
import { useState } from 'react'
import type { DrillProps } from './drill-props.ts'
import { Ready, Slide } from './Ready.tsx'

/** Two patches side by side: the zone as it is wanted, and as the recipe makes it. */
export function ShadeDrill({
  task: { pots, block, target, mostCoats },
  done,
  onAnswer,
}: DrillProps<'shade'>) {
  const [coats, setCoats] = useState<readonly number[]>(pots.map(() => 0))
  const patch = (name: string, colour: typeof target) => (
    <figure>
      <div className="h-40" style={{ background: `rgb(${shownColour(colour).rgb.join(' ')})` }} />
      <figcaption className="p-2 text-center font-semibold">{name}</figcaption>
    </figure>
  )
  return (
    <div className="grid gap-4">
      {/* Neutral grey about it: a colour is judged by what lies beside it. */}
      <div className="grid grid-cols-3 rounded-2xl bg-[#808080] p-6 text-white">
        {patch('as it is', block)}
        {patch('your recipe', shadeOf(block, coats))}
        {patch('wanted', target)}
      </div>
      {pots.map((name, n) => (
        <Slide
          key={name}
          label={name.charAt(0).toUpperCase() + name.slice(1)}
          value={coats[n]!}
          min={0}
          max={mostCoats}
          step={0.25}
          words={`${coats[n]} coats`}
          disabled={done}
          onValue={(value) => setCoats(coats.map((each, at) => (at === n ? value : each)))}
        />
      ))}
      <Ready done={done} onReady={() => onAnswer({ drill: 'shade', coats })} />
    </div>
  )
}
