import 'reflect-metadata'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import type { ClockReading } from '@yentrik/contract'
import { LiveService } from '../live/live.service.ts'
import { TestServer } from '../testing/test-server.ts'
import { LabClock } from './lab-clock.ts'

let server: TestServer
beforeAll(async () => {
  server = await TestServer.open({ clockControl: false })
})
afterAll(() => server.close())
const read = async () => (await server.get('/clock').expect(200)).body as ClockReading

/** Two clocks that run on together from a look on; then one is set. */
async function looked() {
  const clock = server.app.get(LabClock)
  const wall = Date.now()
  const steady = 1_000_000
  await clock.look(wall, steady)
  return { clock, wall, steady }
}

describe('the clock of the machine', () => {
  it('that runs on, or is corrected little by little, is no jump', async () => {
    const { clock, wall, steady } = await looked()
    const before = clock.jump
    for (let n = 1; n <= 20; n++) await clock.look(wall + n * 5000 + n * 4000, steady + n * 5000)
    expect(clock.jump).toEqual(before)
  })
  it.each([
    ['on', 45 * 60_000],
    ['back', -3_600_000],
    ['by no more than five seconds', 5000],
  ])(
    'that is set %s is noticed once, said to every screen, and known after a restart',
    async (_, byMillis) => {
      const { clock, wall, steady } = await looked()
      const heard: unknown[] = []
      const stream = server.app
        .get(LiveService)
        .stream()
        .subscribe(({ data }) => heard.push((data as { kind?: string }).kind))
      await clock.look(wall + 5000 + byMillis, steady + 5000)
      const jump = { at: wall + 5000 + byMillis, byMillis }
      expect((await read()).jump).toEqual(jump)
      await clock.look(wall + 10_000 + byMillis, steady + 10_000)
      stream.unsubscribe()
      expect(heard.filter((kind) => kind === 'clock')).toHaveLength(1)
      await server.restart({ clockControl: false })
      expect((await read()).jump).toEqual(jump)
    },
  )
})
