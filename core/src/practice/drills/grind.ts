import { saying } from '../../quantity/index.ts'
import { figure, record } from '../../shape/index.ts'
import { drill } from './drill.ts'

/** The trainer of the remount is a drill of its own: its score comes from there. */
export const grind = drill({
  name: 'Grind',
  does: 'a remount on a computed mouth',
  task: (seed): { readonly seed: number } => ({ seed }),
  answer: record({ total: figure(0, 100) }),
  score: (_task, { total }) => ({
    points: Math.round(10 * total) / 10,
    say: saying`${Math.round(total)} of 100 by the trainer.`,
    better: 'The trainer shows round by round what the expert ground.',
  }),
})
