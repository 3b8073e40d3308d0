import { describe, expect, it } from '@jest/globals'
import { fireEvent, screen, waitFor } from '@testing-library/react'
import { noPlanSettings, usualPerson } from '@yentrik/core'
import { serverWith, show } from '../testing/lab.tsx'
import { OwnMinutesPanel } from './OwnMinutesPanel.tsx'
import { hoursOf, hoursWords, PlanPeoplePanel } from './PlanPeoplePanel.tsx'

const button = (name: string | RegExp) => screen.getByRole('button', { name })

describe('hours as they are written', () => {
  it('are read as they were written, and written as they were read', () => {
    const hours = [
      { weekday: 1, opensMinute: 450, closesMinute: 720 },
      { weekday: 1, opensMinute: 750, closesMinute: 1020 },
      { weekday: 5, opensMinute: 480, closesMinute: 720 },
    ]
    expect(hoursWords(hours)).toEqual({ 1: '07:30-12:00, 12:30-17:00', 5: '08:00-12:00' })
    expect(hoursOf(hoursWords(hours))).toEqual(hours)
  })
  it.each([['8 to 12'], ['08:00'], ['08:00-12:75'], ['25:00-26:00']])('%s is unclear', (text) =>
    expect(hoursOf({ 1: text })).toBe('unclear'),
  )
  it('nothing at all is the hours of the lab', () => expect(hoursOf({ 1: '', 2: ' ' })).toBeUndefined())
})

describe('skills and hours of people', () => {
  const shown = (more: object = {}) => {
    const sent = serverWith({
      'GET /people': [
        { personId: 'p-1', name: 'Ada', role: 'lead', retiredAt: null },
        { personId: 'p-2', name: 'Rea', role: 'reader', retiredAt: null },
        { personId: 'p-3', name: 'Old', role: 'technician', retiredAt: '2026-01-01T00:00:00Z' },
      ],
      'GET /plan/settings': noPlanSettings,
      'PUT /plan/people/:personId': {},
      'PUT /plan/holidays': {},
      'POST /plan/calendar': { taken: 2 },
      ...more,
    })
    return { ...show(<PlanPeoplePanel />), sent }
  }
  const put = (sent: ReturnType<typeof serverWith>) => sent.filter(({ method }) => method === 'PUT')
  it('only of those who work here', async () => {
    shown()
    const who = await screen.findByLabelText('Who')
    expect(who.textContent).toBe('Ada')
  })
  it('are stored together; what is unclear stays and is said', async () => {
    const { user, sent } = shown()
    await user.click(await screen.findByRole('button', { name: 'Ceramics', pressed: true }))
    fireEvent.change(screen.getByLabelText('Monday'), { target: { value: 'mornings' } })
    await user.click(button('Store skills and hours'))
    expect(screen.getByRole('alert').textContent).toContain('Write the hours of a day')
    expect((screen.getByLabelText('Monday') as HTMLInputElement).value).toBe('mornings')
    expect(put(sent)).toEqual([])
    fireEvent.change(screen.getByLabelText('Monday'), { target: { value: '08:00-12:00' } })
    await user.click(button('Store skills and hours'))
    await waitFor(() =>
      expect(put(sent)[0]).toMatchObject({
        address: '/plan/people/p-1',
        body: {
          skills: usualPerson.skills.filter((skill) => skill !== 'ceramic'),
          hours: [{ weekday: 1, opensMinute: 480, closesMinute: 720 }],
          away: [],
        },
      }),
    )
  })
  it('days off: an end before the beginning is refused, a right one is added and taken off', async () => {
    const { user, sent } = shown()
    fireEvent.change(await screen.findByLabelText('From'), { target: { value: '2026-03-05' } })
    fireEvent.change(screen.getByLabelText('Until'), { target: { value: '2026-03-04' } })
    await user.click(button('Add'))
    expect(screen.getByText(/over before it begins/)).toBeTruthy()
    fireEvent.change(screen.getByLabelText('Until'), { target: { value: '2026-03-06' } })
    fireEvent.change(screen.getByLabelText('What for'), { target: { value: 'Course' } })
    await user.click(button('Add'))
    expect(screen.getByText('Course')).toBeTruthy()
    await user.click(button('Store skills and hours'))
    await waitFor(() => expect(put(sent)[0]?.body).toMatchObject({ away: [{ why: 'Course' }] }))
    await user.click(button(/^Take off Days off/))
    expect(screen.queryByText('Course')).toBeNull()
  })
  it('the lab is closed on a day, and open again', async () => {
    const { user, sent } = shown({
      'GET /plan/settings': { ...noPlanSettings, holidays: [{ day: '2026-12-25', name: 'Christmas' }] },
    })
    await user.click(await screen.findByRole('button', { name: 'Open on 2026-12-25' }))
    await waitFor(() => expect(put(sent)[0]?.body).toEqual({ holidays: [] }))
    fireEvent.change(screen.getByLabelText('Closed on'), { target: { value: '2026-12-31' } })
    await user.click(button('Close that day'))
    await waitFor(() =>
      expect(put(sent)[1]?.body).toEqual({
        holidays: [
          { day: '2026-12-25', name: 'Christmas' },
          { day: '2026-12-31', name: 'closed' },
        ],
      }),
    )
  })
  it('a calendar file is taken over and counted', async () => {
    const { user, sent } = shown()
    const file = Object.assign(new File(['BEGIN'], 'a.ics'), { text: async () => 'BEGIN:VCALENDAR' })
    await user.upload(await screen.findByLabelText('Days off from a calendar (.ics)'), file)
    expect(await screen.findByText('2 taken over.')).toBeTruthy()
    expect(sent.find(({ method }) => method === 'POST')?.body).toEqual({
      personId: 'p-1',
      calendar: 'BEGIN:VCALENDAR',
    })
  })
})

describe('minutes of this lab', () => {
  const shown = () => {
    const sent = serverWith({
      'GET /plan/settings': { ...noPlanSettings, minutes: { 'study-cast/trim': { hands: 33 } } },
      'PUT /plan/minutes': {},
    })
    return { ...show(<OwnMinutesPanel />), sent }
  }
  it('are shown beside the usual ones, changed, and given back to the route', async () => {
    const { user, sent } = shown()
    fireEvent.change(await screen.findByLabelText('Job'), { target: { value: 'study-cast' } })
    fireEvent.change(screen.getByLabelText('Step'), { target: { value: 'trim' } })
    const hands = () => screen.getByLabelText('Hands take') as HTMLInputElement
    expect(hands().value).toBe('33')
    fireEvent.change(hands(), { target: { value: 'long' } })
    await user.click(button('Store these minutes'))
    expect(hands().value).toBe('long')
    expect(sent.some(({ method }) => method === 'PUT')).toBe(false)
    fireEvent.change(hands(), { target: { value: '41' } })
    await user.click(button('Store these minutes'))
    await waitFor(() =>
      expect(sent.find(({ method }) => method === 'PUT')?.body).toEqual({
        templateId: 'study-cast',
        stepId: 'trim',
        hands: 41,
      }),
    )
    fireEvent.change(hands(), { target: { value: '' } })
    await user.click(button('Store these minutes'))
    await waitFor(() =>
      expect(sent.filter(({ method }) => method === 'PUT')[1]?.body).toEqual({
        templateId: 'study-cast',
        stepId: 'trim',
      }),
    )
  })
})
