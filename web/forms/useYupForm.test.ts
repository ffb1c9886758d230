import { number, object, string } from 'yup'
import { createSSRApp, h } from 'vue'
import { renderToString } from 'vue/server-renderer'
import { describe, expect, it, vi } from 'vitest'
import { useYupForm } from './useYupForm'

const schema = object({ minutes: number().typeError('Minutes must be a number.').required(), what: string() })

/** A form as a component holds it. */
async function opened(keep: (kept: object) => unknown) {
  let made!: {
    form: ReturnType<typeof useYupForm>['form']
    press: () => Promise<unknown>
    failure: { value: string }
  }
  await renderToString(
    createSSRApp({
      setup() {
        const { form, submit, failure } = useYupForm({
          schema: () => schema,
          initial: { minutes: '', what: '' },
          long: true,
        })
        made = { form: form as never, press: submit(keep) as never, failure }
        return () => h('form')
      },
    }),
  )
  return made
}

describe('a form', () => {
  it('keeps what stood in it as it was pressed, and not what is typed while that is checked', async () => {
    const keep = vi.fn()
    const { form, press } = await opened(keep)
    form.setValues({ minutes: '9', what: 'plotter' })
    const pressed = press()
    form.setValues({ minutes: '95', what: '' })
    await pressed
    expect(keep).toHaveBeenCalledExactlyOnceWith({ minutes: 9, what: 'plotter' }, undefined)
  })

  it('keeps nothing of a press on a fault that is put right while it is checked', async () => {
    const keep = vi.fn()
    const { form, press, failure } = await opened(keep)
    form.setValues({ minutes: 'soon', what: 'plot' })
    const pressed = press()
    form.setValues({ minutes: '9', what: 'plot' })
    await pressed
    expect(keep).not.toHaveBeenCalled()
    expect(failure.value).toBe('Minutes must be a number.')
  })
})
