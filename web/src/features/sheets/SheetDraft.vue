<script setup lang="ts">
import { move, newLine, newPart, type DraftPart } from './draft'

/** A sheet while it is worded: its headings, and its lines to be worded, moved, taken out and added. */
const props = defineProps<{ columns: readonly string[] }>()
const parts = defineModel<DraftPart[]>({ required: true })

const add = (part: DraftPart) => part.lines.push(newLine(props.columns.length))
const addPart = () => parts.value.push(newPart())
const name = (part: DraftPart, line: number) => `Line ${line + 1}${part.heading ? ` of ${part.heading}` : ''}`
</script>

<template>
  <fieldset v-for="(part, p) in parts" :key="part.key" :aria-label="part.heading || 'Lines without a heading'">
    <input v-model="part.heading" class="heading" maxlength="300" placeholder="Heading" aria-label="Heading" />
    <div v-for="(line, l) in part.lines" :key="line.key" class="line" role="group" :aria-label="name(part, l)">
      <v-textarea
        v-for="(column, c) in columns"
        :key="column"
        v-model="line.cells[c]"
        :label="column"
        rows="1"
        auto-grow
        maxlength="5000"
        variant="underlined"
        hide-details
      />
      <p class="acts">
        <button class="k-quiet" type="button" :aria-label="`Move up: ${name(part, l)}`" @click="move(parts, p, l, -1)">
          ↑
        </button>
        <button class="k-quiet" type="button" :aria-label="`Move down: ${name(part, l)}`" @click="move(parts, p, l, 1)">
          ↓
        </button>
        <button
          class="k-quiet"
          type="button"
          :aria-label="`Take out: ${name(part, l)}`"
          @click="part.lines.splice(l, 1)"
        >
          Take out
        </button>
      </p>
    </div>
    <button class="k-link" type="button" @click="add(part)">Add a line</button>
  </fieldset>
  <button class="k-link" type="button" @click="addPart">Add a heading</button>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0 0 18px;
}
.heading {
  width: 100%;
  font: 600 16px var(--sans);
  padding: 6px 0;
  border-bottom: 1px solid var(--hair);
  color: inherit;
}
.line {
  display: grid;
  gap: 12px;
  padding: 12px 0 8px;
}
.line :deep(textarea) {
  font: 400 16px/1.5 var(--serif);
}
.acts {
  display: flex;
  gap: 14px;
  justify-content: flex-end;
  font-size: 13.5px;
  padding-top: 2px;
}
</style>
