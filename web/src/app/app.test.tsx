import { describe, expect, it } from '@jest/globals'
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { START } from '@yentrik/core/testing'
import { Route, Routes } from 'react-router'
import { queryClient } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { ada, refusal, type SentRequest, serverWith, sessionOf, show } from '../testing/lab.tsx'
import { HelpSheet } from './HelpSheet.tsx'
import { Shell } from './Shell.tsx'
import { SignIn } from './SignIn.tsx'

const posted = (sent: SentRequest[]) => sent.filter(({ method }) => method !== 'GET')
const button = (name: string | RegExp) => screen.getByRole('button', { name })

/** Keys as a scanner types them: all at once. */
function scan(code: string) {
  const presses = [...code, 'Enter'].map(
    (key) => new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }),
  )
  act(() => {
    for (const each of presses) document.body.dispatchEvent(each)
  })
}

describe('the door', () => {
  const first = sessionOf(null, { firstStart: true })
  it('lets the first person make the lab theirs', async () => {
    const sent = serverWith({ 'POST /first-start': {}, 'POST /session': {}, 'GET /session': first })
    const { user } = show(<SignIn session={first} />, { person: null })
    await user.type(screen.getByLabelText('First name'), ' Ada ')
    await user.type(screen.getByLabelText('Passphrase'), 'plaster-and-wax')
    await user.click(button('Begin'))
    await waitFor(() => expect(posted(sent)).toHaveLength(2))
    expect(posted(sent)).toEqual([
      {
        method: 'POST',
        address: '/first-start',
        body: { name: 'Ada', passphrase: 'plaster-and-wax' },
      },
      { method: 'POST', address: '/session', body: { name: 'Ada', passphrase: 'plaster-and-wax' } },
    ])
  })
  it('wants a name and a passphrase of twelve, from the first alone', async () => {
    const sent = serverWith({ 'POST /session': {} })
    const { user, unmount } = show(<SignIn session={first} />, { person: null })
    await user.type(screen.getByLabelText('Passphrase'), 'eleven-long')
    await user.click(button('Begin'))
    expect(await screen.findByText('Enter your first name.')).toBeTruthy()
    expect(
      screen.getByText('Choose a passphrase of at least 12 letters: four or five words are good.'),
    ).toBeTruthy()
    expect(posted(sent)).toEqual([])
    unmount()
    const later = show(<SignIn session={{ ...first, firstStart: false }} />, { person: null })
    await later.user.type(screen.getByLabelText('First name'), 'Ada')
    await later.user.type(screen.getByLabelText('Passphrase'), 'old')
    await later.user.click(button('Sign in'))
    await waitFor(() => expect(posted(sent)).toHaveLength(1))
  })
  it('wants the code of the server where it is not the machine of the server', async () => {
    const far = { ...first, codeNeeded: true }
    const sent = serverWith({ 'POST /first-start': {}, 'POST /session': {}, 'GET /session': far })
    const { user } = show(<SignIn session={far} />, { person: null })
    await user.type(screen.getByLabelText('First name'), 'Ada')
    await user.type(screen.getByLabelText('Passphrase'), 'plaster-and-wax')
    await user.click(button('Begin'))
    expect(await screen.findByText('Type the code that the server printed.')).toBeTruthy()
    await user.type(screen.getByLabelText('Code of the first start'), 'K7MPA2XC')
    await user.click(button('Begin'))
    await waitFor(() => expect(posted(sent)).toHaveLength(2))
    expect(posted(sent)[0]?.body).toMatchObject({ code: 'K7MPA2XC' })
  })
  it('lets those back in by their PIN whom a passphrase has let in here today', async () => {
    const known = sessionOf(null, { pins: ['Ada', 'Ben'] })
    let tries = 0
    const sent = serverWith({
      'POST /session/pin': () =>
        ++tries === 1
          ? refusal({
              status: 401,
              detail: 'Name and PIN do not go together here.',
              remedy: '2 tries are left.',
            })
          : {},
      'GET /session': known,
    })
    const { user } = show(<SignIn session={known} />, { person: null })
    await user.click(button('Ben'))
    await user.type(screen.getByLabelText('PIN'), '12')
    await user.click(button('Back to the bench'))
    expect(await screen.findByText('Type the four to eight digits of your PIN.')).toBeTruthy()
    expect(posted(sent)).toEqual([])
    await user.type(screen.getByLabelText('PIN'), '71')
    await user.click(button('Back to the bench'))
    expect((await screen.findByRole('alert')).textContent).toContain('2 tries are left.')
    await user.clear(screen.getByLabelText('PIN'))
    await user.type(screen.getByLabelText('PIN'), '4071')
    await user.click(button('Back to the bench'))
    await waitFor(() => expect(posted(sent)).toHaveLength(2))
    expect(posted(sent)[1]).toMatchObject({ address: '/session/pin', body: { name: 'Ben', pin: '4071' } })
    await user.click(button('With the passphrase'))
    expect(screen.getByLabelText('Passphrase')).toBeTruthy()
  })
  it('says that others can read along, where they can', async () => {
    serverWith({})
    const { unmount } = show(<SignIn session={{ ...first, readable: true }} />, { person: null })
    expect(screen.getByText(/This connection is not encrypted/)).toBeTruthy()
    unmount()
    show(<SignIn session={first} />, { person: null })
    expect(screen.queryByText(/not encrypted/)).toBeNull()
  })
  it('says why it stays shut, and keeps the name', async () => {
    serverWith({
      'POST /session': refusal({
        status: 401,
        detail: 'Name and passphrase do not fit.',
        remedy: 'Type both again.',
      }),
    })
    const { user } = show(<SignIn session={{ ...first, firstStart: false }} />, { person: null })
    await user.type(screen.getByLabelText('First name'), 'Ada')
    await user.type(screen.getByLabelText('Passphrase'), 'wrong')
    await user.click(button('Sign in'))
    expect((await screen.findByRole('alert')).textContent).toBe(
      'Name and passphrase do not fit. Type both again.',
    )
    expect(screen.getByLabelText<HTMLInputElement>('First name').value).toBe('Ada')
    expect(Object.keys(sessionStorage)).toEqual([])
  })
})

