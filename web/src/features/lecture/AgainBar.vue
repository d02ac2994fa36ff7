<script setup lang="ts">
import type { Again } from '@/api/client'
import { count } from '@/shared/time'

defineProps<{ again: Again; course: string | null }>()
defineEmits<{ look: []; term: []; close: [] }>()
</script>

<template>
  <div class="again" role="status">
    <span
      ><del>{{ again.phrase }}</del> → <b>{{ again.replacement }}</b></span
    >
    <button v-if="again.places + again.made" class="k-link" type="button" @click="$emit('look')">
      The same in {{ count(again.places + again.made, 'other place') }}?
    </button>
    <button v-if="course && !again.isTerm" class="k-link" type="button" @click="$emit('term')">
      Add “{{ again.replacement }}” to the terms of {{ course }}
    </button>
    <button class="k-quiet" type="button" @click="$emit('close')">Close</button>
  </div>
</template>

<style scoped>
.again {
  grid-area: again;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  align-items: baseline;
  padding: 8px 28px;
  background: var(--sheet);
  border-top: 1px solid var(--ink);
}
.again > :last-child {
  margin-left: auto;
}
del {
  color: var(--wrong);
}
</style>
