import { buildRoute, routeTemplates, usualCalendar } from '@yentrik/core'
import { CaseStore } from '../server/dist/case/case-store.js'
import { house } from '../server/dist/case/house.js'
import { createApp } from '../server/dist/create-app.js'
import { WriteQueue } from '../server/dist/database/write-queue.js'
import { demoHistory } from '../server/dist/demo/demo-history.js'

/**
 * Opens a lab on a file and fills it with cases worked up to a step each, spread over all routes, as the demo lab makes them.
 * @returns the application, with the cases and the last event of each: what a writer has seen
 */
export async function openSeededLab(dataFile, count) {
  const app = await createApp({ port: 0, host: '127.0.0.1', dataFile, demo: true, clockControl: true }, true)
  const store = app.get(CaseStore)
  const calendar = usualCalendar('UTC')
  const context = {
    now: Date.now(),
    calendar,
    people: ['Ilse', 'Tomas'],
    lotOf: () => undefined,
    house,
    lab: 'Bench lab, 1 Row',
  }
  const templates = [...routeTemplates.values()]
  const cases = []
  for (let start = 0; start < count; start += 100)
    await app.get(WriteQueue).write(async (manager) => {
      for (let n = start; n < Math.min(count, start + 100); n++) {
        const template = templates[n % templates.length]
        const { steps } = buildRoute(template)
        const caseId = `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`
        const hand = demoHistory(
          {
            docket: `B-${n}`,
            clinic: 'Mill Lane',
            prescriber: 'Dr. Orla',
            patientCode: `P-${n}`,
            patientAge: 60,
            wanted: template.name,
            job: template.id,
            choices: {},
            teeth: template.teeth ? [35, 36, 37] : [],
            dueInHours: 24 + (n % 300),
            enclosures: [],
            upTo: steps[n % steps.length].id,
            start: n % 3 > 0,
            minutesAgo: n % 200,
          },
          context,
        )
        await store.append(manager, caseId, hand, hand.events, calendar)
        cases.push({ caseId, seen: hand.state.sequence })
      }
    })
  return { app, cases }
}