describe('the house around every screen', () => {
  const session = sessionOf(ada)
  const inside = (answers: object = {}) => {
    const sent = serverWith({
      'GET /session': session,
      'GET /bench': { work: [], asking: [], cut: false, at: START },
      ...answers,
    })
    const shown = show(
      <Routes>
        <Route element={<Shell />}>
          <Route path="*" element={<h1>The screen</h1>} />
        </Route>
      </Routes>,
    )
    return { ...shown, sent }
  }
  const press = async (key: string) => {
    fireEvent.keyDown(document.body, { key })
    await act(() => new Promise((resolve) => setTimeout(resolve, 90)))
  }
  it('has its places on the rail, and marks where one is', async () => {
    inside()
    const rail = within(await screen.findByRole('navigation', { name: 'Places' }))
    expect(rail.getAllByRole('link').map(({ textContent }) => textContent)).toEqual([
      'Bench',
      'Cases',
      'Plan',
      'Instruments',
      'Shelf',
      'Practise',
      'Quality',
      'Settings',
      'Handbook',
    ])
    expect(rail.getByRole('link', { name: 'Bench' }).getAttribute('aria-current')).toBe('page')
  })
  it.each([
    ['c', '/cases'],
    ['i', '/instruments'],
    ['s', '/shelf'],
    ['a', '/cases/new'],
    ['b', '/'],
  ])('the key %s goes to %s', async (key, address) => {
    const { where } = inside()
    await screen.findByText('The screen')
    await press(key)
    expect(where()).toBe(address)
  })
  it('shows its keys by a question mark', async () => {
    inside()
    await screen.findByText('The screen')
    await press('?')
    expect(screen.getByRole('dialog', { name: 'Keys and scanner' })).toBeTruthy()
  })
  it('says on every screen that a demo is one, and a lab nothing of the kind', async () => {
    const session = { person: ada, firstStart: false, codeNeeded: false, readable: false, names: ['Ada'] }
    serverWith({ 'GET /session': { ...session, demo: true } })
    const { unmount } = show(<Shell />)
    expect(await screen.findByText('demo lab')).toBeTruthy()
    expect(screen.getByText('Demo lab: everything here is invented.')).toBeTruthy()
    unmount()
    queryClient.clear()
    serverWith({ 'GET /session': { ...session, demo: false } })
    show(<Shell />)
    await screen.findByRole('navigation', { name: 'Places' })
    expect(screen.queryByText(/demo lab/i)).toBeNull()
  })
  it('opens a docket that is scanned, or says that there is none', async () => {
    const { where } = inside({ 'GET /dockets/:docket': { caseId: 'c-7' } })
    await screen.findByText('The screen')
    scan('K-2157')
    await waitFor(() => expect(where()).toBe('/case/c-7'))
  })
  it('says that a scanned docket is none', async () => {
    inside({
      'GET /dockets/:docket': refusal({
        status: 404,
        detail: 'There is no case K-9.',
        remedy: 'Look in the list.',
      }),
    })
    await screen.findByText('The screen')
    scan('K-9')
    expect((await screen.findByRole('alert')).textContent).toBe('There is no case K-9. Look in the list.')
  })
  it('shows the door again when the session is over, whoever finds it out', async () => {
    let over = false
    inside({
      'GET /session': () => (over ? { ...session, person: null } : session),
      'GET /lab': refusal({
        status: 401,
        code: 'not-signed-in',
        detail: 'Nobody is signed in.',
        remedy: 'Sign in.',
      }),
    })
    await screen.findByText('The screen')
    over = true
    await act(() => request('GET /lab').catch(() => undefined))
    expect(await screen.findByRole('heading', { name: 'Who is at the bench?' })).toBeTruthy()
  })
  it('says when the server is not reached at all', async () => {
    serverWith({ 'GET /session': refusal({ detail: 'Something broke.', remedy: 'Tell the lead.' }) })
    show(<Shell />)
    expect((await screen.findByRole('alert')).textContent).toBe('Something broke. Tell the lead.')
  })
})

describe('the keys', () => {
  it('are listed once each, for the steps and for everywhere', () => {
    show(<HelpSheet onClose={() => undefined} />)
    const keys = within(screen.getByRole('dialog'))
      .getAllByText(/^\S{1,5}$/, { selector: 'kbd' })
      .map(({ textContent }) => textContent)
    expect(new Set(keys).size).toBe(keys.length)
    expect(keys).toEqual(
      expect.arrayContaining(['space', 'm', 'n', 'g', 'f', 't', 'b', 'c', 'i', 's', 'a', '?']),
    )
  })
})
