import type { Page, PageBlock, PageTable } from '../words/page'
import { escaped } from './svgPicture'

/** A page's pictures by block id, each as SVG for light and for dark paper. */
export type Pictures = Readonly<Record<string, { light: string; dark: string }>>

const STYLE = `:root{color-scheme:light dark;--paper:#fbf7ef;--ink:#263040;--quiet:#5d6675;--line:#d9d3c5;--accent:#a8321b}
@media(prefers-color-scheme:dark){:root{--paper:#12181f;--ink:#ece6d8;--quiet:#a7afba;--line:#35404c;--accent:#f2a08c}.on-light{display:none}}
@media(prefers-color-scheme:light),print{.on-dark{display:none}}
@media print{:root{--paper:#fff;--ink:#000;--quiet:#444;--line:#bbb}.on-light{display:block}section{break-inside:avoid}svg>rect:first-of-type{fill:#fff}}
body{margin:0;background:var(--paper);color:var(--ink);font:17px/1.5 system-ui,sans-serif;overflow-wrap:break-word}
main{max-width:860px;margin:0 auto;padding:32px 20px 64px}
h1{font-size:1.7rem;line-height:1.2}h2{font-size:1.15rem;margin:2em 0 .4em}
table{border-collapse:collapse;width:100%;font-size:.9rem}caption{text-align:left;color:var(--quiet)}
th,td{border-bottom:1px solid var(--line);padding:5px 10px 5px 0;text-align:left;vertical-align:baseline}
td{font-variant-numeric:tabular-nums}.wide,.on-light,.on-dark{overflow-x:auto}svg{width:100%;min-width:620px;height:auto}
.quiet{color:var(--quiet)}.mark{border:1px dashed;padding:0 6px;border-radius:3px}`

const tableHtml = ({ caption, head, rows }: PageTable): string =>
  `<div class="wide" tabindex="0" role="region" aria-label="${escaped(caption)}"><table><caption>${escaped(caption)}</caption><thead><tr>${head.map((h) => `<th scope="col">${escaped(h)}</th>`).join('')}</tr></thead><tbody>${rows
    .map(
      ([first = '', ...rest]) =>
        `<tr><th scope="row">${escaped(first)}</th>${rest.map((c) => `<td>${escaped(c)}</td>`).join('')}</tr>`,
    )
    .join('')}</tbody></table></div>`

function blockHtml(b: PageBlock, pictures: Pictures): string {
  const picture = pictures[b.id]
  const parts = [
    b.heading ? `<h2>${escaped(b.heading)}</h2>` : '',
    ...b.paragraphs.map((p) => `<p>${escaped(p)}</p>`),
    b.html ?? '',
    b.list.length ? `<ul>${b.list.map((l) => `<li>${escaped(l)}</li>`).join('')}</ul>` : '',
    picture ? `<div class="on-light">${picture.light}</div><div class="on-dark">${picture.dark}</div>` : '',
    b.table ? tableHtml(b.table) : '',
  ]
  return `<section>${parts.join('')}</section>`
}

/**
 * A page as one HTML file: nothing is fetched, no script runs, light and dark by the reader's own paper, every picture
 * with its table. Own words come cleaned; everything else is escaped here.
 */
export const pageHtml = (page: Page, pictures: Pictures): string =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1"><meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'; img-src data:"><title>${escaped(page.title)}</title><style>${STYLE}</style></head><body><main><h1>${escaped(page.title)}</h1><p class="quiet">${escaped(page.day)}${page.simulated ? ' <span class="mark">simulated</span>' : ''}</p>${page.blocks.map((b) => blockHtml(b, pictures)).join('')}</main></body></html>`
