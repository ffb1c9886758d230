<script setup lang="ts">
import { defineAsyncComponent, onMounted, ref } from 'vue'
import { ASSUMED_CELL_VOLTS, capacityOf } from '@core/gear/capacity'
import { asRead, figure } from '@core/words/figures'
import type { Cable, Device, Meter, Source } from '@core/gear/gear'
import ShelfTabs from './ShelfTabs.vue'
import EmptyPage from '../../components/EmptyPage.vue'
import InTurn from '../../components/InTurn.vue'
import { useRouter } from 'vue-router'
import { useBench } from '../../stores/bench'
import { useLogbook } from '../../stores/logbook'
import type { ShelfKind } from '../../stores/lookups'
import { useNotices } from '../../stores/notices'
import { useGuide } from '../../stores/guide'
import { useSettings } from '../../stores/settings'
import { useStrip } from '../../stores/strip'
import { useStartup } from '../../stores/startup'
import type { Editing } from './GearForm.vue'
import GearList, { type GearRow } from './GearList.vue'

// The forms are not in the first picture; they come once it stands, so that the first key finds them there.
const form = () => import('./GearForm.vue')
const GearForm = defineAsyncComponent(form)
onMounted(() => setTimeout(() => void form().catch(() => undefined), 300))

const settings = useSettings()
const router = useRouter()
const logbook = useLogbook()
const bench = useBench()
const strip = useStrip()
const notices = useNotices()
const startup = useStartup()
const editing = ref<Editing | null>(null)

function deviceRow(d: Device): GearRow {
  const { ratedWh, assumedVolts } = capacityOf(d)
  const asPrinted = d.capacityMah !== null ? `${asRead(d.capacityMah, 2, 'mAh')}, ` : ''
  return {
    id: d.id,
    name: d.name,
    label: d.unitLabel,
    facts: [
      d.kind,
      d.maxWatts === null ? '' : `takes ${asRead(d.maxWatts, 2, 'W')}`,
      d.wirelessWatts === null ? '' : `${asRead(d.wirelessWatts, 2, 'W')} without a wire`,
    ],
    figure: Number.isNaN(ratedWh) ? 'capacity unknown' : `${asPrinted}${figure(ratedWh, 1, 'Wh')}`,
    assumed:
      assumedVolts && d.capacityMah !== null
        ? `Worked out with ${asRead(ASSUMED_CELL_VOLTS, 2, 'V')} assumed for one lithium-ion cell`
        : '',
    second: d.healthPercent === 100 ? '' : `health ${asRead(d.healthPercent, 2, '%')}`,
  }
}
const sourceRow = (s: Source): GearRow => ({
  id: s.id,
  name: s.name,
  label: s.owned ? '' : 'not owned yet',
  facts: [
    s.kind,
    s.price === null
      ? ''
      : `costs ${[asRead(s.price, 2), settings.currency].filter((part) => part !== '').join(' ')}`,
    s.weightG === null ? '' : asRead(s.weightG, 2, 'g'),
  ],
  figure: asRead(s.ratedWatts, 2, 'W'),
  assumed: '',
  second: s.ports.length > 1 ? `${s.ports.length} ports` : '',
})
const cableRow = (c: Cable): GearRow => ({
  id: c.id,
  name: c.name,
  label: '',
  facts: [c.connectors, c.lengthM === null ? '' : asRead(c.lengthM, 2, 'm')],
  figure: asRead(c.maxAmps, 2, 'A'),
  assumed: '',
  second: c.marked ? 'marked' : 'no marker',
})
const meterRow = (m: Meter): GearRow => ({
  id: m.id,
  name: m.name,
  label: '',
  facts: [m.kind, m.place, m.intervalS === null ? 'read by eye' : `every ${asRead(m.intervalS, 3, 's')}`],
  figure: m.accuracyPercent === null ? 'accuracy unknown' : `± ${asRead(m.accuracyPercent, 3, '%')}`,
  assumed: '',
  second: m.accuracyDigits === null ? '' : `+ ${m.accuracyDigits} digits`,
})
const shelves: { kind: ShelfKind; title: string; add: string; rows: () => GearRow[] }[] = [
  { kind: 'devices', title: 'Devices', add: 'Add a device', rows: () => logbook.devices.map(deviceRow) },
  { kind: 'sources', title: 'Sources', add: 'Add a source', rows: () => logbook.sources.map(sourceRow) },
  { kind: 'cables', title: 'Cables', add: 'Add a cable', rows: () => logbook.cables.map(cableRow) },
  {
    kind: 'meters',
    title: 'Meters and thermometers',
    add: 'Add a meter',
    rows: () => logbook.meters.map(meterRow),
  },
]

