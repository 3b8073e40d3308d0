import { useEffect, useRef } from 'react'
import { useRunningNow } from '../live/lab-clock.ts'
import { useAnswer } from '../live/queries.ts'
import { usePreferences } from '../preferences/preferences.ts'

/** How long before a window is missed the alarm sounds again. */
const WARN_BEFORE_MILLIS = 3 * 60_000

/** Counts open windows in the title, and sounds when one opens or is about to be missed. Shows nothing. */
export function WindowAlarm() {
  const { data } = useAnswer('GET /bench')
  const sound = usePreferences((preferences) => preferences.sound)
  const now = useRunningNow()
  const announced = useRef<Set<string>>(undefined)
  const windows = (data?.work ?? []).flatMap((e) =>
    e.window && e.kind !== 'clinic' ? [{ ...e.window, key: `${e.caseId} ${e.stepId} ${e.attempt}` }] : [],
  )
  const open = windows.filter((w) => now >= w.goodFrom).length
  useEffect(() => {
    document.title = open > 0 ? `(${open}) Yentrik` : 'Yentrik'
  }, [open])
  const due = windows.flatMap((w) => {
    const missedFrom = w.pastFrom ?? w.lateFrom
    const opened = now >= w.goodFrom ? [`${w.key} open`] : []
    return now >= missedFrom - WARN_BEFORE_MILLIS && now < missedFrom
      ? [...opened, `${w.key} closing`]
      : opened
  })
  const dueNames = due.join('|')
  useEffect(() => {
    if (!data) return
    const names = dueNames === '' ? [] : dueNames.split('|')
    // What was open already when the page was loaded is no news.
    if (!announced.current) announced.current = new Set(names)
    const news = names.filter((name) => !announced.current?.has(name))
    for (const name of news) announced.current.add(name)
    if (news.length > 0 && sound) ring(news.some((name) => name.endsWith('closing')))
  }, [dueNames, sound, data])
  return null
}

let audio: AudioContext | undefined

/** Two notes up when something is ready, three quick ones when it is about to be missed. Made here, no file. */
function ring(urgent: boolean): void {
  audio ??= new AudioContext()
  const notes = urgent ? [880, 880, 1175] : [659, 880]
  for (const [index, hertz] of notes.entries()) {
    const start = audio.currentTime + index * (urgent ? 0.16 : 0.24)
    const tone = audio.createOscillator()
    const gain = audio.createGain()
    tone.frequency.value = hertz
    gain.gain.setValueAtTime(0.0001, start)
    gain.gain.exponentialRampToValueAtTime(0.25, start + 0.02)
    gain.gain.exponentialRampToValueAtTime(0.0001, start + 0.22)
    tone.connect(gain).connect(audio.destination)
    tone.start(start)
    tone.stop(start + 0.25)
  }
}
