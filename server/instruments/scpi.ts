import { connect, type Socket } from 'node:net'

/** A question to an instrument that was not answered in time, ms. */
const ANSWER_WITHIN_MS = 3000

/** A line of conversation with an SCPI instrument over TCP: one question at a time, one line of answer each. */
export class ScpiLine {
  private buffered = ''
  private waiting: { resolve: (line: string) => void; reject: (error: Error) => void } | undefined
  private queue: Promise<unknown> = Promise.resolve()

  private constructor(private readonly socket: Socket) {
    socket.setEncoding('ascii').setNoDelay(true)
    socket.on('data', (chunk: string) => this.take(chunk))
    socket.on('error', (error) => this.fail(error))
    socket.on('close', () => this.fail(new Error('The instrument closed the line.')))
  }

  /** @throws Error when nobody answers at that address. */
  static open(host: string, port: number): Promise<ScpiLine> {
    return new Promise((resolve, reject) => {
      const socket = connect({ host, port, timeout: ANSWER_WITHIN_MS })
      socket.once('connect', () => {
        socket.setTimeout(0)
        socket.removeListener('error', reject)
        resolve(new ScpiLine(socket))
      })
      socket.once('error', reject)
      socket.once('timeout', () => socket.destroy(new Error('The instrument does not answer.')))
    })
  }

  /** Asks, and gives the answer without its line end. Questions wait for each other. */
  ask(question: string): Promise<string> {
    const answer = this.queue.then(() => this.askNow(question))
    this.queue = answer.catch(() => undefined)
    return answer
  }

  /** Asks for a number; undefined where the instrument does not know the question or has no figure. */
  async askNumber(question: string): Promise<number | undefined> {
    const value = Number.parseFloat(await this.ask(question))
    // 9.91E37 is SCPI's "not a number", 9.9E37 its infinity (SCPI-99 volume 1, 7.2.1, from memory).
    return Number.isFinite(value) && Math.abs(value) < 9e37 ? value : undefined
  }

  close(): void {
    this.socket.destroy()
  }

  private askNow(question: string): Promise<string> {
    return new Promise((resolve, reject) => {
      const late = setTimeout(() => this.fail(new Error(`No answer to ${question}.`)), ANSWER_WITHIN_MS)
      this.waiting = {
        resolve: (line) => (clearTimeout(late), resolve(line)),
        reject: (error) => (clearTimeout(late), reject(error)),
      }
      this.socket.write(`${question}\n`)
    })
  }

  private take(chunk: string): void {
    this.buffered += chunk
    for (let end = this.buffered.indexOf('\n'); end >= 0; end = this.buffered.indexOf('\n')) {
      const line = this.buffered.slice(0, end).replace(/\r$/, '').trim()
      this.buffered = this.buffered.slice(end + 1)
      const { waiting } = this
      this.waiting = undefined
      waiting?.resolve(line)
    }
  }

  private fail(error: Error): void {
    const { waiting } = this
    this.waiting = undefined
    waiting?.reject(error)
    this.socket.destroy()
  }
}