function edit(kind: ShelfKind, id: string | null) {
  const item = id === null ? null : (logbook[kind] as { id: string }[]).find((i) => i.id === id)!
  editing.value = { kind, item } as Editing
}

/** The same once more under another name: what differs is put right in the form. */
function copy(kind: ShelfKind, id: string) {
  const { name, ...item } = (logbook[kind] as { id: string; name: string }[]).find((i) => i.id === id)!
  editing.value = {
    kind,
    item: { ...item, id: crypto.randomUUID(), name: `${name}, copy`, corrections: [] },
  } as unknown as Editing
}

async function remove(kind: ShelfKind, id: string) {
  const used = logbook.runsWith(kind, id).length
  const held =
    used > 0
      ? `${used} ${used === 1 ? 'run was' : 'runs were'} made with it. Delete those first.`
      : bench.uses(id) || strip.uses(id)
        ? 'a lane on the bench needs it. Stop that first.'
        : ''
  if (held) return notices.fail(`It stays: ${held}`)
  const name = (logbook[kind] as { id: string; name: string }[]).find((i) => i.id === id)!.name
  try {
    notices.say(`${name} was deleted.`, await logbook.remove(kind, id))
  } catch (error) {
    notices.fail(error)
  }
}
async function firstLook() {
  try {
    await useGuide().begin()
    await router.push('/bench')
  } catch (error) {
    notices.fail(error)
  }
}
const openDemo = () => startup.openDemo().catch(notices.fail)
</script>

<template>
  <div class="page">
    <h1>Shelf</h1>
    <p class="quiet">The devices under test, what charges them, the cables between, and what measures.</p>
    <ShelfTabs />
    <EmptyPage
      v-if="logbook.isEmpty"
      title="An empty shelf"
      text="Put the first device and two sources on it; then the bench can set them against each other."
    >
      <v-btn-main @click="edit('devices', null)">Add a device</v-btn-main>
      <v-btn-other @click="firstLook">See it work first: two simulated runs, a minute</v-btn-other>
      <v-btn-other @click="edit('sources', null)">Add a source</v-btn-other>
      <v-btn v-if="startup.demoAvailable" @click="openDemo">Look at the demo logbook</v-btn>
    </EmptyPage>
    <div v-else class="shelves">
      <InTurn v-for="(shelf, turn) in shelves" :key="shelf.kind" :turn="turn">
        <GearList
          :title="shelf.title"
          :add="shelf.add"
          :rows="shelf.rows()"
          @add="edit(shelf.kind, null)"
          @edit="edit(shelf.kind, $event)"
          @copy="copy(shelf.kind, $event)"
          @remove="remove(shelf.kind, $event)"
        />
      </InTurn>
      <aside class="quiet">
        Do not use a frayed cable, or a source of unknown make on a device you care about: the risk is yours.
        Prefer certified parts. An outlet in the wall is work for a licensed electrician under local code;
        this program only measures what comes out of it.
      </aside>
    </div>
    <GearForm v-if="editing" :editing="editing" @done="editing = null" />
  </div>
</template>

<style scoped>
.shelves {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 420px), 1fr));
  gap: 12px 48px;
  margin-top: 12px;
}
aside {
  font-size: 0.88rem;
  align-self: end;
  max-width: 60ch;
}
</style>
