import { inBrowser } from './in-browser.mjs'

/**
 * What one change costs the screens that are open: requests and bytes of the answers, in Chromium with the demo lab. The
 * change is made over HTTP by somebody else.
 */
const SETTLES_MILLIS = 1500

async function measured({ path = '/', docket }, change) {
  return inBrowser(path, async (page) => {
    // The cases of each new lab have names of their own.
    if (docket) await page.goto(new URL(`/case/${await caseOf(page, docket)}`, page.url()).href)
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
  const api = apiOf(page)
  const caseId = await caseOf(page, docket)
  const { events } = await (await fetch(`${api}/cases/${caseId}`)).json()
  const answer = await fetch(`${api}/cases/${caseId}/events`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ seen: events.at(-1).sequence, command: { type: 'note', text: 'measured' } }),
  })
  if (!answer.ok) throw new Error(await answer.text())
}

const apiOf = (page) => `${new URL(page.url()).origin}/api`

async function caseOf(page, docket) {
  return (await (await fetch(`${apiOf(page)}/dockets/${docket}`)).json()).caseId
}

const OTHER = 'K-2129'
const rows = []
const add = async (words, wanted, screen) => {
  const { requests, bytes } = await measured(screen, (page) => note(page, OTHER))
  rows.push(`| ${words} | ${requests} | ${bytes} | ${wanted} |`)
}
await add('a note on another case, at the bench', '1 request, 2000 bytes', { path: '/' })
await add('the same, in the list of all cases', '', { path: '/cases' })
await add('the same, on the Mix screen', '', { path: '/mix' })
await add('the same, with another case open', '', { docket: 'K-2147' })
await add('a note on the case that is open', '', { docket: OTHER })

export const section = `## What a change costs

One change made by somebody else, and what an open screen then asks for: the built application in Chromium, the demo lab.

| change | requests | bytes of the answers | wanted |
|---|---|---|---|
${rows.join('\n')}
`
