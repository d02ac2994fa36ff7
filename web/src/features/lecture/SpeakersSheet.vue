<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, must, says, type Lecture, type Transcript } from '@/api/client'
import { count, duration } from '@/shared/time'

const props = defineProps<{ lecture: Lecture; transcript: Transcript; speakerId: string | null }>()
const emit = defineEmits<{ closed: []; changed: [] }>()
const names = ref(Object.fromEntries(props.transcript.speakers.map((s) => [s.id, s.name])))
const asking = ref(props.transcript.speakers.find((s) => s.asks)?.id ?? null)
const voices = ref<number | null>(null)
const isCounting = ref(props.transcript.speakers.length < 2)
const problem = ref('')
const mostOffered = 8
const path = { id: props.lecture.id }
const counts = [
  { title: 'Find out', value: null as number | null },
  ...Array.from({ length: mostOffered }, (_, i) => ({ title: count(i + 1, 'voice'), value: i + 1 })),
]
const spokenMs = computed(() => {
  const sums = new Map<string, number>()
  for (const p of props.transcript.passages) sums.set(p.speakerId, (sums.get(p.speakerId) ?? 0) + p.endMs - p.startMs)
  return sums
})

async function save() {
  problem.value = ''
  try {
    for (const s of props.transcript.speakers) {
      const name = names.value[s.id]?.trim()
      const asks = asking.value === s.id
      const isRenamed = Boolean(name) && name !== s.name
      if (!isRenamed && asks === (s.asks === true)) continue
      await must(
        api.POST('/api/lectures/{id}/edits', {
          params: { path },
          body: { edit: { kind: 'speaker', speakerId: s.id, name: isRenamed ? (name ?? null) : null, asks } },
        }),
      )
    }
    emit('changed')
    emit('closed')
  } catch (e) {
    problem.value = says(e)
  }
}

async function tellApartAnew() {
  problem.value = ''
  try {
    await must(api.POST('/api/lectures/{id}/voices', { params: { path }, body: { voices: voices.value } }))
    emit('changed')
    emit('closed')
  } catch (e) {
    problem.value = says(e)
  }
}
</script>

<template>
  <v-dialog :model-value="true" aria-label="Who speaks" @update:model-value="emit('closed')">
    <div class="k-sheet">
      <h2>Who speaks</h2>
      <form v-if="transcript.speakers.length > 1" class="names" @submit.prevent="save">
        <v-text-field
          v-for="s in transcript.speakers"
          :key="s.id"
          v-model="names[s.id]"
          :label="s.name"
          :hint="`speaks for ${duration(spokenMs.get(s.id) ?? 0)}`"
          persistent-hint
          maxlength="80"
          :autofocus="s.id === (speakerId ?? transcript.speakers[0]?.id)"
        />
        <v-select
          v-model="asking"
          label="Who asks, in an interview"
          hint="The questions are set apart from the answers."
          persistent-hint
          :items="[
            { title: 'Nobody in particular', value: null },
            ...transcript.speakers.map((s) => ({ title: names[s.id] || s.name, value: s.id })),
          ]"
        />
        <div class="row">
          <v-btn type="submit">Save the names</v-btn>
          <v-btn variant="text" @click="emit('closed')">Leave as they are</v-btn>
        </div>
      </form>
      <p v-else class="k-soft">One voice was heard in this recording.</p>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <button v-if="!isCounting" class="k-quiet other" type="button" @click="isCounting = true">
        More or fewer people speak
      </button>
      <form v-else class="names" @submit.prevent="tellApartAnew">
        <v-select v-model="voices" :items="counts" label="How many people speak" />
        <p class="k-soft small">The words stay as they are; who says them is found out anew. It takes a few seconds.</p>
        <div class="row">
          <v-btn type="submit" :variant="transcript.speakers.length > 1 ? 'outlined' : 'flat'"
            >Tell them apart anew</v-btn
          >
          <v-btn v-if="transcript.speakers.length < 2" variant="text" @click="emit('closed')">Leave as it is</v-btn>
        </div>
      </form>
    </div>
  </v-dialog>
</template>

<style scoped>
.names {
  display: grid;
  gap: 14px;
}
.row {
  display: flex;
  gap: 12px;
}
.other {
  justify-self: start;
}
.small {
  font-size: 14px;
  margin: 0;
}
.problem {
  color: var(--wrong);
  margin: 0;
}
</style>
