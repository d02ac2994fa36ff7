<script setup lang="ts">
import { computed } from 'vue'
import { advice, reach, type Verdict } from '@/shared/level'
import type { Level } from '@/shared/microphone'

/** How loud it is, with a plain word on what to do. */
const props = defineProps<{ level: Level; verdict: Verdict }>()
const width = computed(() => `${Math.round(100 * reach(props.level.peak))}%`)
</script>

<template>
  <div class="level">
    <div class="scale" aria-hidden="true">
      <div class="now" :class="{ wrong: verdict !== 'good' }" :style="{ width }" />
      <div class="mark quiet" />
      <div class="mark loud" />
    </div>
    <p role="status" :class="{ wrong: verdict !== 'good' }">
      {{ verdict === 'good' ? '' : '△ ' }}{{ advice[verdict] }}
    </p>
  </div>
</template>

<style scoped>
.scale {
  position: relative;
  height: 12px;
  border: 1px solid var(--ink);
  background: var(--sheet);
}
.now {
  height: 100%;
  background: var(--sea);
  transition: width 80ms linear;
}
.now.wrong {
  background: var(--wrong);
}
/* Between these it is right. */
.mark {
  position: absolute;
  top: -4px;
  bottom: -4px;
  border-left: 1px solid var(--ink);
}
.quiet {
  left: 53%;
}
.loud {
  left: 98%;
}
p {
  margin-top: 4px;
  font-size: 14px;
  min-height: 21px;
  color: var(--soft);
}
p.wrong {
  color: var(--wrong);
}
</style>
