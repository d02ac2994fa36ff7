<script setup lang="ts">
import type { Mark } from '@/api/client'
import { isOpen, markKinds, markTitle } from '@/page/marks'

const props = defineProps<{ marks: readonly Mark[]; durationMs: number }>()
const share = (ms: number) => `${(Math.min(ms, props.durationMs) / props.durationMs) * 100}%`
</script>

<template>
  <div class="marks">
    <template v-for="m in marks" :key="m.id">
      <i :class="{ open: isOpen(m) }" :style="{ left: share(m.startMs), width: share(m.endMs - m.startMs) }" />
      <span :class="{ open: isOpen(m) }" :style="{ left: share(m.startMs) }" :title="m.text || markTitle(m)">{{
        markKinds[m.kind].sign
      }}</span>
    </template>
  </div>
</template>

<style scoped>
.marks {
  position: relative;
  height: 20px;
  border-top: 1px solid var(--hair);
  margin-top: 3px;
}
i {
  position: absolute;
  top: 4px;
  height: 12px;
  background: var(--buff);
}
i.open {
  background: none;
  border-bottom: 2px dotted var(--wrong);
}
span {
  position: absolute;
  top: 0;
  transform: translateX(-50%);
  font-size: 12px;
  line-height: 20px;
  color: var(--sea);
}
span.open {
  color: var(--wrong);
  font-weight: 700;
}
</style>
