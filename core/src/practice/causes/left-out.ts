import type { Cause } from './cause.ts'
import { at, type ShowsRef } from './shows-later.ts'

interface LeftOut {
  readonly kind: string
  readonly named: string
  readonly why: string
  readonly shows: readonly ShowsRef[]
}

/** What it does when a step that may be left out was left out where it was wanted: by the step (common practice). */
export const whenLeftOut: Readonly<Record<string, LeftOut>> = {
  'wetting-agent': {
    kind: 'not-wetted',
    named: 'Bubbles in the fine detail',
    why: 'Silicone repels water: without the wetting agent the stone bridged its finest lines.',
    shows: [
      at.looks('die-whole', 'A bubble on the margin'),
      at.looks('master-whole', 'Bubble or break on the ridge'),
      at.looks('no-holes', 'A bleb on a tooth'),
      at.looks('margin-fit', 'Open'),
    ],
  },
  water: {
    kind: 'monomer-left',
    named: 'Monomer left in the base',
    why: 'Not laid in water: nobody sees that, the mouth feels it.',
    shows: [],
  },
  identification: {
    kind: 'no-identification',
    named: 'Nobody can tell whose it is',
    why: 'The strip was left out.',
    shows: [at.looks('identification-reads', 'Cannot be read')],
  },
  citrate: {
    kind: 'stone-left',
    named: 'Stone on the fitting surface',
    why: 'Without citrate a film of stone stays in the finest lines.',
    shows: [at.region('ridge', 'Stone left')],
  },
}

/** Stages of polishing that were left out: by the ladder their scratches stay under the next. */
const scratches: readonly ShowsRef[] = [
  at.looks('shine', 'A scratch: only dry, with a lens'),
  at.looks('polished', 'Scratches'),
  at.looks('hybrid-surface', 'Scratches left'),
]

export const leftOut: Cause = ({ event, step }) => {
  if (event.type !== 'stepSkipped') return []
  const known = whenLeftOut[step.id]
  if (known) return [{ ...known, better: step.why }]
  if (step.stage !== 'polish') return []
  return [
    {
      kind: 'stage-skipped',
      named: 'Scratches under the gloss',
      why: `"${step.name}" was left out: the next wheel is too fine to take its scratches off.`,
      better: step.why,
      shows: scratches,
    },
  ]
}
