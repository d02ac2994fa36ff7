<script setup lang="ts">
import { api, must } from '@/api/client'
import { count, duration } from '@/shared/time'
import { useLoaded } from '@/shared/useLoaded'

/** The listening plans that were kept, to go on with; nothing where there are none. */
const { value: plans } = useLoaded(() => must(api.GET('/api/plans')))
const length = (parts: { startMs: number; endMs: number }[]) => parts.reduce((sum, p) => sum + p.endMs - p.startMs, 0)
</script>

<template>
  <section v-if="plans?.length" class="plans" aria-labelledby="plans-title">
    <h2 id="plans-title">Listening plans</h2>
    <ul class="k-rows">
      <li v-for="p in plans" :key="p.id">
        <router-link :to="{ name: 'plan', params: { id: p.id } }">{{ p.title }}</router-link>
        <span class="k-soft">{{ duration(length(p.parts)) }} · {{ count(p.parts.length, 'part') }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.plans {
  margin-top: 34px;
}
h2 {
  margin-bottom: 8px;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 16px;
  padding: 9px 0;
}
a:not(.v-btn) {
  font: 600 16px/1.4 var(--serif);
  color: var(--ink);
  text-decoration: none;
}
a:hover {
  text-decoration: underline;
}
span {
  font-size: 14px;
  white-space: nowrap;
}
</style>
