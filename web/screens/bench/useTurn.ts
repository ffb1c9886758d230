import { nextTurn, turnedTo } from '@core/bench/turn'
import { duration } from '@core/words/figures'
import { useBench } from '../../stores/bench'
import type { Lane } from '../../stores/lane'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'

/** "It just turned …": a change of the display that was watched, stamped at the very moment of the key. */
export function useTurn() {
  const bench = useBench()
  const logbook = useLogbook()
  const notices = useNotices()

  /** The level expected next on a lane; null where none is. Read anew as readings come. */
  const expected = (lane: Lane): number | null => {
    void lane.count
    return lane.setup.feed.kind === 'simulated' ? null : nextTurn(lane.state.levels.last?.percent)
  }

  async function turn(lane: Lane, percent: number): Promise<void> {
    const { noted, stored } = await bench.note(lane, turnedTo(percent))
    const said = `${logbook.nameOf(lane.setup)}: turned ${percent} % at ${duration(noted.t)}`
    const undo = async () => {
      // Only the last reading can be taken back: another may have come meanwhile.
      if (lane.state.lastT !== noted.t) throw new Error('Another reading came since: it stays.')
      await bench.takeBack(lane)
    }
    if (stored) notices.say(`${said}.`, undo)
    else notices.say(`${said}: in memory only, the browser refused to store it.`)
  }
  return { expected, turn }
}
