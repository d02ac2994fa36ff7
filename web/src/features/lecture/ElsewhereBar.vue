<script setup lang="ts">
import type { Elsewhere } from '@/api/client'
import { count } from '@/shared/time'

defineProps<{ elsewhere: Elsewhere; course: string | null }>()
defineEmits<{ look: []; term: []; close: [] }>()
</script>

<template>
  <div class="elsewhere" role="status">
    <span
      ><del>{{ elsewhere.phrase }}</del> → <b>{{ elsewhere.replacement }}</b></span
    >
    <button v-if="elsewhere.places + elsewhere.made" class="k-link" type="button" @click="$emit('look')">
      The same in {{ count(elsewhere.places + elsewhere.made, 'other place') }}?
    </button>
    <button v-if="course && !elsewhere.isTerm" class="k-link" type="button" @click="$emit('term')">
      Add “{{ elsewhere.replacement }}” to the terms of {{ course }}
    </button>
    <button class="k-quiet" type="button" @click="$emit('close')">Close</button>
  </div>
</template>

<style scoped>
.elsewhere {
  grid-area: elsewhere;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  align-items: baseline;
  padding: 8px 28px;
  background: var(--sheet);
  border-top: 1px solid var(--ink);
}
.elsewhere > :last-child {
  margin-left: auto;
}
del {
  color: var(--wrong);
}
</style>
