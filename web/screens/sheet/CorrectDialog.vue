<script setup lang="ts">
import { toTypedSchema } from '@vee-validate/yup'
import { useForm } from 'vee-validate'
import { clock } from '@core/words/figures'
import type { Run } from '@core/logbook/run'
import { correctionSchema } from '@core/protocol/entry'
import { BOUNDS } from '@core/trace/bounds'
import type { Channel, Trace } from '@core/trace/trace'
import FormText from '../../forms/FormText.vue'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'

const props = defineProps<{ run: Run; trace: Trace; row: number; what: Channel; title: string }>()
const emit = defineEmits<{ done: [] }>()
const logbook = useLogbook()
const notices = useNotices()

const before = props.trace[props.what]?.[props.row] ?? NaN
const { handleSubmit } = useForm({
  validationSchema: toTypedSchema(correctionSchema('The value', BOUNDS[props.what], '')),
  initialValues: { value: (Number.isNaN(before) ? '' : String(before)) as unknown as number, why: '' },
})
const save = handleSubmit(async ({ value, why }) => {
  try {
    await logbook.correct(props.run.id, props.row, props.what, value ?? null, why)
    emit('done')
  } catch (error) {
    notices.fail(error)
  }
})
</script>

<template>
  <v-dialog :model-value="true" max-width="460" @update:model-value="emit('done')">
    <v-card>
      <form novalidate @submit.prevent="save">
        <v-card-title tag="h2">Correct a reading</v-card-title>
        <v-card-text>
          <p>{{ title }} at {{ clock(trace.time[row]) }}</p>
          <FormText name="value" label="Right value" hint="Empty means not read" numeric autofocus />
          <FormText name="why" label="Why" />
        </v-card-text>
        <v-card-actions>
          <v-spacer />
          <v-btn @click="emit('done')">Leave as it was</v-btn>
          <v-btn type="submit" variant="flat" color="primary">Correct it</v-btn>
        </v-card-actions>
      </form>
    </v-card>
  </v-dialog>
</template>
