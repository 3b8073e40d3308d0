import { ask, quantile } from './lab-server.mjs'
import { labWithPeople, PASSPHRASE } from './lab-with-people.mjs'

/** Somebody guesses passphrases: known and unknown names take as long, then there is a wait, for that name and that address alone. */
export async function signIn({ guesses = 60 } = {}) {
  const { lab, cookies } = await labWithPeople()
  const times = { known: [], unknown: [] }
  for (let n = 0; n < 4; n++)
    for (const [kind, name] of [
      ['unknown', `nobody ${n}`],
      ['known', 'lead'],
    ])
      times[kind].push(
        (await ask(lab.api, '/session', { body: { name, passphrase: `guess ${n} guess` } })).millis,
      )
  let [let_in, waits] = [0, 0]
  for (let n = 0; n < guesses; n++) {
    const { status } = await ask(lab.api, '/session', {
      body: { name: 'lead', passphrase: `guess number ${n}` },
    })
    if (status === 201) let_in++
    if (status === 429) waits++
  }
  const right = await ask(lab.api, '/session', { body: { name: 'lead', passphrase: PASSPHRASE } })
  const stillIn = await ask(lab.api, '/session', { cookie: cookies.lead })
  await lab.remove()
  const [known, unknown] = [quantile(times.known, 0.5), quantile(times.unknown, 0.5)]
  return {
    name: 'guessing passphrases',
    figures: `${guesses + 8} guesses in a row; known and unknown names take ${known.toFixed(0)} and ${unknown.toFixed(0)} ms`,
    found: `${let_in} let in, ${waits} told to wait; the right one during the wait: ${right.status}; who was in stays in: ${Boolean(stillIn.body.person)}`,
    good: let_in === 0 && waits >= guesses - 5 && right.status === 429 && Boolean(stillIn.body.person),
  }
}
