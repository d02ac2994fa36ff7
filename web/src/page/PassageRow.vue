<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref } from 'vue'
import type { Mark, Passage } from '@/api/client'
import { clock } from '@/shared/time'
import MarkNote from './MarkNote.vue'
import PassageText from './PassageText.vue'
import type { DoubtsShown } from './highlights'
import type { PassageActions } from './passageActions'

const props = defineProps<{
  passage: Passage
  index: number
  speaker: string | null
  marks: readonly Mark[]
  isSource: boolean
  isCurrent: boolean
  isQuestion: boolean
  hidesFillers: boolean
  doubtsShown: DoubtsShown
  canEdit: boolean
  unsureBelow: number
  guessedBelow: number
  /** The same object for all and always, so that a row is drawn anew only when it changed itself. */
  actions: PassageActions
}>()
const text = ref<InstanceType<typeof PassageText>>()
onMounted(() => props.actions.attach(props.passage.id, { text: text.value }))
onBeforeUnmount(() => props.actions.attach(props.passage.id, null))
</script>

<template>
  <div class="row" :class="{ source: isSource }">
    <div class="aside">
      <button
        v-if="speaker"
        class="speaker"
        type="button"
        :title="`Name ${speaker}`"
        tabindex="-1"
        @click="actions.name(passage)"
      >
        {{ speaker }}
      </button>
      <span class="when">
        <button
          v-if="canEdit"
          class="k-quiet more"
          type="button"
          :tabindex="isCurrent ? 0 : -1"
          :aria-label="`More for the passage at ${clock(passage.startMs)}`"
          @click="actions.menu(passage, $event.currentTarget as HTMLElement)"
        >
          •••
        </button>
        <button
          class="k-quiet k-time"
          type="button"
          :tabindex="isCurrent ? 0 : -1"
          :aria-label="`Hear from ${clock(passage.startMs)}`"
          @click="actions.hear(passage, 0)"
        >
          {{ clock(passage.startMs) }}
        </button>
      </span>
      <span v-if="doubtsShown !== 'none' && passage.confidence < unsureBelow" class="doubt">hard to hear</span>
    </div>
    <PassageText
      ref="text"
      :passage="passage"
      :label="`${speaker ? `${speaker}, ` : ''}${clock(passage.startMs)}`"
      :hides-fillers="hidesFillers"
      :doubts-shown="doubtsShown"
      :guessed-below="guessedBelow"
      :is-current="isCurrent"
      :is-question="isQuestion"
      :can-edit="canEdit"
      :save="(expected, now) => actions.save(passage, expected, now)"
      @word="actions.word(passage, $event)"
      @hear="actions.hear(passage, $event)"
      @typing="actions.typing($event)"
      @split="actions.split(index, passage, $event)"
      @join="actions.join(index, $event)"
      @boundary="actions.boundary(index, passage, $event)"
      @leave="(before, after) => actions.leave(before, after)"
      @move="actions.move(index, $event)"
      @step="actions.step($event)"
      @entered="actions.entered()"
    />
    <div v-if="marks.length" class="notes">
      <MarkNote v-for="m in marks" :key="m.id" :mark="m" @open="actions.mark(m)" />
    </div>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: var(--page-columns);
  column-gap: 0;
}
.source > :nth-child(2) {
  box-shadow:
    -10px 0 0 var(--paper),
    -13px 0 0 var(--sea);
}
.aside {
  padding: 4px 20px 0 0;
  text-align: right;
  font: 400 13px/1.3 var(--sans);
  display: flex;
  flex-direction: column;
  align-items: flex-end;
  min-width: 0;
}
.when {
  display: flex;
  gap: 9px;
  align-items: baseline;
}
.aside button {
  padding: 0;
  min-height: 24px;
}
.speaker {
  font-weight: 600;
  text-align: right;
  overflow-wrap: anywhere;
}
.speaker:hover {
  text-decoration: underline;
}
.more {
  opacity: 0;
  letter-spacing: 1px;
  font-size: 11px;
}
.row:hover .more,
.row:focus-within .more,
.more:focus-visible {
  opacity: 1;
}
.doubt {
  color: var(--wrong);
}
.notes {
  font-family: var(--sans);
  padding: 3px 0 12px 24px;
  min-width: 0;
}
@media (hover: none) {
  .more {
    opacity: 1;
  }
}
@media (max-width: 900px) {
  .aside {
    flex-direction: row;
    align-items: baseline;
    gap: 10px;
    padding: 0;
    text-align: left;
  }
  .more {
    opacity: 1;
  }
  .notes {
    padding-left: 12px;
  }
}
</style>
