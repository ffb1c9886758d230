import type { Ref } from 'vue'
import { useRoute } from 'vue-router'
import type { Licence } from '@core/formats/licences'
import { pageHtml } from '@core/formats/pageHtml'
import { pageMarkdown } from '@core/formats/pageMarkdown'
import type { WriteUp } from '@core/logbook/writeUp'
import type { Page } from '@core/words/page'
import { download, fileName } from '../../composables/download'
import { useLogbook } from '../../stores/logbook'
import { pictureSvg } from './pictures'
import { idsInWord } from '../../composables/places'

export interface UseTakeOutReturn {
  takeHtml: () => void
  takeMarkdown: () => void
  takeScript: () => Promise<void>
  takeData: (license: Licence | null, withPrivate: boolean) => Promise<void>
}

/** A write-up as files for others. */
export function useTakeOut(
  record: Readonly<Ref<WriteUp | undefined>>,
  page: Readonly<Ref<Page>>,
  figures: Readonly<Ref<string[]>>,
): UseTakeOutReturn {
  const route = useRoute()
  const logbook = useLogbook()

  const pictures = () =>
    Object.fromEntries(
      page.value.blocks.flatMap((b) =>
        b.picture
          ? [
              [
                b.id,
                {
                  light: pictureSvg(b.picture, 'light', page.value.simulated),
                  dark: pictureSvg(b.picture, 'dark', page.value.simulated),
                },
              ],
            ]
          : [],
      ),
    )
  const takeHtml = () =>
    download(fileName(page.value.title, 'html'), pageHtml(page.value, pictures()), 'text/html')
  const takeMarkdown = () =>
    download(fileName(page.value.title, 'md'), pageMarkdown(page.value), 'text/markdown')
  async function takeScript() {
    const { pageSpoken } = await import('@core/formats/pageSpoken')
    download(fileName(`${page.value.title} script`, 'txt'), pageSpoken(page.value), 'text/plain')
  }
  /** The data behind it, for others to check: what it shows now is noted, so that another browser can say it shows the same. */
  async function takeData(license: Licence | null, withPrivate: boolean) {
    const of = record.value
    if (!of) return
    await logbook.changeWriteUp(of.id, () => ({ published: figures.value.join('\n') }))
    const { packageOf } = await import('./packageOf')
    const bytes = await packageOf(await logbook.readWhole(), {
      title: page.value.title,
      writeUpId: of.id,
      runIds: new Set(idsInWord(String(route.query.runs ?? ''))),
      withoutPrivate: !withPrivate,
      method: page.value.blocks.find((b) => b.heading === 'How it was done')?.list ?? [],
      license,
    })
    download(fileName(`${page.value.title} data`, 'zip'), bytes as BlobPart, 'application/zip')
  }
  return { takeHtml, takeMarkdown, takeScript, takeData }
}
