<script setup lang="ts">
import { computed, ref } from 'vue'
import { must, says, api, type Mark, type MarkKind } from '@/api/client'
import { isOpen, markKinds } from '@/page/marks'
import type { PlaceForSheet } from '@/features/sheets/usePutOnSheet'
import { clock } from '@/shared/time'
import { useUnsaved } from '@/shared/useUnsaved'
import PictureCard from './PictureCard.vue'

/** A mark that is there, or one that is about to be made. */
const props = defineProps<{
  lectureId: string
  mark: Mark | null
  draft: { kind: MarkKind; startMs: number; endMs: number; quote: string } | null
  labels: readonly string[]
}>()
const emit = defineEmits<{
  closed: []
  saved: []
  deleted: [mark: Mark]
  hear: [startMs: number, endMs: number]
  put: [place: PlaceForSheet]
}>()
const kind = ref<MarkKind>(props.mark?.kind ?? props.draft?.kind ?? 'note')
const text = ref(props.mark?.text ?? '')
const resolved = ref(props.mark?.resolved ?? '')
const problem = ref('')
useUnsaved(() => text.value !== (props.mark?.text ?? '') || resolved.value !== (props.mark?.resolved ?? ''))
const about = computed(() => props.mark ?? props.draft)
const path = { id: props.lectureId }
const title = computed(() => (props.mark ? markKinds[kind.value].name : kind.value === 'label' ? 'Label' : 'Note'))

async function save(learned: string | null) {
  problem.value = ''
  try {
    if (props.mark) {
      await must(
        api.PUT('/api/lectures/{id}/marks/{mark}', {
          params: { path: { ...path, mark: props.mark.id } },
          body: { kind: kind.value, text: text.value, resolved: learned, version: props.mark.version },
        }),
      )
    } else if (props.draft) {
      await must(
        api.POST('/api/lectures/{id}/marks', {
          params: { path },
          body: { ...props.draft, kind: kind.value, text: text.value },
        }),
      )
    }
    emit('saved')
    emit('closed')
  } catch (e) {
    problem.value = says(e)
  }
}

function put(mark: Mark) {
  const { id, startMs, endMs, hasPicture } = mark
  emit('put', { startMs, endMs, text: text.value, ...(hasPicture && { mark: id }) })
  emit('closed')
}

async function remove() {
  if (!props.mark) return
  try {
    await must(api.DELETE('/api/lectures/{id}/marks/{mark}', { params: { path: { ...path, mark: props.mark.id } } }))
    emit('deleted', props.mark)
    emit('closed')
  } catch (e) {
    problem.value = says(e)
  }
}
</script>

<template>
  <v-dialog :model-value="true" :aria-label="title" @update:model-value="emit('closed')">
    <form class="k-sheet" @submit.prevent="save(mark?.resolved ?? null)">
      <h2>
        <span aria-hidden="true">{{ markKinds[kind].sign }}</span> {{ title }}
      </h2>
      <p v-if="about" class="k-soft quote">
        <button class="k-link k-time" type="button" @click="emit('hear', about.startMs, about.endMs)">
          {{ clock(about.startMs) }}
        </button>
        {{ about.quote }}
      </p>
      <p v-if="mark?.now" class="changed">Source changed. There it says now: {{ mark.now }}</p>
      <img
        v-if="mark?.hasPicture"
        :src="`/api/lectures/${lectureId}/marks/${mark.id}/picture`"
        :alt="text || 'The picture at this time'"
      />
      <PictureCard v-if="mark?.hasPicture" :lecture-id="lectureId" :mark="mark" />
      <v-select
        v-if="mark && kind !== 'label'"
        v-model="kind"
        label="Marked as"
        :items="
          (Object.keys(markKinds) as MarkKind[])
            .filter((k) => k !== 'label')
            .map((k) => ({ title: markKinds[k].name, value: k }))
        "
      />
      <v-combobox v-if="kind === 'label'" v-model="text" label="Label" :items="[...labels]" maxlength="60" autofocus />
      <v-textarea
        v-else
        v-model="text"
        :label="kind === 'unclear' ? 'What is unclear' : 'Note'"
        rows="3"
        auto-grow
        maxlength="5000"
        :autofocus="!mark || kind !== 'unclear'"
        variant="underlined"
        color="primary"
      />
      <template v-if="mark && kind === 'unclear'">
        <v-textarea
          v-model="resolved"
          label="What you learned"
          rows="2"
          auto-grow
          maxlength="5000"
          :autofocus="isOpen(mark)"
          variant="underlined"
          color="primary"
        />
      </template>
      <p v-if="problem" class="changed" role="alert">{{ problem }}</p>
      <div class="row">
        <v-btn v-if="mark && kind === 'unclear' && isOpen(mark)" :disabled="!resolved.trim()" @click="save(resolved)"
          >It is clear now</v-btn
        >
        <v-btn type="submit" :variant="mark && kind === 'unclear' && isOpen(mark) ? 'text' : 'flat'">Save</v-btn>
        <v-btn v-if="mark && kind === 'unclear' && !isOpen(mark)" variant="text" @click="save(null)"
          >Unclear again</v-btn
        >
        <v-btn v-if="mark" variant="text" @click="put(mark)">Put on a sheet</v-btn>
        <v-btn v-if="mark" variant="text" @click="remove">Take the mark away</v-btn>
        <v-btn variant="text" @click="emit('closed')">Close</v-btn>
      </div>
    </form>
  </v-dialog>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.quote {
  font: 400 15px/1.5 var(--serif);
  max-height: 120px;
  overflow-y: auto;
}
.changed {
  color: var(--wrong);
}
img {
  max-width: 100%;
  max-height: 46vh;
  object-fit: contain;
}
</style>
