import { expect, it } from 'vitest'
import type { Page } from '../words/page'
import { pageMarkdown } from './pageMarkdown'
import { pageSpoken } from './pageSpoken'
import { problemInWords, ProblemList, quoted } from './problem'

const page = {
  title: 'To full, Hawser 20 leads',
  day: '2 Mar 2026',
  simulated: true,
  blocks: [
    { id: 'a', heading: 'The answer', paragraphs: ['Hawser 20 took 84 min.', 'Keep it.'], list: ['Coolest: Bollard 5.', 'Lightest: Hawser 20.'] },
    { id: 'b', heading: '', paragraphs: [], list: [], markdown: '## In *short*\n\n- first\n> said, word-for-word' },
    { id: 'c', heading: 'Curves', paragraphs: [], list: [], picture: { kind: 'paths', alt: 'Level against time' }, table: { caption: 'c', head: ['Set-up', 'Full'], rows: [['Hawser 20', '84 min']] } },
  ],
} as unknown as Page // prettier-ignore

it('writes a page as Markdown: headings, lists, own words as they are, tables, and what a picture shows', () => {
  const blocks = pageMarkdown(page).split('\n\n')
  expect(blocks.slice(0, 5)).toEqual([
    '# To full, Hawser 20 leads',
    '2 Mar 2026 · simulated',
    '## The answer',
    'Hawser 20 took 84 min.',
    'Keep it.',
  ])
  expect(blocks[5]).toBe('- Coolest: Bollard 5.\n- Lightest: Hawser 20.')
  expect(blocks.slice(6, 8)).toEqual(['## In *short*', '- first\n> said, word-for-word'])
  expect(blocks.slice(8, 10)).toEqual(['## Curves', '*Level against time*'])
  const [head, rule, row] = blocks[10].split('\n')
  expect(head).toMatch(/^\|\s*Set-up\s*\|\s*Full\s*\|$/)
  expect(rule).toMatch(/^\|[-: ]+\|[-: ]+\|$/)
  expect(row).toMatch(/^\|\s*Hawser 20\s*\|\s*84 min\s*\|$/)
  expect(blocks).toHaveLength(11)
  expect(pageMarkdown({ ...page, simulated: false, blocks: [] })).toBe(
    '# To full, Hawser 20 leads\n\n2 Mar 2026\n',
  )
})

it('reads a page out: sentences and lists, own words without their marks, no table', () => {
  expect(pageSpoken(page).trimEnd().split('\n\n')).toEqual([
    'To full, Hawser twenty leads',
    'What follows was simulated.',
    'Hawser twenty took eighty four minutes.',
    'Keep it.',
    'Coolest: Bollard five.',
    'Lightest: Hawser twenty.',
    'In short',
    'first',
    'said, word-for-word',
  ])
  expect(pageSpoken({ ...page, simulated: false, blocks: [] })).toBe('To full, Hawser twenty leads\n')
})

it('names the place of a fault, quotes briefly, and counts more faults than it keeps', () => {
  const fault = { line: 12, where: 'voltage_v', message: 'is no number.' }
  expect(problemInWords(fault)).toBe('line 12, voltage_v: is no number.')
  expect(problemInWords({ ...fault, where: '' })).toBe('line 12: is no number.')
  expect(problemInWords({ ...fault, line: null })).toBe('voltage_v: is no number.')
  expect(problemInWords({ line: null, where: '', message: 'It is empty.' })).toBe('It is empty.')
  expect(quoted('a'.repeat(40))).toBe(`"${'a'.repeat(40)}"`)
  expect(quoted('a'.repeat(41))).toBe(`"${'a'.repeat(40)}…"`)
  const list = new ProblemList()
  for (let i = 0; i < 1001; i++) list.add(i, 'v', 'wrong')
  expect([list.count, list.kept.length, list.kept[0]]).toEqual([
    1001,
    1000,
    { line: 0, where: 'v', message: 'wrong' },
  ])
})
