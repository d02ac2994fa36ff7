<script setup lang="ts">
import { computed } from 'vue'

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
  const part = props.part && !props.isFirm ? sentenceOf(quote, props.part) : props.part
  const isPart = part && part.from < part.to && part.to <= quote.length && part.to - part.from < quote.length
  return isPart ? [quote.slice(0, part.from), quote.slice(part.from, part.to), quote.slice(part.to)] : [quote, '', '']
})

/** A part, widened to the whole sentence in which it stands. */
function sentenceOf(quote: string, part: { from: number; to: number }) {
  const before = [...quote.slice(0, part.from).matchAll(/[.!?…]\s+/g)].at(-1)
  const behind = /[.!?…](?=\s|$)/.exec(quote.slice(Math.max(part.from, part.to - 1)))
  return {
    from: before ? before.index + before[0].length : 0,
    to: behind ? Math.max(part.from, part.to - 1) + behind.index + 1 : quote.length,
  }
}
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
