// The package brings no types; these are the hooks that are used of it.
declare module 'saxen' {
  type Decode = (text: string) => string
  export class Parser {
    on(
      event: 'openTag',
      heard: (name: string, attributes: () => Record<string, string>, decode: Decode) => void,
    ): this
    on(event: 'closeTag', heard: (name: string) => void): this
    on(event: 'text', heard: (text: string, decode: Decode) => void): this
    on(event: 'cdata', heard: (text: string) => void): this
    on(event: 'error', heard: (error: Error) => void): this
    parse(xml: string): void
  }
}
