<script setup lang="ts">
import type { TextState } from '@/api/client'
import { count } from '@/shared/time'
import type { SaveState } from './useEdits'

defineProps<{
  doubts: number
  state: TextState
  saving: SaveState
  problem: string
  canEdit: boolean
  isFinding: boolean
  canTranscribe: boolean
  /** Captions inside of the file. */
  hasCaptions: boolean
  voices: number
}>()
defineEmits<{
  find: []
  doubts: []
  page: [target: HTMLElement]
  take: []
  voices: []
  transcribe: []
  text: []
  undo: []
  redo: []
  changes: []
}>()
const words: Record<SaveState, string> = { saved: 'Saved', typing: 'Typing', saving: 'Saving', failed: 'Not saved' }
</script>

<template>
  <div class="tools">
    <slot v-if="isFinding" name="find" />
    <template v-else>
      <button class="k-quiet" type="button" @click="$emit('find')">Find</button>
      <button v-if="canEdit && doubts" class="k-quiet" type="button" @click="$emit('doubts')">
        Check {{ count(doubts, 'doubtful word') }}
      </button>
      <button
        class="k-quiet"
        type="button"
        aria-haspopup="dialog"
        @click="$emit('page', $event.currentTarget as HTMLElement)"
      >
        Page
      </button>
      <button class="k-quiet" type="button" @click="$emit('take')">Take away</button>
      <v-menu v-if="canEdit || canTranscribe" location="bottom">
        <template #activator="{ props: menu }">
          <button class="k-quiet" type="button" v-bind="menu">
            More <span class="fold" aria-hidden="true">▾</span>
          </button>
        </template>
        <v-list>
          <v-list-item
            v-if="canEdit"
            :title="voices > 1 ? `${voices} voices: names` : 'Who speaks'"
            @click="$emit('voices')"
          />
          <v-list-item v-if="canTranscribe" title="Transcribe again" @click="$emit('transcribe')" />
          <v-list-item :title="hasCaptions ? 'Captions in the file' : 'Bring in a text'" @click="$emit('text')" />
        </v-list>
      </v-menu>
    </template>
    <span v-if="canEdit" class="state">
      <span class="saved" :class="{ bad: saving === 'failed' }" role="status" :title="problem || undefined">{{
        saving === 'failed' ? `Not saved: ${problem}` : words[saving]
      }}</span>
      <button
        class="k-quiet"
        type="button"
        :disabled="!state.undo"
        :title="state.undo ? `Undo: ${state.undo}` : undefined"
        @click="$emit('undo')"
      >
        Undo
      </button>
      <button
        class="k-quiet"
        type="button"
        :disabled="!state.redo"
        :title="state.redo ? `Redo: ${state.redo}` : undefined"
        @click="$emit('redo')"
      >
        Redo
      </button>
      <button v-if="state.isEdited" class="k-quiet" type="button" @click="$emit('changes')">Changes</button>
    </span>
  </div>
</template>

<style scoped>
.tools {
  position: sticky;
  top: 0;
  z-index: 4;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 18px;
  background: var(--paper);
  border-bottom: 1px solid var(--hair);
  padding: 14px 0 6px;
  font-size: 14px;
}
.tools > button,
.state button {
  min-height: 24px;
}
.state {
  margin-left: auto;
  display: flex;
  gap: 14px;
  align-items: baseline;
  min-width: 0;
}
.fold {
  font-size: 11px;
}
.saved {
  color: var(--soft);
}
.saved.bad {
  color: var(--wrong);
}
button:disabled {
  color: var(--faint);
  cursor: default;
}
</style>
