import type { FinishingLadder, FinishingStage } from './ladder.ts'

const stage = (id: string, name: string, grain: number, ratio: number, rate: number): FinishingStage => ({
  id,
  name,
  grainMicrometres: grain,
  depthRatio: ratio,
  cubicMillimetresPerSecond: rate,
})

/** A whole upper, outside only; grain, depth ratio and rate are assumptions until the lab has measured its own. */
export const resinLadder: FinishingLadder = {
  material: 'resin',
  areaSquareMillimetres: 4000,
  stages: [
    { id: 'bur', name: 'Carbide bur', depthMicrometres: 24, cubicMillimetresPerSecond: 8 },
    stage('stone', 'Stone', 109, 0.12, 2.5),
    stage('rubber', 'Rubber', 60, 0.08, 1),
    stage('coarse-pumice', 'Coarse pumice', 90, 0.025, 0.4),
    stage('fine-pumice', 'Fine pumice', 30, 0.025, 0.15),
    stage('tripoli', 'Tripoli', 8, 0.025, 0.04),
    stage('high-shine', 'High shine', 1, 0.03, 0.01),
  ],
}

/** A ceramic crown. */
export const ceramicLadder: FinishingLadder = {
  material: 'ceramic',
  areaSquareMillimetres: 150,
  stages: [
    stage('stone', 'SiC stone', 109, 0.06, 0.5),
    stage('fine-diamond', 'Fine diamond', 30, 0.08, 0.2),
    stage('coarse-polisher', 'Coarse polisher', 25, 0.04, 0.08),
    stage('medium-polisher', 'Medium polisher', 10, 0.04, 0.03),
    stage('fine-polisher', 'Fine polisher', 4, 0.03, 0.01),
  ],
}
