/** Why the server does not start, or a command does not run: one sentence, and what to do. */
export class StartFault extends Error {
  constructor(
    sentence: string,
    readonly remedy: string,
  ) {
    super(sentence)
    this.name = 'StartFault'
  }
}

/** Ends the process with the sentence and no stack; anything else that was thrown goes on. */
export function endOn(error: unknown): never {
  if (!(error instanceof StartFault)) throw error
  console.error(`${error.message} ${error.remedy}`)
  process.exit(1)
}
