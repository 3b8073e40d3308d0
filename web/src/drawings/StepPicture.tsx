import type { Drawing, Picture } from '@yentrik/core'
import type { ReactNode } from 'react'
import { ArticulatorDrawing } from './ArticulatorDrawing.tsx'
import { BathDrawing } from './BathDrawing.tsx'
import { CastDrawing } from './CastDrawing.tsx'
import { CeramicDrawing } from './CeramicDrawing.tsx'
import { ClaspDrawing } from './ClaspDrawing.tsx'
import { CutPlan } from './CutPlan.tsx'
import { DentureDrawing } from './DentureDrawing.tsx'
import type { DrawingProps } from './drawing.ts'
import { FlaskDrawing } from './FlaskDrawing.tsx'
import { ImplantDrawing } from './ImplantDrawing.tsx'
import { PairDrawing } from './PairDrawing.tsx'
import { BridgePattern, CrownPattern } from './PatternDrawing.tsx'
import { PostDrawing } from './PostDrawing.tsx'
import { UsualRing } from './UsualRing.tsx'

/** Every drawing that a route can ask for. */
const drawn: { readonly [D in Drawing]: (props: DrawingProps<D>) => ReactNode } = {
  cast: CastDrawing,
  pair: PairDrawing,
  implants: ImplantDrawing,
  post: PostDrawing,
  ceramic: CeramicDrawing,
  clasp: ClaspDrawing,
  crown: CrownPattern,
  bridge: BridgePattern,
  ring: UsualRing,
  flask: FlaskDrawing,
  sawCuts: CutPlan,
  bath: BathDrawing,
  articulator: ArticulatorDrawing,
  denture: DentureDrawing,
}

/** A section of the real thing in the colours of its materials: what is there, and hatched what this step adds. */
export function StepPicture({
  picture: { drawing, shows, due, choices = {} },
  teeth = [],
}: {
  readonly picture: Picture
  /** Of the work authorisation. */
  readonly teeth?: readonly number[]
}) {
  const Drawn = drawn[drawing] as (props: DrawingProps<Drawing>) => ReactNode
  const part = (name: string) => (due.includes(name) ? 'due' : shows.includes(name) ? 'there' : undefined)
  return <Drawn part={part} teeth={teeth} choices={choices} />
}
