import { describe, expect, it } from '@jest/globals'
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { START } from '@yentrik/core/testing'
import { useLabClock } from '../live/lab-clock.ts'
import { usePreferences } from '../preferences/preferences.ts'
import { ada, refusal, type SentRequest, serverWith, sessionOf, show } from '../testing/lab.tsx'
import { BackupsPanel } from './BackupsPanel.tsx'
import { NetworkPanel } from './NetworkPanel.tsx'
import { PeoplePanel, SessionsPanel } from './PeoplePanel.tsx'
import { SettingsScreen } from './SettingsScreen.tsx'

const posted = (sent: SentRequest[]) => sent.filter(({ method }) => method !== 'GET')
const button = (name: string | RegExp) => screen.getByRole('button', { name })

describe('the settings', () => {
  const lab = { labName: 'Alder Row', address: 'Alder Row 4', variants: {} }
  const open = (answers: object = {}, mayBeMoved = false) => {
    useLabClock.setState({ labMillis: START, steadyMillis: performance.now(), speed: 1, mayBeMoved })
    const sent = serverWith({
      'GET /lab': lab,
      'GET /backups': refusal({ detail: 'Not of this test.' }),
      'GET /network': refusal({ detail: 'Not of this test.' }),
      'PUT /lab': (body: unknown) => body,
      'DELETE /session': undefined,
      ...answers,
    })
    return { ...show(<SettingsScreen />), sent }
  }
  it('are of this screen alone, at once', () => {
    open()
    fireEvent.click(screen.getByText('Inch, °F, psi'))
    fireEvent.click(screen.getByText('Universal (1-32)'))
    fireEvent.click(screen.getByText('Silent'))
    fireEvent.click(screen.getByText('Night bench'))
    expect(usePreferences.getState()).toMatchObject({
      units: 'us',
      teeth: 'universal',
      sound: false,
      theme: 'nightbench',
    })
  })
  it('say how the lab signs, and keep its ways beside that', async () => {
    const { user, sent } = open({ 'GET /lab': { ...lab, variants: { 'study-cast': { base: 'one-pour' } } } })
    const name = await screen.findByLabelText('Name')
    await user.clear(name)
    await user.type(name, 'Elder Row')
    const form = within(screen.getByRole('region', { name: 'The lab on papers' }))
    await user.click(form.getByRole('button', { name: 'Store' }))
    expect(await form.findByText('Stored.')).toBeTruthy()
    expect(posted(sent)[0]?.body).toEqual({
      labName: 'Elder Row',
      address: 'Alder Row 4',
      variants: { 'study-cast': { base: 'one-pour' } },
    })
  })
  it('want a name of the lab', async () => {
    const { user, sent } = open()
    await user.clear(await screen.findByLabelText('Name'))
    await user.click(
      within(screen.getByRole('region', { name: 'The lab on papers' })).getByRole('button', {
        name: 'Store',
      }),
    )
    expect(await screen.findByText('Enter the name of the lab.')).toBeTruthy()
    expect(posted(sent)).toEqual([])
  })
  it('choose how the lab does it, template by template', async () => {
    const { sent } = open()
    await screen.findByRole('heading', { name: 'How Alder Row does it' })
    const job = screen.getByRole('heading', { name: 'Study cast' }).parentElement!
    const base = within(job).getByLabelText('Base of the cast')
    fireEvent.change(base, { target: { value: 'one-pour' } })
    await waitFor(() => expect(posted(sent)).toHaveLength(1))
    expect(posted(sent)[0]?.body).toMatchObject({ variants: { 'study-cast': { base: 'one-pour' } } })
  })
  it('let time be helped along in the demo, and nowhere else', async () => {
    const { user, sent, unmount } = open({ 'POST /clock': { now: START, speed: 60, mayBeMoved: true } }, true)
    await user.click(button('10 min on'))
    await user.click(button('60 times as fast'))
    expect(posted(sent).map(({ body }) => body)).toEqual([
      { speed: 1, forwardMinutes: 10 },
      { speed: 60, forwardMinutes: 0 },
    ])
    unmount()
    open()
    expect(screen.queryByText(/^Demo clock/)).toBeNull()
  })
  it('sign out', async () => {
    const { user, sent } = open({ 'GET /session': { person: null } })
    await user.click(button('Sign out'))
    await waitFor(() =>
      expect(posted(sent)).toEqual([{ method: 'DELETE', address: '/session', body: undefined }]),
    )
  })
})

