import { ref } from 'vue'

/** Files that were dropped anywhere in the program, until Bring in takes them. */
export const dropped = ref<File[]>([])

/** Whether what is dragged are files. Pictures belong to the lecture that is open. */
export const carriesFiles = (event: DragEvent) => [...(event.dataTransfer?.types ?? [])].includes('Files')
