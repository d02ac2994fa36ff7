<script setup lang="ts">
import { ref } from 'vue'
import { afterScreen } from './idle'
import { onKey } from './keys'

const KeyDialog = afterScreen(() => import('./KeyDialog.vue'))
const isOpen = ref(false)
onKey('?', () => (isOpen.value = true))
</script>

<template>
  <button class="k-quiet hide-narrow" type="button" aria-label="Keys" @click="isOpen = true">
    <kbd class="k-key">?</kbd>
  </button>
  <KeyDialog v-model="isOpen" />
</template>

<style scoped>
@media (max-width: 620px) {
  .hide-narrow {
    display: none;
  }
}
</style>
