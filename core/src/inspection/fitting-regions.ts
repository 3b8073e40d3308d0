import type { Region, RegionFault } from './region.ts'

const nodule: RegionFault = { fault: 'A nodule', say: 'Take off that nodule alone, with a small round bur.' }
const stone: RegionFault = { fault: 'Stone left', say: 'Back into citrate; nothing sharp on the surface.' }
const ground: RegionFault = {
  fault: 'Ground or polished',
  say: 'The fitting surface was touched in finishing. Accept, or process again?',
  ask: true,
}
const untouched = 'Finger, cotton wool and lens: nothing catches; as it came off the cast.'
const face = (id: string, name: string, good = untouched): Region => ({
  id,
  name,
  good,
  faults: [nodule, stone, ground],
})
const border: Region = {
  id: 'border',
  name: 'Border',
  good: 'Its height kept, rounded, no sharp edge to the finger.',
  faults: [
    { fault: 'A sharp edge', say: 'Round it over and back: one direction leaves two edges.' },
    {
      fault: 'Ground short',
      say: 'A border was ground short. Accept, or add resin?',
      ask: true,
    },
  ],
}
const ridge = face('ridge', 'Ridge', 'Finger along the whole trough: nothing catches.')
const flange = face('flange', 'Outer flange, inside')
const frena = face('frena', 'Frena', 'Notch free and round, no point in it.')

/** The side that lies on the mouth, as it lies in the hand: looked at and felt, never ground over (common practice). */
export const fittingRegions = {
  upperFitting: [
    ridge,
    face('vault', 'Vault', 'Rugae sharp, nothing stands up between them.'),
    face('tuberosities', 'Tuberosities'),
    flange,
    frena,
    face('post-dam', 'Post-dam', 'Its line sharp and whole.'),
    border,
  ],
  lowerFitting: [
    ridge,
    face('lingual', 'Tongue flange, inside'),
    face('pads', 'Behind the last molar'),
    flange,
    frena,
    border,
  ],
  partialFitting: [face('saddle', 'Saddle'), face('clasp-tails', 'Where the clasps leave it'), border],
} as const satisfies Readonly<Record<string, readonly Region[]>>

const necks: Region['faults'] = [
  { fault: 'Resin over the neck', say: 'Cut it back to the neck with a sharp chisel, along the tooth.' },
  { fault: 'Blurred', say: 'Trace the margin once more: one clear line.' },
  { fault: 'Tooth nicked', say: 'A tooth was cut at its neck. Accept, or replace it?', ask: true },
]
const distinct = 'Each margin one clear line, no resin on a tooth.'

/** The gum line of a cured denture, side by side (common practice). */
export const marginRegions = {
  gumMargins: [
    { id: 'right', name: 'Right side', good: distinct, faults: necks },
    { id: 'front', name: 'Front', good: distinct, faults: necks },
    { id: 'left', name: 'Left side', good: distinct, faults: necks },
    { id: 'tongue-side', name: 'Tongue side', good: distinct, faults: necks },
  ],
} as const satisfies Readonly<Record<string, readonly Region[]>>
