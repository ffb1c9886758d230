import { describe, expect, it } from 'vitest'
import { writeFigures } from '../words/figures'
import type { Page } from '../words/page'
import { pageHtml } from './pageHtml'
import { pageMarkdown } from './pageMarkdown'
import { pageSpoken, spoken, spokenNumber } from './pageSpoken'
import { panelsAcross, svgPicture } from './svgPicture'

const NASTY = `<script>x</script> & "quotes" 'too'`
const page: Page = {
  title: NASTY,
  day: '2 Mar 2026',
  simulated: true,
  blocks: [
    { id: 'a', heading: 'Answer', paragraphs: ['Hawser 30 took 1\u00A0h\u00A018\u00A0min ± 4\u00A0min.'], list: ['3 × as fast'] },
    { id: 'b', heading: 'Times', paragraphs: [], list: [], table: { caption: 'c', head: ['Source', 'full'], rows: [[NASTY, '1 h']] } },
  ],
} // prettier-ignore
const picture = (ends: string[], name = NASTY) => ({
  kind: 'paths' as const,
  alt: NASTY,
  paths: ends.map((end, i) => ({ name: `${name} ${i}`, ink: i, end, points: [{ x: 0, y: 2 }, { x: 1000 + 100 * i, y: 100 }] })),
  until: 3000,
  unit: '%',
  max: 100,
}) // prettier-ignore
const options = { width: 800, height: 400, inks: [{ colour: '#123456', dash: [] }], text: '#000', quiet: '#666', ground: '#fff', mark: 'simulated' } // prettier-ignore

const bar = (name: string, value: number, spread: number, said = String(value)) => ({
  name,
  value,
  spread,
  said,
})
/** Bars, their spreads and words, as they stand in a picture of 800 × 400 px. */
function drawn(bars: ReturnType<typeof bar>[], over: object = {}) {
  const svg = svgPicture({ kind: 'bars', alt: 'bars', bars }, { ...options, mark: '', ...over })
  const all = (pattern: RegExp) => [...svg.matchAll(pattern)].map(([, ...parts]) => parts.join(' '))
  return {
    bars: all(/<rect x="([^"]+)" y="([^"]+)" width="([^"]+)" height="([^"]+)" fill="#123456"/g),
    spreads: all(/<line x1="([^"]+)" y1="([^"]+)" x2="([^"]+)" y2="([^"]+)" stroke="#000" stroke-width="2"/g),
    texts: [...svg.matchAll(/<text x="([^"]+)" y="([^"]+)"[^>]*text-anchor="(\w+)"[^>]*>([^<]*)</g)].map(([, x, y, anchor, text]) => `${text} ${x} ${y} ${anchor}`),
  }
} // prettier-ignore

