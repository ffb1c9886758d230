import DOMPurify from 'dompurify'
import { marked } from 'marked'

/** What own words may hold: text in all its forms, and links; no picture that would be fetched, nothing that runs. */
const ALLOWED = ['p', 'em', 'strong', 'del', 'ul', 'ol', 'li', 'h2', 'h3', 'h4', 'blockquote', 'code', 'pre', 'br', 'hr', 'table', 'thead', 'tbody', 'tr', 'th', 'td', 'a'] // prettier-ignore

/** Markdown as clean HTML. Headings begin below the page's own. */
export function markdownHtml(words: string): string {
  const html = marked.parse(words, { async: false, gfm: true })
  const lower = html.replace(/<(\/?)h1/g, '<$1h2').replace(/<(\/?)h[56]/g, '<$1h4')
  return DOMPurify.sanitize(lower, {
    ALLOWED_TAGS: ALLOWED,
    ALLOWED_ATTR: ['href'],
    ALLOWED_URI_REGEXP: /^(?:https?:|mailto:)/i,
  })
}
