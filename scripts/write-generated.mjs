import { existsSync, readFileSync, writeFileSync } from 'node:fs'

/** Writes a made file where it is not as it should be; one that is as it should be keeps its date, so nothing is built again. */
export function writeGenerated(path, text) {
  if (!existsSync(path) || readFileSync(path, 'utf8') !== text) writeFileSync(path, text)
}
