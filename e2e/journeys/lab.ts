import { test as base } from '@playwright/test'
import { ChildServer } from '@yentrik/server/testing'

/** What every lab of the journeys is begun with. */
const demoLab = { YENTRIK_DEMO: '1', YENTRIK_DEVICE_SPEED: '20', TZ: 'Europe/Vienna' }

/** A lab for each worker of the tests: journeys move its clock, and must not move each other's. */
const withLab = (env: Readonly<Record<string, string>>) =>
  base.extend<object, { readonly lab: ChildServer }>({
    lab: [
      // biome-ignore lint/correctness/noEmptyPattern: the runner reads which parts are asked for out of the pattern
      async ({}, use) => {
        const lab = new ChildServer({ ...demoLab, ...env })
        await lab.start()
        await use(lab)
        await lab.remove()
      },
      { scope: 'worker', auto: true },
    ],
    baseURL: async ({ lab }, use) => use(lab.url),
  })

/** A demo lab at the hour of the test; it makes no plan, so that the order of its bench hangs on no hour of the day. */
export const test = withLab({ YENTRIK_PLAN_ROUNDS: '0' })
/** A demo lab in the middle of a working morning, which plans. */
export const testOfPlan = withLab({ YENTRIK_DEMO_CLOCK: '10:40', YENTRIK_PLAN_ROUNDS: '150' })
/** A demo lab with its invented year behind it. */
export const testOfQuality = withLab({
  YENTRIK_DEMO_CLOCK: '10:40',
  YENTRIK_DEMO_YEAR: '1',
  YENTRIK_PLAN_ROUNDS: '0',
})
export { expect, type Page } from '@playwright/test'
