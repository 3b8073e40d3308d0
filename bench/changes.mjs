import { inBrowser } from './in-browser.mjs'

/**
 * What one change costs the screens that are open: requests and bytes of the answers, in Chromium with the demo lab. The
 * change is made over HTTP by somebody else.
 */
const SETTLES_MILLIS = 1500

async function measured(path, change) {
  return inBrowser(path, async (page) => {
    await page.getByRole('heading', { level: 1 }).first().waitFor()
    await page.waitForTimeout(SETTLES_MILLIS)
    const answers = []
    page.on('response', (response) => {
      if (new URL(response.url()).pathname.startsWith('/api/')) answers.push(response)
    })
    await change(page)
    await page.waitForTimeout(SETTLES_MILLIS)
    const bodies = await Promise.all(answers.map((answer) => answer.body().catch(() => Buffer.alloc(0))))
    return { requests: answers.length, bytes: bodies.reduce((sum, { length }) => sum + length, 0) }
  })
}

/** A note on the case of a docket, as another person's program would leave it. */
async function note(page, docket) {
  const api = `${new URL(page.url()).origin}/api`
  const { caseId } = await (await fetch(`${api}/dockets/${docket}`)).json()
  const { events } = await (await fetch(`${api}/cases/${caseId}`)).json()
  const answer = await fetch(`${api}/cases/${caseId}/events`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ seen: events.at(-1).sequence, command: { type: 'note', text: 'measured' } }),
  })
  if (!answer.ok) throw new Error(await answer.text())
}
async function caseAddress(docket) {
  return inBrowser('/', async (page) => {
    const { caseId } = await (await fetch(`${new URL(page.url()).origin}/api/dockets/${docket}`)).json()
    return `/case/${caseId}`
  })
}

const OTHER = 'K-2129'
const rows = []
const add = async (words, wanted, path, change) => {
  const { requests, bytes } = await measured(path, change)
  rows.push(`| ${words} | ${requests} | ${bytes} | ${wanted} |`)
}
await add('a note on another case, at the bench', '1 request, 2000 bytes', '/', (page) => note(page, OTHER))
await add('the same, in the list of all cases', '', '/cases', (page) => note(page, OTHER))
await add('the same, on the Mix screen', '', '/mix', (page) => note(page, OTHER))
await add('the same, with another case open', '', await caseAddress('K-2147'), (page) => note(page, OTHER))
await add('a note on the case that is open', '', await caseAddress(OTHER), (page) => note(page, OTHER))

export const section = `## What a change costs

One change made by somebody else, and what an open screen then asks for: the built application in Chromium, the demo lab.

| change | requests | bytes of the answers | wanted |
|---|---|---|---|
${rows.join('\n')}
`
