<script setup lang="ts">
import { object, string } from 'yup'
import type { Finding } from '@core/analysis/findings/findings'
import { answerTo } from '@core/logbook/answers'
import type { Run } from '@core/logbook/run'
import { asWritten } from '@core/words/figures'
import FormDialog from '../../forms/FormDialog.vue'
import FormText from '../../forms/FormText.vue'
import { useYupForm } from '../../forms/useYupForm'
import { useCorrections } from '../../stores/corrections'

/** What the reviewer knows of a finding; the finding stays. */
const props = defineProps<{ run: Run; finding: Finding }>()
const emit = defineEmits<{ done: [] }>()
const corrections = useCorrections()
const { submit, failure, busy } = useYupForm({
  schema: () => object({ text: string().defined().trim().max(400, 'Keep it under 400 characters.') }),
  initial: { text: answerTo(props.run, props.finding)?.text ?? '' },
})
const save = submit(async ({ text }: { text: string }) => {
  await corrections.answer(props.run.id, props.finding, text)
  emit('done')
})
</script>

<template>
  <FormDialog
    title="What is known of it"
    leave="Leave it"
    main="Keep the answer"
    :busy="busy"
    :failure="failure"
    @submit="save()"
    @update:model-value="emit('done')"
  >
    <p>{{ asWritten(finding.message) }}</p>
    <FormText
      name="text"
      label="Answer"
      hint="Like: screen was off. Empty takes the answer back."
      autofocus
    />
  </FormDialog>
</template>
