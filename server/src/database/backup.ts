import { settingsFrom } from '../settings/server-settings.ts'
import { copySound } from './backup-files.ts'
import { endOn, StartFault } from './start-fault.ts'

// npm run backup -- FILE: a whole copy while the server runs.
try {
  const target = process.argv[2]
  if (!target) throw new StartFault('It is not said where to.', 'Say it: npm run backup -- FILE')
  const { dataFile } = settingsFrom(process.env)
  const events = await copySound(dataFile, target).catch((error: Error) => {
    throw new StartFault(
      `No backup was made: ${error.message}.`,
      'Look at the file and the folder, then try again.',
    )
  })
  console.log(`Backed up ${dataFile} to ${target}, ${events} events.`)
} catch (error) {
  endOn(error)
}