describe('a page for others', () => {
  it('draws what has no ink of its own thin and grey', () => {
    const [path] = picture(['']).paths
    const svg = svgPicture({ ...picture(['']), paths: [{ ...path, faded: true }, path] }, options)
    expect(svg).toMatch(
      /<polyline[^>]*stroke="#666" stroke-width="0.8"[^>]*>.*<polyline[^>]*stroke="#123456" stroke-width="2.2"/,
    )
  })

  it('draws what goes below nothing within its frame, with a line where nothing is', () => {
    const below = { ...picture(['']), min: -10, max: 30, paths: [{ name: 'a', ink: 0, end: '', points: [{ x: 0, y: -10 }, { x: 3000, y: 30 }] }] } // prettier-ignore
    const svg = svgPicture(below, options)
    // From 52 to 784 px across and from 366 up to 20 px: a quarter of the way up is nothing.
    expect(svg).toContain('points="52,366 784,20"')
    expect(svg).toContain('<line x1="52" y1="279.5" x2="784" y2="279.5" stroke="#666"/>')
    expect(svg).toContain('>−10</text>')
  })

  it('lets no markup of a name through, and says that it is simulated', () => {
    const html = pageHtml(page, { a: { light: svgPicture(picture(['1 h']), options), dark: '' } })
    expect(html).not.toContain('<script')
    expect(html).toContain('&#60;script&#62;x')
    expect(html).toContain('simulated')
    expect(pageMarkdown(page)).toContain('\\<script\\>')
  })

  it('puts a heading, words, a list, a picture for either paper and its table in their order, and nothing where none is', () => {
    const block = { id: 'c', paragraphs: ['One', 'Two'], list: ['x', 'y'], html: '<p>own</p>', heading: 'H & I' }
    const table = { caption: 'Full', head: ['Source', 'h'], rows: [['A', '1', '2'], []] }
    const html = pageHtml(
      { title: 'T', day: '2 Mar', simulated: false, blocks: [{ ...block, table }, { id: 'd', heading: '', paragraphs: [], list: [] }] },
      { c: { light: '<svg/>', dark: '<svg id="n"/>' } },
    )
    expect(html.slice(html.indexOf('<main>'), html.indexOf('</main>'))).toBe(
      '<main><h1>T</h1><p class="quiet">2 Mar</p>' +
        '<section><h2>H &#38; I</h2><p>One</p><p>Two</p><p>own</p><ul><li>x</li><li>y</li></ul>' +
        '<div class="on-light"><svg/></div><div class="on-dark"><svg id="n"/></div>' +
        '<div class="wide" tabindex="0" role="region" aria-label="Full"><table><caption>Full</caption>' +
        '<thead><tr><th scope="col">Source</th><th scope="col">h</th></tr></thead>' +
        '<tbody><tr><th scope="row">A</th><td>1</td><td>2</td></tr><tr><th scope="row"></th></tr></tbody></table></div></section>' +
        '<section></section>',
    )
    // Nothing is fetched and nothing runs, whatever stands in it.
    expect(html).toContain(`content="default-src 'none'; style-src 'unsafe-inline'; img-src data:"`)
  }) // prettier-ignore

  it('says numbers as they are said', () => {
    expect(spokenNumber('0.415')).toBe('zero point four one five')
    expect(spoken('1\u00A0h\u00A018\u00A0min ± 4\u00A0min')).toBe(
      'one hour eighteen minutes plus or minus four minutes',
    )
    expect(spoken('−2.5 °C, 77 % of 20.07 Wh, 1 W')).toBe(
      'minus two point five degrees Celsius, seventy seven percent of twenty point zero seven watt-hours, one watt',
    )
    // In own words a comma may part thousands; where the reader writes decimals with it, it parts them.
    expect(spoken('It took 12,5 W')).toContain('twelve,five watts')
    writeFigures({ comma: true, fahrenheit: true })
    expect(spoken('It took 12,5 W at 104 °F')).toBe(
      'It took twelve point five watts at one hundred four degrees Fahrenheit',
    )
    writeFigures({ comma: false, fahrenheit: false })
    expect(pageSpoken(page)).toContain('Hawser thirty took one hour eighteen minutes')
    expect(pageSpoken(page)).toContain('What follows was simulated.')
  })

  it('draws every path, and names each in a row of its own', () => {
    const svg = svgPicture(picture(['a', 'b', 'c', '']), options)
    expect(svg.match(/<polyline/g)).toHaveLength(4)
    const rows = [...svg.matchAll(/y="([\d.]+)"[^>]*>[^<]*quotes/g)].map((m) => Number(m[1]))
    expect(rows).toHaveLength(3)
    expect(new Set(rows).size).toBe(3)
    // The last to arrive stands on top.
    expect([...rows].sort((a, b) => b - a)).toEqual(rows)
  })

  it('calls points out beside their path, words where there is room and a dot in any case', () => {
    const called = picture(['1 h'])
    const calls = [{ x: 500, y: 51, at: '8 min', said: '19.5 W' }, { x: 2900, y: 10, at: 'x'.repeat(200), said: '' }]
    const svg = svgPicture({ ...called, paths: [{ ...called.paths[0], calls }] }, options)
    expect(svg.match(/<circle /g)).toHaveLength(2)
    expect(svg).toContain('>8 min, 19.5 W</text>')
    expect(svg).not.toContain('xxx')
  }) // prettier-ignore

  it('draws what was read where it belongs: level upward, the clock to the right, a moment every ten minutes', () => {
    // 52 px at the left, 16 at the right, 34 below, two rows of names above: the plot is 732 × 302 px.
    const svg = svgPicture(picture(['1 h', '2 h'], 'Hawser'), { ...options, inks: [{ colour: '#123456', dash: [6, 3] }, { colour: '#654321', dash: [] }] })
    expect(svg).toContain('viewBox="0 0 800 400"')
    const lines = [...svg.matchAll(/<polyline points="([^"]+)"[^>]*stroke="([^"]+)"([^>]*)>/g)].map(([, points, colour, more]) => [points, colour, more.includes('stroke-dasharray="6 3"')])
    expect(lines).toEqual([
      ['52,359.96 296,64', '#123456', true],
      ['52,359.96 320.4,64', '#654321', false],
    ])
    const texts = [...svg.matchAll(/<text x="([\d.]+)" y="([\d.]+)"[^>]*text-anchor="(\w+)"[^>]*>([^<]*)</g)].map(([, x, y, anchor, text]) => `${text} ${x} ${y} ${anchor}`)
    for (const label of ['0 44 370 end', '100 44 68 end', '20 44 309.6 end', '0 min 52 384 middle', '10 min 198.4 384 middle', '50 min 784 384 middle', '% 44 56 end', 'simulated 784 394 end'])
      expect(texts).toContain(label)
    // The first to arrive has the lower row, each to the left of where its path ended, since there is room for a name.
    const names = [...svg.matchAll(/<text paint-order[^>]*? x="([\d.]+)" y="([\d.]+)"[^>]*text-anchor="(\w+)"/g)].map(([, ...at]) => at)
    expect(names).toEqual([['290', '40', 'end'], ['314.4', '22', 'end']])
    expect(svgPicture(picture(['']), options)).not.toContain('paint-order')
  }) // prettier-ignore

  it('rules the clock at round steps, as close as there is room for words, eight at most', () => {
    const clock = (until: number, width = 1200) => {
      const svg = svgPicture({ ...picture(['']), until }, { ...options, width })
      return [...svg.matchAll(/<text[^>]*text-anchor="middle"[^>]*>([^<]*)</g)].map(([, text]) => text)
    }
    expect(clock(480)).toEqual(['0 min', '1 min', '2 min', '3 min', '4 min', '5 min', '6 min', '7 min', '8 min'])
    expect(clock(481)).toEqual(['0 min', '5 min'])
    expect(clock(7200)).toEqual(['0 min', '15 min', '30 min', '45 min', '1 h', '1 h 15', '1 h 30', '1 h 45', '2 h'])
    expect(clock(8 * 28_800)).toHaveLength(9)
    // Beyond the longest step, whole hours: four days by twelve.
    expect(clock(96 * 3600)).toEqual(['0 min', '12 h', '24 h', '36 h', '48 h', '60 h', '72 h', '84 h', '96 h'])
    // A narrow picture has fewer.
    expect(clock(7200, 300).length).toBeLessThan(6)
  }) // prettier-ignore

  it('draws small frames to one scale, as many across as can be read', () => {
    expect([panelsAcross(820, 5), panelsAcross(380, 5), panelsAcross(1280, 3), panelsAcross(100, 0)]).toEqual(
      [2, 1, 3, 1],
    )
    const { paths } = picture(['full'])
    const frame = (title: string) => ({ title, paths })
    const svg = svgPicture(
      {
        kind: 'panels',
        alt: 'frames',
        panels: [frame('Hawser <20>'), frame('Bollard 12'), frame('Gangway 65')],
        until: 7200,
        unit: '%',
        max: 100,
      },
      { ...options, width: 820, height: 520 },
    )
    expect(svg.match(/<polyline/g)).toHaveLength(3)
    expect(svg).toContain('Hawser &#60;20&#62;')
    expect(svg).toContain('translate(410 0)')
    expect(svg).toContain('translate(0 253)')
    // One clock: each ends at the same place in its frame.
    expect(new Set([...svg.matchAll(/points="([^"]*)"/g)].map((m) => m[1])).size).toBe(1)
  })

  it('draws a bar for each, and none where there is no figure', () => {
    // Names take 208 of 800 px and what is said 176: 416 px for the longest with its spread, 12.
    const bars = [bar('a', 10, 2), bar('b', 5, 0), bar('c', NaN, NaN, 'not reached')]
    expect(drawn(bars)).toEqual({
      bars: ['208 64.5 346.67 22', '208 187.5 173.33 22'],
      spreads: ['485.33 75.5 624 75.5'],
      texts: ['a 198 79.5 end', '10 634 79.5 start', 'b 198 202.5 end', '5 634 202.5 start', 'c 198 325.5 end', 'not reached 634 325.5 start'],
    })
    // In whatever order; and where nothing is known, nothing is drawn.
    expect(drawn([bars[2], bars[0]]).bars).toEqual(['208 279.75 346.67 22'])
    expect(drawn([bars[2]])).toMatchObject({ bars: [], spreads: [] })
    expect(drawn([])).toEqual({ bars: [], spreads: [], texts: [] })
  }) // prettier-ignore

  it('stands names above their bars where one is too long for its room, and cuts what no line holds in its middle', () => {
    // 26 letters of 7 px are no 95.
    const long = drawn([bar('Skerry P5 Mini · Hawser 20', 10, 0), bar('a', 5, 0)], { width: 380 })
    expect(long.texts.filter((t) => t.endsWith('start')).map((t) => t.split(' 4 ')[0])).toContain('Skerry P5 Mini · Hawser 20')
    const [first, second] = long.bars.map((b) => b.split(' ').map(Number))
    expect([first[0], second[0]]).toEqual([4, 4])
    const nameY = long.texts.flatMap((t) => (t.includes(' 4 ') ? [Number(t.split(' ').at(-2))] : []))
    expect(nameY).toHaveLength(2)
    // Each name between the bar above it and its own.
    expect(nameY[0]).toBeLessThan(first[1])
    expect(nameY[1]).toBeLessThan(second[1])
    expect(nameY[1] - 13).toBeGreaterThan(first[1] + first[3])
    const endless = drawn([bar(`${'x'.repeat(90)} the end`, 1, 0)], { width: 380 }).texts[0]
    expect(endless).toMatch(/^x{20,}…x* the end 4 /)
    expect(endless.split(' 4 ')[0].length * 13 * 0.55).toBeLessThanOrEqual(372)
  }) // prettier-ignore

  it('keeps the names of paths within the picture, however long they are', () => {
    const ends = (name: string, width: number) => {
      const svg = svgPicture({ ...picture(['1 h 18 min']), paths: [{ name, ink: 0, end: '1 h 18 min', points: [{ x: 0, y: 2 }, { x: 1500, y: 100 }] }] }, { ...options, mark: '', width })
      const [, x, anchor, text] = /<text paint-order[^>]*x="([^"]+)"[^>]*text-anchor="(\w+)"[^>]*>([^<]*)</.exec(svg)!
      const px = text.length * 13 * 0.61
      return { text, from: anchor === 'end' ? Number(x) - px : Number(x), to: anchor === 'end' ? Number(x) : Number(x) + px }
    }
    expect(ends('Hawser 20', 800)).toMatchObject({ text: 'Hawser 20  1 h 18 min' })
    for (const width of [380, 820])
      for (const letters of [10, 30, 60, 120]) {
        const { from, to, text } = ends('x'.repeat(letters), width)
        expect([from >= 0, to <= width, text.endsWith('  1 h 18 min')]).toEqual([true, true, true])
      }
  }) // prettier-ignore

  it('draws bars as thin as their rows, leaves room for words in a narrow picture, and none below nothing', () => {
    const many = Array.from({ length: 30 }, (_, i) => bar(`${i}`, i, 0))
    // 369 px for 30 rows.
    expect(drawn(many).bars[29]).toBe('208 373.16 416 7.38')
    // 105 px for names, 150 for what is said.
    expect(drawn([bar('a', 4, 0)], { width: 300 })).toMatchObject({ bars: ['105 187.5 45 22'] })
    expect(drawn([bar('a', -3, 0), bar('b', 6, NaN)])).toMatchObject({ bars: ['208 95.25 0 22', '208 279.75 416 22'], spreads: [] })
  }) // prettier-ignore
})
