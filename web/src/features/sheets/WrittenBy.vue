<script setup lang="ts">
import type { Sheet } from '@/api/client'
import { whyOf } from '@/features/writing/doubts'
import { count, moment } from '@/shared/time'

/** Which model wrote a sheet, and what of it was left out as the lecture does not bear it out. */
defineProps<{ writing: NonNullable<Sheet['writing']> }>()
</script>

<template>
  <p class="k-soft by">
    Written by {{ writing.model }} at {{ writing.host
    }}<template v-if="writing.instructions">, by “{{ writing.instructions }}”</template>,
    {{ moment(writing.writtenAt) }}. Each line is borne out where it plays.
  </p>
  <details v-if="writing.leftOut.length">
    <summary>{{ count(writing.leftOut.length, 'line') }} left out</summary>
    <p v-for="(l, i) in writing.leftOut" :key="i">
      {{ l.text }}
      <small class="k-soft">{{ whyOf(l.doubts) || 'not in the form that was asked for' }}</small>
    </p>
  </details>
</template>

<style scoped>
.by {
  font-size: 14px;
}
details {
  margin: 6px 0 10px;
  padding-left: 10px;
  border-left: 3px solid var(--wrong);
  font-size: 14px;
}
summary {
  cursor: pointer;
}
small {
  display: block;
}
</style>
