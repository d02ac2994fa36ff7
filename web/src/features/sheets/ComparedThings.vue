<script setup lang="ts">
import { ref } from 'vue'
import { api, must } from '@/api/client'
import { useLoaded } from '@/shared/useLoaded'

/** Which two things a sheet is to compare: those that ask for it, or any that the person names. */
const props = defineProps<{ lectureId: string; isMaking: boolean }>()
const emit = defineEmits<{ make: [[string, string]] }>()
const params = { path: { id: props.lectureId } }
const { value: pairs } = useLoaded(() => must(api.GET('/api/lectures/{id}/sheets/pairs', { params })))
const one = ref('')
const other = ref('')
const make = () => one.value.trim() && other.value.trim() && emit('make', [one.value.trim(), other.value.trim()])
</script>

<template>
  <form class="compared" @submit.prevent="make">
    <p v-if="pairs?.length" class="pairs">
      <button
        v-for="p in pairs"
        :key="p.one + p.other"
        class="k-link"
        type="button"
        :disabled="isMaking"
        @click="emit('make', [p.one, p.other])"
      >
        {{ p.one }} and {{ p.other }}
      </button>
    </p>
    <p class="names">
      <input v-model="one" maxlength="100" aria-label="One thing" placeholder="One thing" />
      <input v-model="other" maxlength="100" aria-label="The other" placeholder="The other" />
      <button class="k-link" type="submit" :disabled="isMaking || !one.trim() || !other.trim()">Compare</button>
    </p>
  </form>
</template>

<style scoped>
.compared {
  padding: 4px 0 12px 144px;
}
.pairs,
.names {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  margin-bottom: 8px;
}
input {
  flex: 1 1 110px;
  min-width: 0;
  padding: 4px 8px;
  border: 1px solid var(--hair);
  border-radius: 4px;
  background: var(--sheet);
}
@media (max-width: 620px) {
  .compared {
    padding-left: 0;
  }
}
</style>
