import { runCommand } from './program'

export interface Said {
  status: number
  stdout: string
  stderr: string
}

let last: Promise<unknown> = Promise.resolve()

/** Runs a command in this process, as the command line would in one of its own, and hears what it says. One at a time. */
export function inkpath(...words: string[]): Promise<Said> {
  const said = last.then(() => heard(words))
  last = said
  return said
}

async function heard(words: readonly string[]): Promise<Said> {
  const said = { stdout: '', stderr: '' }
  const streams = ['stdout', 'stderr'] as const
  const own = { stdout: process.stdout.write, stderr: process.stderr.write }
  for (const stream of streams)
    process[stream].write = ((text: string) => {
      said[stream] += text
      return true
    }) as typeof process.stdout.write
  try {
    const status = await runCommand(words)
    return { status, ...said }
  } finally {
    for (const stream of streams) process[stream].write = own[stream]
  }
}
