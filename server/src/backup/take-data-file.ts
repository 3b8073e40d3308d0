import { makeBackup } from '../database/backup-files.ts'
import { checkDataFile, willBeChanged } from '../database/data-file.ts'
import { lockDataFile } from '../database/file-lock.ts'
import { backupFolderOf, type ServerSettings } from '../settings/server-settings.ts'

/**
 * Takes a data file for this server, looks whether it is sound, and backs it up where this version will change its tables.
 * @returns lets it go @throws {StartFault} when it cannot be worked with; it is as it was then
 */
export async function takeDataFile(settings: ServerSettings): Promise<() => void> {
  const { dataFile, newLab } = settings
  const backupFolder = backupFolderOf(settings)
  const letGo = lockDataFile(dataFile)
  try {
    const holdings = checkDataFile(dataFile, backupFolder, newLab)
    if (holdings && willBeChanged(holdings)) await makeBackup(dataFile, backupFolder, new Date())
    return letGo
  } catch (error) {
    letGo()
    throw error
  }
}
