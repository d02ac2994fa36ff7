<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, must, says } from '@/api/client'
import ServiceEntry from '@/shared/ServiceEntry.vue'
import { useLoaded } from '@/shared/useLoaded'

const { value: known, problem, load } = useLoaded(() => must(api.GET('/api/writer')))
const writer = computed(() => known.value?.writer ?? null)
const own = computed(() => known.value?.instructions ?? [])
const isEntering = ref(false)
const isAsking = ref(false)
const refusal = ref('')
const name = ref('')
const instructions = ref('')

watch(writer, () => (isEntering.value = false))

async function attempt(action: () => Promise<unknown>) {
  refusal.value = ''
  isAsking.value = true
  try {
    await action()
    await load()
  } catch (e) {
    refusal.value = says(e)
  } finally {
    isAsking.value = false
  }
}
const enter = (entry: { address: string; key: string | null; model: string; agreed: boolean }) =>
  attempt(() => must(api.PUT('/api/writer', { body: entry })))
const change = (body: { isOn?: boolean; showsFirst?: boolean }) =>
  attempt(() => must(api.POST('/api/writer', { body })))
const forget = () => attempt(() => must(api.DELETE('/api/writer')))
const keep = () =>
  attempt(async () => {
    await must(api.PUT('/api/writer/instructions', { body: { name: name.value, text: instructions.value } }))
    name.value = ''
    instructions.value = ''
  })
const drop = (gone: string) =>
  attempt(() => must(api.DELETE('/api/writer/instructions', { params: { query: { name: gone } } })))
function edit(chosen: { name: string; text: string }) {
  name.value = chosen.name
  instructions.value = chosen.text
}
</script>

<template>
  <div class="k-column">
    <h1>A language model of your own</h1>
    <p v-if="problem" class="problem" role="alert">
      {{ problem }} <button class="k-link" type="button" @click="load">Try again</button>
    </p>
    <p class="lead">
      Kostel answers without one. If you have one, on this computer, in your network or by subscription, it can write
      out in sentences of its own what the found passages say. Each of its sentences is compared with the passages it
      names; what they do not bear out is set apart.
    </p>
    <p class="warning">
      <b>Passages leave Kostel.</b> Your question and up to eight passages are sent to the address below, and what
      happens to them there is up to whoever runs it. You see them before. It is off until you switch it on.
    </p>
    <template v-if="known">
      <div v-if="writer && !isEntering">
        <p>
          <b>{{ writer.model }}</b> at {{ writer.host }}: {{ writer.isOn ? 'on' : 'off' }}.
          <span class="k-soft">{{ writer.isHere ? 'It runs on this computer.' : '' }}</span>
        </p>
        <p v-if="!writer.isEncrypted" class="problem">
          The way there is not encrypted: others on the network can listen in and read the key.
        </p>
        <p v-if="!writer.isHere">
          <label>
            <input
              type="checkbox"
              :checked="writer.showsFirst"
              @change="change({ showsFirst: ($event.target as HTMLInputElement).checked })"
            />
            Show me each time what is sent
          </label>
        </p>
        <div class="row">
          <v-btn v-if="writer.isOn" :loading="isAsking" variant="outlined" @click="change({ isOn: false })"
            >Switch it off</v-btn
          >
          <v-btn v-else :loading="isAsking" @click="change({ isOn: true })">Switch it on</v-btn>
          <v-btn variant="text" @click="isEntering = true">Change</v-btn>
          <v-btn variant="text" @click="forget">Forget it and its key</v-btn>
        </div>
      </div>
      <p v-else-if="!isEntering">
        None is entered.
        <button class="k-link" type="button" @click="isEntering = true">Enter one</button>
      </p>
      <ServiceEntry
        v-else
        :known="writer"
        placeholder="http://localhost:8080/v1"
        address-hint="What all its addresses begin with; it answers at …/chat/completions"
        key-hint="Empty if it needs none. It is kept on this computer"
        consent="Passages of my lectures may be sent there"
        :is-asking="isAsking"
        :problem="refusal"
        @enter="enter"
        @leave="isEntering = false"
      />
      <p v-if="refusal && !isEntering" class="problem" role="alert">{{ refusal }}</p>
      <h2>How it is to write</h2>
      <p class="k-soft">Your own instructions, by a name under which you choose them when you ask.</p>
      <ul v-if="own.length" class="k-rows">
        <li v-for="i in own" :key="i.name">
          <b>{{ i.name }}</b> <span>{{ i.text }}</span>
          <button class="k-link" type="button" @click="edit(i)">Change</button>
          <button class="k-quiet" type="button" :aria-label="`Delete ${i.name}`" @click="drop(i.name)">Delete</button>
        </li>
      </ul>
      <form class="form" @submit.prevent="keep">
        <v-text-field v-model="name" label="Name" maxlength="60" placeholder="In simple words" />
        <v-textarea
          v-model="instructions"
          label="Instructions"
          rows="2"
          maxlength="1000"
          placeholder="Answer in simple words, with an example from the lecture."
        />
        <div class="row">
          <v-btn type="submit" variant="outlined" :disabled="!name.trim() || !instructions.trim()">Keep them</v-btn>
        </div>
      </form>
    </template>
  </div>
</template>

<style scoped>
.lead,
.warning {
  max-width: 62ch;
}
.warning {
  margin: 12px 0 18px;
  border-left: 3px solid var(--buff);
  padding-left: 12px;
}
h2 {
  margin-top: 34px;
}
.form {
  display: grid;
  gap: 14px;
  margin-top: 14px;
  max-width: 560px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin-top: 8px;
}
.k-rows li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  align-items: baseline;
  padding: 8px 0;
}
.k-rows span {
  flex: 1 1 260px;
}
.problem {
  color: var(--wrong);
}
</style>
