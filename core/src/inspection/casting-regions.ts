import type { Region } from './region.ts'

/** A casting beside its pattern, from the margin to the sprue (common practice). */
export const castingRegions: readonly Region[] = [
  {
    id: 'margin',
    name: 'Margin',
    good: 'Sharp all round, as the pattern was.',
    faults: [
      {
        fault: 'Short',
        say: 'It cannot be mended: hotter mould, faster transfer, more turns or metal; wax and cast again.',
        remake: true,
      },
      {
        fault: 'Rounded',
        say: 'Gas held the metal back: the pattern nearer to the end of the ring; wax and cast again.',
        remake: true,
      },
      { fault: 'Fins', say: 'Grind them off under the lens, away from the margin itself.' },
    ],
  },
  {
    id: 'inside',
    name: 'Inside',
    good: 'Smooth, nothing stands up from the wall.',
    faults: [
      { fault: 'Nodules', say: 'Take them off under the lens with a small round bur, nothing else.' },
      { fault: 'Rough', say: 'Blast once more; relieve only what marks on the die.' },
    ],
  },
  {
    id: 'walls',
    name: 'Outer walls',
    good: 'As the pattern, whole.',
    faults: [
      { fault: 'Rough', say: 'Polish what may be; look at ratio and heating rate.' },
      { fault: 'Pinholes', say: 'Polish and look again; through the wall: wax and cast again.' },
      { fault: 'Bent', say: 'It will not seat: wax and cast again.', remake: true },
    ],
  },
  {
    id: 'chewing',
    name: 'Chewing face',
    good: 'Every cusp and groove is there.',
    faults: [
      { fault: 'Not filled', say: 'Wax and cast again: more metal or pressure.', remake: true },
      { fault: 'Nodules', say: 'Take them off and cut the grooves again.' },
    ],
  },
  {
    id: 'sprue',
    name: 'Where the sprue joined',
    good: 'Dense when it is cut.',
    faults: [
      {
        fault: 'Shrinkage porosity',
        say: 'A thicker sprue or a reservoir: wax and cast again.',
        remake: true,
      },
      {
        fault: 'Sucked in',
        say: 'The part fed the sprue: wax and cast again with a reservoir.',
        remake: true,
      },
    ],
  },
]
