<script setup lang="ts">
import { ref } from 'vue'

/** Files are dropped or chosen here. */
defineProps<{ languages: string }>()
const emit = defineEmits<{ files: [files: File[]] }>()
const isOver = ref(false)
const picker = ref<HTMLInputElement>()

function take(files: FileList | null | undefined) {
  isOver.value = false
  emit('files', [...(files ?? [])])
  if (picker.value) picker.value.value = ''
}
</script>

<template>
  <div
    class="drop"
    :class="{ over: isOver }"
    @dragover.prevent="isOver = true"
    @dragleave="isOver = false"
    @drop.prevent.stop="take($event.dataTransfer?.files)"
  >
    <p class="big">Drop recordings, videos or texts here</p>
    <p>or <button class="k-link" type="button" @click="picker?.click()">choose files</button></p>
    <p class="k-soft small">
      mp3, m4a, wav, ogg, opus, flac, amr, mp4, webm, mkv, mov, avi, 3gp and more, up to 20 GB each · captions and
      texts: srt, vtt, tsv, Kostel JSON, txt, md · spoken
      <router-link :to="{ name: 'languages' }">{{ languages }}</router-link> · nothing leaves this computer unless you
      say so
    </p>
    <input
      ref="picker"
      class="picker"
      type="file"
      multiple
      accept="audio/*,video/*,.mkv,.opus,.m4a,.amr,.3gp,.avi,.srt,.vtt,.tsv,.json,.txt,.md"
      aria-label="Choose files"
      @change="take(picker?.files)"
    />
  </div>
</template>

<style scoped>
.drop {
  margin-top: 20px;
  border: 1.5px dashed var(--faint);
  background: var(--sheet);
  padding: 36px 24px;
  text-align: center;
}
.drop.over {
  border-color: var(--act);
  background: var(--seawash);
}
.big {
  font: 600 19px var(--serif);
}
.small {
  font-size: 14px;
  margin-top: 14px;
}
.picker {
  position: absolute;
  width: 1px;
  height: 1px;
  opacity: 0;
}
</style>
