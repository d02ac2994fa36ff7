<script setup lang="ts">
import { computed } from 'vue'
import { sentenceAround } from './sentenceAround'

/**
 * The lecture's own words, with what answers in them set off. Where nothing says it outright, the sentence that
 * may is only darker than those beside it.
 */
const props = withDefaults(
  defineProps<{ quote: string; part?: { from: number; to: number } | undefined; isFirm?: boolean }>(),
  { part: undefined, isFirm: true },
)
const pieces = computed(() => {
  const { quote } = props
  const part = props.part && !props.isFirm ? sentenceAround(quote, props.part) : props.part
  const isPart = part && part.from < part.to && part.to <= quote.length && part.to - part.from < quote.length
  return isPart ? [quote.slice(0, part.from), quote.slice(part.from, part.to), quote.slice(part.to)] : [quote, '', '']
})
</script>

<template>
  <span class="said" :class="{ maybe: !isFirm && pieces[1] }"
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
.maybe {
  color: var(--soft);
}
.maybe b {
  font-weight: 400;
  color: var(--ink);
  box-shadow: none;
}
</style>