describe('the people', () => {
  const ben = { personId: 'p-2', name: 'Ben', role: 'technician', retiredAt: null }
  const cy = { personId: 'p-3', name: 'Cy', role: 'learner', retiredAt: '2026-03-02T08:00:00.000Z' }
  const open = (answers: object = {}) => {
    const sent = serverWith({
      'GET /people': [{ ...ada, retiredAt: null }, ben, cy],
      'GET /session': sessionOf(ada),
      'GET /sessions': [],
      'POST /people': {},
      'POST /people/:personId/retire': undefined,
      ...answers,
    })
    return { ...show(<PeoplePanel />), sent }
  }
  const region = async () => within(await screen.findByRole('region', { name: 'People' }))
  it('are listed for the lead, those who have left as well', async () => {
    open()
    const panel = await region()
    await waitFor(() => expect(panel.getByText('Ben')).toBeTruthy())
    const [people] = panel.getAllByRole('list')
    expect(
      within(people!)
        .getAllByRole('listitem')
        .map(({ textContent }) => textContent),
    ).toEqual(['Ada, lead', 'Ben, technicianLeaves the lab', 'Cy, learner, left Mon 2 Mar'])
  })
  it('leave only when it is said twice', async () => {
    const { user, sent } = open()
    await user.click(await screen.findByRole('button', { name: 'Leaves the lab' }))
    expect(posted(sent)).toEqual([])
    await user.click(button('No, stays'))
    await user.click(button('Leaves the lab'))
    await user.click(button('Ben has left'))
    await waitFor(() => expect(posted(sent)).toHaveLength(1))
    expect(posted(sent)[0]).toMatchObject({ address: '/people/p-2/retire' })
  })
  it('are added with a role, and what may not be is said at its field', async () => {
    const weak = refusal({
      detail: 'The passphrase has 5 letters of 12.',
      remedy: 'Take words.',
      field: 'passphrase',
    })
    const { user, sent } = open({ 'POST /people': weak })
    await user.type(await screen.findByLabelText('First name'), ' Dot ')
    await user.selectOptions(screen.getByLabelText('Role'), 'learner')
    // A learner sees and works, and does no more (the table of rights).
    expect(within(screen.getByRole('list', { name: 'May' })).getAllByRole('listitem')).toHaveLength(2)
    await user.type(screen.getByLabelText('Passphrase to begin with'), 'short')
    await user.click(button('Add'))
    expect(await screen.findByText('The passphrase has 5 letters of 12. Take words.')).toBeTruthy()
    expect(posted(sent)[0]?.body).toEqual({ name: 'Dot', role: 'learner', passphrase: 'short' })
    expect((screen.getByLabelText('First name') as HTMLInputElement).value.trim()).toBe('Dot')
  })
  it('are nobody else’s matter', () => {
    serverWith({})
    show(<PeoplePanel />, { person: { ...ada, role: 'technician' } })
    expect(screen.queryByRole('region', { name: 'People' })).toBeNull()
  })
})

describe('open benches', () => {
  const here = {
    sessionId: 's-1',
    name: 'Ada',
    createdAt: '2026-03-02T08:00:00Z',
    usedAt: '2026-03-02T09:00:00Z',
    address: '192.168.1.4',
    mine: true,
  }
  it('are named with from where and when, and another one can be signed out', async () => {
    const there = { ...here, sessionId: 's-2', name: 'Ben', address: '192.168.1.9', mine: false }
    const sent = serverWith({ 'GET /sessions': [here, there], 'DELETE /sessions/:sessionId': undefined })
    const { user } = show(<SessionsPanel />)
    expect(await screen.findByText(/192\.168\.1\.4, used Mon 2 Mar .*, this bench/)).toBeTruthy()
    await user.click(button('Sign out there'))
    await waitFor(() =>
      expect(posted(sent)).toEqual([{ method: 'DELETE', address: '/sessions/s-2', body: undefined }]),
    )
  })
  it('can be opened again by a PIN, which is said to hold until when', async () => {
    const until = '2026-03-02T20:10:00.000Z'
    const sent = serverWith({ 'GET /sessions': [here], 'PUT /session/pin': { until } })
    const { user } = show(<SessionsPanel />)
    await user.type(await screen.findByLabelText('PIN'), '12a4')
    await user.click(button('Keep the PIN'))
    expect(await screen.findByText('Take four to eight digits.')).toBeTruthy()
    await user.clear(screen.getByLabelText('PIN'))
    await user.type(screen.getByLabelText('PIN'), '4071')
    await user.click(button('Keep the PIN'))
    expect(await screen.findByText(/^It opens this bench for you until Mon 2 Mar /)).toBeTruthy()
    expect(posted(sent)).toEqual([{ method: 'PUT', address: '/session/pin', body: { pin: '4071' } }])
  })
  it('close when the passphrase is changed', async () => {
    const sent = serverWith({ 'GET /sessions': [here], 'PUT /session/passphrase': undefined })
    const { user } = show(<SessionsPanel />)
    await user.type(await screen.findByLabelText('Passphrase of now'), 'plaster before noon')
    await user.type(screen.getByLabelText('New passphrase'), 'four new words here')
    await user.click(button('Change'))
    expect(await screen.findByText('Changed. Other benches are signed out.')).toBeTruthy()
    expect(posted(sent)[0]?.body).toEqual({ old: 'plaster before noon', passphrase: 'four new words here' })
  })
})

