<script lang="ts">
/** What a recording is to be taken for: null leaves it to the program to find out. */
export interface Spoken {
  language: string | null
  byService: boolean
  voices: number | null
  /** The name of a recogniser of the person's own. */
  model: string | null
}
</script>

<script setup lang="ts">
import { computed, watch } from 'vue'
import { api, must } from '@/api/client'
import { useLoaded } from './useLoaded'

const chosen = defineModel<Spoken>({ required: true })
const { value: known } = useLoaded(() => must(api.GET('/api/languages')))
const mostOffered = 8

const service = computed(() => (known.value?.service?.isOn ? known.value.service : null))
const here = computed(() => known.value?.here ?? [])
const choices = computed(() => {
  if (chosen.value.byService) {
    const all = service.value?.languages ?? here.value
    return all.map((l) => ({ title: l.name, value: l.code as string | null }))
  }
  const own = here.value.map((l) => ({ title: l.name, value: l.code as string | null }))
  const names = here.value.map((l) => l.name).join(' or ')
  return own.length > 1 ? [{ title: `Find out: ${names}`, value: null as string | null }, ...own] : own
})
const voices = [
  { title: 'Find out', value: null as number | null },
  { title: 'One', value: 1 },
  ...Array.from({ length: mostOffered - 1 }, (_, i) => ({ title: String(i + 2), value: i + 2 })),
]

// A language that is not to be had in this way gives place to the first that is.
watch(choices, (now) => {
  if (now.length && !now.some((c) => c.value === chosen.value.language))
    chosen.value = { ...chosen.value, language: now[0]?.value ?? null }
})
const change = (part: Partial<Spoken>) => (chosen.value = { ...chosen.value, ...part })
</script>

<template>
  <div v-if="known" class="spoken">
    <v-radio-group
      v-if="service"
      :model-value="chosen.byService"
      label="Where it is written down"
      @update:model-value="change({ byService: Boolean($event) })"
    >
      <v-radio :value="false">
        <template #label
          ><span><b>On this computer</b>: nothing leaves it</span></template
        >
      </v-radio>
      <v-radio :value="true">
        <template #label
          ><span
            ><b>By {{ service.host }}</b
            >: the sound of the speech is sent there</span
          ></template
        >
      </v-radio>
    </v-radio-group>
    <div class="pair">
      <v-select
        :model-value="chosen.language"
        :items="choices"
        label="Spoken language"
        @update:model-value="change({ language: $event })"
      />
      <v-select
        :model-value="chosen.voices"
        :items="voices"
        label="How many people speak"
        @update:model-value="change({ voices: $event })"
      />
    </div>
    <p v-if="known.packs.length && !chosen.byService" class="k-soft more">
      {{ known.packs.map((p) => p.name).join(', ') }} can be added.
      <router-link :to="{ name: 'languages' }">See how</router-link>
    </p>
  </div>
</template>

<style scoped>
.spoken {
  display: grid;
  gap: 12px;
}
.pair {
  display: flex;
  flex-wrap: wrap;
  gap: 16px;
}
.pair > * {
  flex: 1 1 220px;
}
.more {
  font-size: 14px;
  margin: 0;
}
.v-radio-group :deep(.v-input__control > .v-label),
.v-radio-group :deep(.v-selection-control-group) {
  margin-inline-start: 0;
  padding-inline-start: 0;
}
.v-radio-group :deep(.v-label) {
  opacity: 1;
}
</style>
