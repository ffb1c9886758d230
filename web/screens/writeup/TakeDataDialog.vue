<script setup lang="ts">
import { ref } from 'vue'
import { LICENCES, type Licence } from '@core/formats/licences'
import FormDialog from '../../forms/FormDialog.vue'
import FormPick from '../../forms/FormPick.vue'

/** What goes with the data behind a write-up, and under which terms. */
const emit = defineEmits<{ done: [] }>()
const props = defineProps<{ take: (license: Licence | null, withPrivate: boolean) => Promise<void> }>()

const chosen = ref<string | null>(null)
const withPrivate = ref(false)
const [busy, failure] = [ref(false), ref('')]
const choices = [
  { value: null, title: 'none: nobody may use it without asking' },
  ...LICENCES.map((l) => ({ value: l.name, title: `${l.title} (${l.name})` })),
]
async function save() {
  busy.value = true
  failure.value = ''
  try {
    await props.take(LICENCES.find((l) => l.name === chosen.value) ?? null, withPrivate.value)
    emit('done')
  } catch (error) {
    failure.value = (error as Error).message
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <FormDialog
    title="Take the data"
    leave="Leave it"
    main="Take them (zip)"
    :busy="busy"
    :failure="failure"
    @submit="save"
    @update:model-value="emit('done')"
  >
    <p class="quiet">
      The runs of this write-up with their gear, as tables that others can check and as a logbook that this
      program reads back.
    </p>
    <FormPick v-model="chosen" label="Others may use them under" :items="choices" />
    <v-checkbox v-model="withPrivate" density="compact" label="With notes and prices" />
  </FormDialog>
</template>
