<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, must, type Schemas } from '@/api/client'
import { useLoaded } from '@/shared/useLoaded'
import AutomationSection from './AutomationSection.vue'
import KeyDialog from '@/shared/KeyDialog.vue'
import ThemeSwitch from '@/theme/ThemeSwitch.vue'

const latestHour = 8
const { value: settings, problem, load, change: replace } = useLoaded(() => must(api.GET('/api/settings')))
const showsKeys = ref(false)
const hours = Array.from({ length: latestHour + 1 }, (_, hour) => ({
  hour,
  name: hour === 0 ? 'at midnight' : `at ${hour} in the morning`,
}))

const change = (body: Schemas['SettingsChange']) => replace(() => must(api.PUT('/api/settings', { body })))

const begins = computed({
  get: () => settings.value?.dayBeginsAtHour ?? 0,
  set: (hour) => void change({ dayBeginsAtHour: hour, asksForKey: null }),
})
const asks = computed({
  get: () => settings.value?.asksForKey ?? true,
  set: (is) => void change({ dayBeginsAtHour: null, asksForKey: is }),
})
</script>

<template>
  <div class="k-column">
    <h1>Settings</h1>
    <p v-if="problem" class="problem" role="alert">
      {{ problem }} <button class="k-link" type="button" @click="load">Try again</button>
    </p>
    <template v-if="settings">
      <section aria-labelledby="days">
        <h2 id="days">Your days</h2>
        <label class="line">
          <span>A new day begins</span>
          <select v-model.number="begins">
            <option v-for="h in hours" :key="h.hour" :value="h.hour">{{ h.name }}</option>
          </select>
        </label>
        <p class="k-soft">
          What you do before that still counts for the evening before, and cards fall due when the day begins. The clock
          is this computer’s: {{ settings.zone }}.
        </p>
      </section>
      <section aria-labelledby="places">
        <h2 id="places">More</h2>
        <ul class="k-rows places">
          <li>
            <router-link class="k-link" :to="{ name: 'languages' }">Languages</router-link>
            <span class="k-soft">what can be written down, spelling, a transcription service</span>
          </li>
          <li>
            <router-link class="k-link" :to="{ name: 'writer' }">A language model of your own</router-link>
            <span class="k-soft">if you have one: it writes answers out, from found passages, checked</span>
          </li>
          <li>
            <router-link class="k-link" :to="{ name: 'storage' }">Storage and backup</router-link>
            <span class="k-soft">what takes how much room, the bin, everything in one file</span>
          </li>
          <li>
            <router-link class="k-link" :to="{ name: 'about' }">About Kostel</router-link>
            <span class="k-soft">models and licences</span>
          </li>
          <li class="own">
            <span>Chart by day or by night</span>
            <ThemeSwitch class="k-link" />
          </li>
          <li class="own">
            <span>Keys for everything</span>
            <button class="k-link" type="button" @click="showsKeys = true">Show them</button>
          </li>
        </ul>
      </section>
      <section aria-labelledby="door">
        <h2 id="door">Who may open it</h2>
        <label class="line"><input v-model="asks" type="checkbox" /> Only who started Kostel</label>
        <p class="k-soft">
          The address that Kostel prints carries a key that opens once; this browser then remembers it. In another
          browser, type <code>./kostel open</code> and use the address it prints. Without this, everybody who uses this
          computer can read your lectures.
        </p>
      </section>
      <AutomationSection />
    </template>
    <KeyDialog v-model="showsKeys" />
  </div>
</template>

<style scoped>
section {
  margin-top: 30px;
}
h2 {
  margin-bottom: 8px;
}
.line {
  display: flex;
  gap: 10px;
  align-items: baseline;
  flex-wrap: wrap;
}
.line + p {
  font-size: 14px;
  max-width: 560px;
  margin-top: 6px;
}
select {
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--hair);
  padding: 3px 6px;
  font: inherit;
}
input {
  accent-color: var(--act);
}
.places li {
  display: flex;
  gap: 4px 14px;
  flex-wrap: wrap;
  align-items: baseline;
  padding: 9px 0;
}
.own {
  justify-content: space-between;
}
.problem {
  color: var(--wrong);
  margin-top: 12px;
}
</style>
