import { useTemplateRef } from 'vue'
import type { FormInstance } from 'element-plus'

/** Whether all of the form `sheet` is there, before it is sent; the first gap takes the keyboard. */
export function useWhole() {
  const sheet = useTemplateRef<FormInstance>('sheet')
  return async function whole(): Promise<boolean> {
    const fine = (await sheet.value?.validate().catch(() => false)) ?? false
    const form = sheet.value?.$el as HTMLElement | undefined
    if (!fine) form?.querySelector<HTMLElement>('.is-error input')?.focus()
    return fine
  }
}
