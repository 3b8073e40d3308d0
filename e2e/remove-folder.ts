import { rmSync } from 'node:fs'

/** The data of a run goes with it. */
export default function removeFolder(): void {
  const folder = process.env.YENTRIK_E2E_FOLDER
  if (folder) rmSync(folder, { recursive: true, force: true })
}
