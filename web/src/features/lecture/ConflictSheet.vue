<script setup lang="ts">
import { computed } from 'vue'
import type { Passage } from '@/api/client'
import { parting } from '@/page/text'
import { useNotice } from '@/shared/notice'

const props = defineProps<{ mine: string; passage: Passage | null }>()
defineEmits<{ mine: []; theirs: [] }>()
const notice = useNotice()
const words = computed(() => parting(props.mine, props.passage?.text ?? ''))

const copy = () =>
  notice.attempt(() => navigator.clipboard.writeText(props.mine).then(() => notice.tell('Your wording is copied.')))
</script>

<template>
  <v-dialog :model-value="true" persistent max-width="720" aria-label="Changed in two windows">
    <div class="k-sheet">
      <h2>Changed in two windows</h2>
      <p v-if="passage">
        This passage was changed in another window while you typed. Nothing is lost: choose which wording stays.
      </p>
      <p v-else>
        While you typed, this passage was taken out or joined to another in a second window. Copy what you wrote, and
        put it where it belongs.
      </p>
      <h3>Yours</h3>
      <p v-if="passage" class="words">
        {{ words.before }} <mark v-if="words.one">{{ words.one }}</mark> {{ words.after }}
      </p>
      <p v-else class="words">{{ mine }}</p>
      <template v-if="passage">
        <h3>In the other window</h3>
        <p class="words">
          {{ words.before }} <mark v-if="words.other">{{ words.other }}</mark> {{ words.after }}
        </p>
      </template>
      <div class="row">
        <v-btn v-if="passage" @click="$emit('mine')">Keep yours</v-btn>
        <v-btn v-else @click="copy">Copy yours</v-btn>
        <v-btn variant="outlined" @click="$emit('theirs')">{{ passage ? 'Keep the other' : 'Close' }}</v-btn>
        <button v-if="passage" class="k-quiet" type="button" @click="copy">Copy yours</button>
      </div>
    </div>
  </v-dialog>
</template>

<style scoped>
h3 {
  font-size: 15px;
}
.words {
  font: 400 16px/1.55 var(--serif);
  max-height: 22vh;
  overflow-y: auto;
}
mark {
  background: var(--buff);
  color: var(--on-buff);
}
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
}
.row .k-quiet {
  margin-left: auto;
}
</style>
