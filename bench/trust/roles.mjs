import { mayDo } from '@yentrik/core'
import { routes } from '../../contract/dist/index.js'
import { ask } from './lab-server.mjs'
import { labWithPeople } from './lab-with-people.mjs'

const REFUSED = [401, 403]

/** Every route against every role and nobody: who may not is refused, who may is not. */
export async function roles() {
  const { lab, cookies } = await labWithPeople()
  let asked = 0
  const wrong = []
  for (const [key, declared] of Object.entries(routes)) {
    const [method, pattern] = key.split(' ')
    // These end the session of whoever asks.
    if (key === 'DELETE /session' || key === 'PUT /session/passphrase') continue
    for (const [role, cookie] of Object.entries(cookies)) {
      const { status } = await ask(lab.api, pattern.replace(/:\w+/g, 'none'), {
        method,
        cookie,
        body: method === 'GET' || method === 'DELETE' ? undefined : {},
      })
      asked++
      const may = declared.open || (role !== 'nobody' && mayDo(role, declared.right ?? 'look'))
      if (REFUSED.includes(status) === Boolean(may) && !declared.open)
        wrong.push(`${key} as ${role}: ${status}`)
    }
  }
  await lab.remove()
  if (wrong.length > 0) console.error(wrong.join('\n'))
  return {
    name: 'every route against every role',
    figures: `${asked} requests as lead, technician, learner, reader and nobody`,
    found: `${wrong.length} answered otherwise than the table of rights says`,
    good: wrong.length === 0 && asked > 300,
  }
}
