<script setup lang="ts">
import { computed } from 'vue'

/** The lecture's own words, with what answers in them set off. */
const props = defineProps<{ quote: string; part?: { from: number; to: number } | undefined }>()
const pieces = computed(() => {
  const { quote, part } = props
  const isPart = part && part.from < part.to && part.to <= quote.length && part.to - part.from < quote.length
  return isPart ? [quote.slice(0, part.from), quote.slice(part.from, part.to), quote.slice(part.to)] : [quote, '', '']
})
</script>

<template>
  <span class="said"
    >{{ pieces[0] }}<b v-if="pieces[1]">{{ pieces[1] }}</b
    >{{ pieces[2] }}</span
  >
</template>

<style scoped>
.said {
  font: 400 16px/1.5 var(--serif);
  overflow-wrap: anywhere;
}
b {
  font-weight: 650;
  box-shadow: 0 2px 0 var(--buff);
}
</style>
