import { test as base } from '@playwright/test'
import { ChildServer } from '@yentrik/server/testing'

/** A demo lab for each worker of the tests: journeys move its clock, and must not move each other's. */
export const test = base.extend<object, { readonly lab: ChildServer }>({
  lab: [
    // biome-ignore lint/correctness/noEmptyPattern: the runner reads which parts are asked for out of the pattern
    async ({}, use) => {
      const lab = new ChildServer({ YENTRIK_DEMO: '1', YENTRIK_DEVICE_SPEED: '20', TZ: 'Europe/Vienna' })
      await lab.start()
      await use(lab)
      await lab.remove()
    },
    { scope: 'worker', auto: true },
  ],
  baseURL: async ({ lab }, use) => use(lab.url),
})
export { expect, type Page } from '@playwright/test'
