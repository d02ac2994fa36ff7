<script setup lang="ts">
import type { useLinks } from './useLinks'

/** Addresses are typed or pasted here, one a line. */
const props = defineProps<{ links: ReturnType<typeof useLinks> }>()
const { text, isLooking, problems, look } = props.links
</script>

<template>
  <form class="links" aria-labelledby="from-web" @submit.prevent="look">
    <h2 id="from-web">From the web</h2>
    <p class="k-soft">
      The page of a lecture, a recording itself, a stream or a feed. Kostel looks first and shows what is there.
    </p>
    <v-textarea
      v-model="text"
      label="Addresses, one a line"
      rows="2"
      auto-grow
      max-rows="8"
      spellcheck="false"
      placeholder="https://"
      @keydown.enter.exact.prevent="look"
    />
    <div class="row">
      <v-btn type="submit" variant="outlined" :loading="isLooking" :disabled="!text.trim()">Look</v-btn>
      <span v-if="isLooking" class="k-soft" role="status">Looking at what is there</span>
    </div>
    <div role="alert">
      <ul v-if="problems.length" class="problems">
        <li v-for="p in problems" :key="p.address + p.problem">
          <span v-if="p.address" class="k-soft address">{{ p.address }}</span>
          <span>△ {{ p.problem }}</span>
        </li>
      </ul>
    </div>
  </form>
</template>

<style scoped>
.links {
  margin-top: 34px;
}
h2 {
  margin-bottom: 4px;
}
.links > .k-soft {
  font-size: 14px;
  margin-bottom: 12px;
}
.row {
  margin-top: 12px;
  display: flex;
  gap: 16px;
  align-items: center;
}
.problems {
  list-style: none;
  padding: 0;
  margin-top: 12px;
  display: grid;
  gap: 8px;
  font-size: 14px;
  color: var(--wrong);
}
.problems li {
  display: grid;
}
.address {
  overflow-wrap: anywhere;
}
</style>
