import type { Pot } from '../colour/index.ts'

/** For tests: a made-up shelf of seven pots. */
const pot = (name: string, absorption: readonly number[], scattering: readonly number[]): Pot => ({
  name,
  absorption,
  scattering,
})
export const shelf: readonly Pot[] = [
  pot('ochre body', [0.01, 0.01, 0.034], [0.01, 0.007, 0.004]),
  pot('brown body', [0.026, 0.033, 0.056], [0.02, 0.014, 0.006]),
  pot('grey', [0.023, 0.023, 0.025], [0.002, 0.002, 0.003]),
  pot('blue', [0.02, 0.018, 0.002], [0, 0, 0.002]),
  pot('pink', [0.008, 0.013, 0.013], [0.012, 0.012, 0.005]),
  pot('brightener', [0.001, 0.001, 0.001], [0.036, 0.035, 0.039]),
  pot('white', [0.001, 0.001, 0.001], [0.112, 0.111, 0.121]),
]
