import { resolve } from 'node:path'
import { describe, expect, it } from '@jest/globals'
import { backupFolderOf, isLoopback, settingsFrom } from './server-settings.ts'

describe('what the server is told when it starts', () => {
  it.each([
    ['PORT', ['0', '4310', '65535'], ['-1', '65536', '43.5', 'http']],
    ['YENTRIK_PLAN_ROUNDS', ['0', '1000000'], ['-1', '1000001', '2.5', 'many']],
    ['YENTRIK_BACKUP_AT', ['00:00', '23:59'], ['24:00', '7:30', '12:60', 'noon']],
    ['YENTRIK_DEMO_CLOCK', ['10:40'], ['10.40']],
    ['YENTRIK_TLS', ['own', 'none'], ['yes', '']],
  ])('%s is taken as %j, and refused by its name as %j', (name, good, bad) => {
    for (const text of good) expect(() => settingsFrom({ [name]: text })).not.toThrow()
    for (const text of bad) expect(() => settingsFrom({ [name]: text })).toThrow(name)
  })
  it('a certificate takes both of its files, and goes before one of its own', () => {
    const [YENTRIK_TLS_CERT, YENTRIK_TLS_KEY] = ['lab.crt', 'lab.key']
    const tls = { cert: resolve('lab.crt'), key: resolve('lab.key') }
    expect(settingsFrom({ YENTRIK_TLS_CERT, YENTRIK_TLS_KEY, YENTRIK_TLS: 'own' }).tls).toEqual(tls)
    expect(() => settingsFrom({ YENTRIK_TLS_CERT })).toThrow('takes both')
    expect(() => settingsFrom({ YENTRIK_TLS_KEY })).toThrow('takes both')
    expect(settingsFrom({ YENTRIK_TLS: 'own' }).tls).toBe('own')
    expect(settingsFrom({ YENTRIK_TLS: 'none' }).tls).toBeUndefined()
  })
  it('only a demo has an invented year, a clock that is moved and a file that may be gone', () => {
    const asked = { YENTRIK_DEMO_YEAR: '1' }
    expect(settingsFrom(asked)).toMatchObject({ demoYear: false, clockControl: false, newLab: false })
    expect(settingsFrom({ ...asked, YENTRIK_DEMO: '1' })).toMatchObject({
      demo: true,
      demoYear: true,
      clockControl: true,
      newLab: true,
    })
    expect(settingsFrom({ YENTRIK_DEMO: '1', YENTRIK_DEMO_YEAR: '0' }).demoYear).toBe(false)
    expect(settingsFrom({ YENTRIK_NEW_LAB: '1', YENTRIK_CLOCK_CONTROL: '1' })).toMatchObject({
      newLab: true,
      clockControl: true,
      demo: false,
    })
  })
  it('a demo, which lets everybody in, is not opened to the network by mistake', () => {
    const open = { YENTRIK_DEMO: '1', HOST: '0.0.0.0' }
    expect(() => settingsFrom(open)).toThrow('YENTRIK_DEMO_OPEN=1')
    expect(settingsFrom({ ...open, YENTRIK_DEMO_OPEN: '1' }).host).toBe('0.0.0.0')
    expect(settingsFrom({ HOST: '0.0.0.0' }).host).toBe('0.0.0.0')
    expect(['localhost', '127.0.0.1', '::1', '127.0.0.1.example', 'lab.local'].map(isLoopback)).toEqual([
      true,
      true,
      true,
      false,
      false,
    ])
  })
  it('names, and folders beside the data where none is named', () => {
    const own = settingsFrom({ YENTRIK_DATA: '/srv/lab.sqlite', YENTRIK_NAMES: 'lab.local, bench ' })
    expect(own).toMatchObject({ names: ['lab.local', 'bench'], logFolder: '/srv/lab-log' })
    expect(backupFolderOf(own)).toBe('/srv/lab-backups')
    expect(backupFolderOf(settingsFrom({ YENTRIK_BACKUPS: '/mnt/safe' }))).toBe('/mnt/safe')
  })
})
