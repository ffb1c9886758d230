import { connect, type Socket } from 'node:net'

/** A question to an instrument that is not answered within this is not answered, ms. */
export const ANSWER_WITHIN_MS = 1500
const CONNECT_WITHIN_MS = 3000
/** An instrument that says nothing for this long has said everything it had to say unasked, ms. */
const QUIET_MS = 150
const DRAIN_WITHIN_MS = 1000
/** No answer is longer; a line that is comes from something else. */
const LINE_MAX = 1024

/** A question was not answered in time. The line still stands. */
export class Unanswered extends Error {}

/** A line of conversation with an SCPI instrument over TCP: one question at a time, one line of answer each. */
export class ScpiLine {
  private buffered = ''
  private waiting: { resolve: (line: string) => void; reject: (error: Error) => void } | undefined
  private heardAt = performance.now()
  private broken: Error | undefined
  /** Something was said that nobody had asked for: an answer since may stand under another's question. */
  private spokeUnasked = false

  private constructor(private readonly socket: Socket) {
    socket.setEncoding('ascii').setNoDelay(true)
    socket.on('data', (chunk: string) => this.take(chunk))
    socket.on('error', (error) => this.fail(error))
    socket.on('close', () => this.fail(new Error('The instrument closed the line.')))
  }

  /** @throws Error when nobody answers at that address. */
  static open(host: string, port: number): Promise<ScpiLine> {
    return new Promise((resolve, reject) => {
      const socket = connect({ host, port, timeout: CONNECT_WITHIN_MS })
      socket.once('connect', () => {
        socket.setTimeout(0)
        socket.removeListener('error', reject)
        resolve(new ScpiLine(socket))
      })
      socket.once('error', reject)
      socket.once('timeout', () => socket.destroy(new Error('The instrument does not answer.')))
    })
  }

  /**
   * Asks, and gives the answer without its line end. Whatever was said unasked before is thrown away first.
   * @throws Unanswered when no line comes in time; Error when the line is cut.
   */
  ask(question: string): Promise<string> {
    if (this.broken) return Promise.reject(this.broken)
    if (this.buffered !== '') this.spokeUnasked = true
    this.buffered = ''
    return new Promise((resolve, reject) => {
      const late = setTimeout(() => {
        this.waiting = undefined
        reject(new Unanswered(`No answer to ${question}.`))
      }, ANSWER_WITHIN_MS)
      this.waiting = {
        resolve: (line) => (clearTimeout(late), resolve(line)),
        reject: (error) => (clearTimeout(late), reject(error)),
      }
      this.socket.write(`${question}\n`)
    })
  }

  /** Waits until the instrument has been quiet for a moment, and throws away what it said meanwhile. */
  async drain(): Promise<void> {
    const began = performance.now()
    this.heardAt = began
    while (performance.now() - this.heardAt < QUIET_MS && performance.now() - began < DRAIN_WITHIN_MS)
      await new Promise((resolve) => setTimeout(resolve, 20))
    this.buffered = ''
    if (this.broken) throw this.broken
  }

  /** Lets an instrument that has spoken unasked finish, so that its words do not run into an answer. */
  async drainIfSpoken(): Promise<void> {
    if (this.tookUnasked()) await this.drain()
  }

  /** Whether anything was said unasked since this was last looked at. */
  tookUnasked(): boolean {
    const took = this.spokeUnasked || this.buffered !== ''
    this.spokeUnasked = false
    return took
  }

  close(): void {
    this.socket.destroy()
  }

  private take(chunk: string): void {
    this.heardAt = performance.now()
    this.buffered += chunk
    if (this.buffered.length > LINE_MAX && !this.buffered.includes('\n'))
      return this.fail(new Error(`The instrument sent more than ${LINE_MAX} characters without a line end.`))
    const end = this.buffered.indexOf('\n')
    if (end < 0 || !this.waiting) return
    const line = this.buffered.slice(0, end).trim()
    this.buffered = this.buffered.slice(end + 1)
    const { waiting } = this
    this.waiting = undefined
    waiting.resolve(line)
  }

  private fail(error: Error): void {
    this.broken ??= error
    const { waiting } = this
    this.waiting = undefined
    waiting?.reject(error)
    this.socket.destroy()
  }
}

/**
 * A number as SCPI writes it (NR1 to NR3, IEEE 488.2 §8.7, from memory); undefined for anything else, and for 9.91E37,
 * its "not a number", and 9.9E37, its infinity (SCPI-99 volume 1, 7.2.1, from memory).
 */
export function parseScpiNumber(answer: string): number | undefined {
  if (!/^[+-]?(\d+(\.\d*)?|\.\d+)(E[+-]?\d{1,3})?$/i.test(answer)) return undefined
  const value = Number(answer)
  return Number.isFinite(value) && Math.abs(value) < 9e37 ? value : undefined
}