describe('the network', () => {
  const names = ['localhost', '127.0.0.1', '[::1]']
  const open = async (state: object) => {
    serverWith({ 'GET /network': { certificate: null, names, ...state } })
    show(<NetworkPanel />)
    return within(await screen.findByRole('region', { name: 'Network' }))
  }
  it('is this machine alone, without a word of warning', async () => {
    const panel = await open({})
    expect(panel.getByText('Only this machine reaches the lab.')).toBeTruthy()
    expect(panel.queryByText(/not encrypted/)).toBeNull()
  })
  it('that others reach in plain http is warned of', async () => {
    const panel = await open({ names: [...names, 'lab.local', '192.168.1.4'] })
    expect(panel.getByText('Other machines reach the lab as lab.local, 192.168.1.4.')).toBeTruthy()
    expect(panel.getByText(/not encrypted: passphrases and cases can be read along/)).toBeTruthy()
  })
  it('with a certificate shows its fingerprint, and how to trust one that the server made', async () => {
    const certificate = { kind: 'own', fingerprint: 'AB:CD:EF' }
    const panel = await open({ names: [...names, 'lab.local'], certificate })
    expect(panel.getByText('AB:CD:EF')).toBeTruthy()
    expect(panel.getByRole('link', { name: 'Certificate for another machine' }).getAttribute('href')).toBe(
      '/api/certificate.pem',
    )
    expect(panel.getAllByRole('listitem')).toHaveLength(3)
  })
  it('with the certificate of the lab has nothing to be trusted', async () => {
    const panel = await open({ certificate: { kind: 'files', fingerprint: 'AB:CD:EF' } })
    expect(panel.getByText('Connections are encrypted, with the certificate of the lab.')).toBeTruthy()
    expect(panel.queryByRole('link')).toBeNull()
  })
})

describe('the backups', () => {
  const at = new Date(2026, 10, 27, 2, 30).getTime()
  const good = {
    folder: '/srv/lab/backups',
    secondFolder: null,
    nightlyAt: '02:30',
    newest: { file: '/srv/lab/backups/x.sqlite', at, bytes: 4_210_000 },
    older: 11,
    overdue: false,
    failure: null,
  }
  const open = (state: object, answers: object = {}) => {
    const sent = serverWith({ 'GET /backups': { ...good, ...state }, ...answers })
    return { ...show(<BackupsPanel />), sent }
  }
  const region = async () => within(await screen.findByRole('region', { name: 'Backups' }))
  it('say when the last good one was, how large, where, and that a second folder is missing', async () => {
    open({})
    const panel = await region()
    expect(panel.getByText(/02:30/, { selector: 'strong' })).toBeTruthy()
    expect(panel.getByText(/4\.2 MB, 11 older ones kept/)).toBeTruthy()
    expect(panel.getByText(/Each night at 02:30.*\/srv\/lab\/backups\. No second folder/)).toBeTruthy()
    expect(panel.queryByRole('alert')).toBeNull()
  })
  it('warn after two days, and say why none was made', async () => {
    open({ overdue: true, newest: null, older: 0, failure: { at, fault: 'no space left' } })
    const panel = await region()
    expect(panel.getByText('none yet')).toBeTruthy()
    expect(panel.getByText(/For two days or more no good backup was made\./)).toBeTruthy()
    expect(panel.getByText(/none was made, no space left\./)).toBeTruthy()
  })
  it('are made when asked for, and what failed is said', async () => {
    const { user, sent } = open(
      { newest: null, older: 0, secondFolder: '/mnt/stick' },
      { 'POST /backups': { ...good, secondFolder: '/mnt/stick', older: 1 } },
    )
    const panel = await region()
    expect(panel.getByText(/and in \/mnt\/stick\./)).toBeTruthy()
    await user.click(panel.getByRole('button', { name: 'Make one now' }))
    expect(await panel.findByText(/1 older one kept/)).toBeTruthy()
    expect(posted(sent)).toHaveLength(1)
  })
  it('that fail are said in the words of the server', async () => {
    const { user } = open(
      {},
      { 'POST /backups': refusal({ detail: 'No backup was made: full.', remedy: 'Make room.' }) },
    )
    const panel = await region()
    await user.click(panel.getByRole('button', { name: 'Make one now' }))
    expect((await panel.findByRole('alert')).textContent).toBe('No backup was made: full. Make room.')
  })
})
