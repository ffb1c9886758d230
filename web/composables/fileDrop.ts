import { ref } from 'vue'
import { useRouter } from 'vue-router'

const holdsFiles = (event: DragEvent) => event.dataTransfer?.types.includes('Files') === true

/** Files can be dropped on any screen: they are looked at on Files. */
export function useFileDrop() {
  const router = useRouter()
  /** Files are held over the page. */
  const dragging = ref(false)
  function over(event: DragEvent) {
    if (!holdsFiles(event)) return
    event.preventDefault()
    dragging.value = true
  }
  async function drop(event: DragEvent) {
    dragging.value = false
    if (!holdsFiles(event)) return
    event.preventDefault()
    const dropped = [...(event.dataTransfer?.files ?? [])]
    await router.push('/files')
    const { useFiles } = await import('../stores/files')
    await useFiles().openAll(dropped)
  }
  return { dragging, over, drop }
}
