<script setup lang="ts">
import { computed, ref } from 'vue'
import type { CardDraft, Evidence, KeptDraft } from '@/api/client'
import EvidenceLine from '@/shared/evidence/EvidenceLine.vue'
import { count } from '@/shared/time'

/** Cards that were made, looked through: each kept, reworded or left out. */
const props = defineProps<{
  made: CardDraft[]
  /** There is no more that would make one. */
  noneMore?: boolean
  isBusy: boolean
}>()
const emit = defineEmits<{ keep: [kept: KeptDraft[]]; closed: []; hear: [line: Evidence] }>()
const drafts = ref(props.made.map((d) => ({ ...d, isKept: true, isEdited: false, bothWays: false })))
const kept = computed(() => drafts.value.filter((d) => d.isKept && d.front.trim() && d.back.trim()))
const keep = () =>
  emit(
    'keep',
    kept.value.map(({ key, front, back, bothWays }) => ({ key, front, back, bothWays })),
  )
</script>

<template>
  <form @submit.prevent="keep">
    <p class="k-soft" role="status">
      {{ count(drafts.length, 'card') }} to look through{{
        noneMore ? ': there is no more here that is worth one' : ''
      }}. Leave out what you know already, and word the others as you like.
    </p>
    <ul class="lines">
      <EvidenceLine v-for="d in drafts" :key="d.key" :evidence="d.source" @hear="emit('hear', d.source)">
        <div :class="{ out: !d.isKept }">
          <template v-if="d.isEdited">
            <v-textarea v-model="d.front" label="Question" rows="2" auto-grow maxlength="2000" variant="underlined" />
            <v-textarea v-model="d.back" label="Answer" rows="1" auto-grow maxlength="2000" variant="underlined" />
          </template>
          <template v-else>
            <p class="said">{{ d.front }}</p>
            <p class="said back">{{ d.back }}</p>
            <p v-if="d.isKept && d.bothWays" class="said reversed">{{ d.reversed }}</p>
          </template>
        </div>
        <p class="row">
          <label>
            <input v-model="d.isKept" type="checkbox" :aria-label="`Keep: ${d.front}`" />
            <span>{{ d.isKept ? 'Kept' : 'Left out' }}</span>
          </label>
          <button v-if="d.isKept" class="k-link" type="button" @click="d.isEdited = !d.isEdited">
            {{ d.isEdited ? 'Done' : 'Reword' }}
          </button>
          <label v-if="d.isKept && d.reversed">
            <input v-model="d.bothWays" type="checkbox" :aria-label="`Both ways: ${d.front}`" />
            <span>Both ways</span>
          </label>
        </p>
      </EvidenceLine>
    </ul>
    <p class="go foot">
      <v-btn type="submit" :loading="isBusy" :disabled="!kept.length"
        >Add {{ count(kept.length + kept.filter((d) => d.bothWays).length, 'card') }}</v-btn
      >
      <button class="k-quiet" type="button" @click="emit('closed')">Leave them</button>
    </p>
  </form>
</template>

<style scoped>
.lines {
  list-style: none;
  padding: 0;
}
.said {
  font: 400 16px/1.5 var(--serif);
  overflow-wrap: anywhere;
}
.go {
  display: flex;
  gap: 18px;
  align-items: center;
}
.foot {
  position: sticky;
  bottom: -24px;
  background: var(--sheet);
  padding: 12px 0 20px;
  border-top: 1px solid var(--hair);
}
.row {
  display: flex;
  gap: 18px;
  font-size: 14px;
}
.row label {
  display: flex;
  gap: 8px;
  cursor: pointer;
}
.row input {
  accent-color: var(--act);
}
.back {
  border-left: 3px solid var(--sea);
  padding-left: 10px;
  margin: 6px 0 2px;
}
.reversed {
  margin: 6px 0 2px;
}
.out {
  color: var(--soft);
  text-decoration: line-through;
}
</style>
