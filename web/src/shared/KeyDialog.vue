<script setup lang="ts">
import { keySheet } from './keys'

const isOpen = defineModel<boolean>({ required: true })
</script>

<template>
  <v-dialog v-model="isOpen" aria-label="Keys">
    <div class="sheet">
      <h2>Keys</h2>
      <section v-for="part in keySheet" :key="part.place">
        <h3>{{ part.place }}</h3>
        <dl>
          <template v-for="[keys, what] in part.keys" :key="what">
            <dt>
              <kbd v-for="k in keys.split(' ').filter(Boolean)" :key="k" class="k-key">{{ k }}</kbd>
            </dt>
            <dd>{{ what }}</dd>
          </template>
        </dl>
      </section>
      <v-btn variant="text" @click="isOpen = false">Close</v-btn>
    </div>
  </v-dialog>
</template>

<style scoped>
.sheet {
  background: var(--sheet);
  color: var(--ink);
  padding: 24px 28px 16px;
  border: 1px solid var(--ink);
}
h3 {
  font: 600 14px var(--sans);
  margin: 16px 0 4px;
}
dl {
  display: grid;
  grid-template-columns: 120px 1fr;
  row-gap: 4px;
}
dt {
  display: flex;
  gap: 6px;
}
</style>
