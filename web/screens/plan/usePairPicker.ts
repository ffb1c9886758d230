import { computed, ref } from 'vue'
import { withDoubt } from '@core/words/sentences/sentence'
import { asWritten, duration, figure } from '@core/words/figures'
import { agreeAlong, chainTo } from '@core/gear/chain'
import { pairKey, type Campaign } from '@core/plan/campaign'
import { expectedTime } from '@core/plan/durations'
import { withAll, withRepeats } from '@core/plan/pairs'
import { useCurves } from '../../stores/curves'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'
import { usePlan } from '../../stores/plan'

const BASIS_MARKS = { run: 'forecast', generic: 'generic', fixed: 'set', watched: 'watched' }

/** The grid of pairs of a campaign, one layer for each cable. */
export function usePairPicker(campaign: () => Campaign) {
  const logbook = useLogbook()
  const plan = usePlan()
  const curves = useCurves()
  const notices = useNotices()
  const cableId = ref<string | null>(campaign().pairs[0]?.cableId ?? null)
  const usual = ref(Math.max(1, campaign().pairs[0]?.repeats ?? 2))
  void curves.all().catch(notices.fail)

  const cells = computed(() => {
    const repeats = new Map(campaign().pairs.map((p) => [pairKey(p), p.repeats]))
    const cable = logbook.cable(cableId.value) ?? null
    return logbook.sources.map((source) => ({
      source,
      cells: logbook.devices.map((device) => {
        const chain = chainTo(source, logbook.sources)
        const pair = { deviceId: device.id, sourceId: source.id, cableId: cableId.value }
        const { watts, why, outcome } = agreeAlong(device, chain, cable)
        const { protocol, means } = campaign()
        const time = expectedTime(device, chain, cable, protocol, means, curves.known[device.id] ?? null)
        const flows = outcome === 'charges' || outcome === 'slow'
        return {
          device,
          pair,
          repeats: repeats.get(pairKey(pair)) ?? 0,
          expect: `${flows ? figure(watts, 0, 'W') : 'no charge'}, ${duration(time.chargeS)}`,
          basis: BASIS_MARKS[time.basis],
          why: `${asWritten(why)} Expected: ${withDoubt(time.chargeS, time.uncertaintyS)}, ${time.why}.`,
        }
      }),
    }))
  })
  const elsewhere = computed(() => campaign().pairs.filter((p) => p.cableId !== cableId.value).length)

  const set = (how: (now: Campaign['pairs']) => Campaign['pairs']) =>
    plan.setPairs(campaign(), how).catch(notices.fail)
  const setOne = (pair: { deviceId: string; sourceId: string; cableId: string | null }, repeats: number) =>
    set((now) => withRepeats(now, pair, Math.min(20, Math.max(0, Math.round(repeats) || 0))))
  const setMany = (devices: string[], sources: string[], on: boolean) =>
    set((now) => withAll(now, devices, sources, cableId.value, on ? usual.value : 0))
  /** Gives every pair that is in the wanted number of repeats. */
  const setRepeatsOfAll = () => set((now) => now.map((p) => ({ ...p, repeats: usual.value })))

  return { cableId, usual, cells, elsewhere, setOne, setMany, setRepeatsOfAll }
}
