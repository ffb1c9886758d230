import type { Page } from '../words/page'
import { tableText } from './tableText'

const plain = (text: string) => text.replace(/([\\`*_[\]<>#|])/g, '\\$1')

/** A page as Markdown: pictures are their tables and what they show. */
export const pageMarkdown = (page: Page): string =>
  [
    `# ${plain(page.title)}`,
    `${plain(page.day)}${page.simulated ? ' · simulated' : ''}`,
    ...page.blocks.flatMap((b) => [
      b.heading ? `## ${plain(b.heading)}` : '',
      ...b.paragraphs.map(plain),
      b.markdown ?? '',
      b.list.map((l) => `- ${plain(l)}`).join('\n'),
      b.picture ? `*${plain(b.picture.alt)}*` : '',
      b.table ? tableText([b.table.head, ...b.table.rows], 'markdown').trimEnd() : '',
    ]),
  ]
    .filter(Boolean)
    .join('\n\n') + '\n'
