import { ask, LabServer } from './lab-server.mjs'

export const PASSPHRASE = 'wax by the window'

/** A real lab, not the demo: one person of each role, named after it and signed in. */
export async function labWithPeople() {
  const lab = new LabServer({ YENTRIK_NEW_LAB: '1' })
  await lab.start()
  await ask(lab.api, '/first-start', { body: { name: 'lead', passphrase: PASSPHRASE } })
  const cookies = { nobody: undefined }
  for (const role of ['lead', 'technician', 'learner', 'reader']) {
    const passphrase = PASSPHRASE
    if (role !== 'lead')
      await ask(lab.api, '/people', { body: { name: role, role, passphrase }, cookie: cookies.lead })
    cookies[role] = (await ask(lab.api, '/session', { body: { name: role, passphrase } })).cookie
  }
  return { lab, cookies }
}
