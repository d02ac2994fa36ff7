<script setup lang="ts">
import { computed } from 'vue'
import { api, must } from '@/api/client'
import { useLoaded } from '@/shared/useLoaded'

/** What happens without anybody at the screen: shown here, and changed only in its file. */
const { value: said, problem } = useLoaded(() => must(api.GET('/api/automation')))
const isAny = computed(
  () => said.value && (said.value.watch.length || said.value.out || said.value.afterwards || said.value.downloader),
)
const example = `{
  "watch": [{ "folder": "/home/you/recordings", "course": "Tides" }],
  "out": "/home/you/notes"
}`
</script>

<template>
  <section aria-labelledby="by-itself">
    <h2 id="by-itself">By itself</h2>
    <p v-if="problem || said?.problem" class="problem" role="alert">△ {{ problem || said?.problem }}</p>
    <dl v-if="said && isAny">
      <template v-for="w in said.watch" :key="w.folder">
        <dt>Comes in from</dt>
        <dd>
          {{ w.folder }}<span v-if="w.course" class="k-soft">, into {{ w.course }}</span>
        </dd>
      </template>
      <template v-if="said.out">
        <dt>Texts are handed out to</dt>
        <dd>{{ said.out }}</dd>
      </template>
      <template v-if="said.afterwards">
        <dt>Then this is run</dt>
        <dd>
          <code>{{ said.afterwards }}</code>
        </dd>
      </template>
      <template v-if="said.downloader">
        <dt>Pages that hide their recording</dt>
        <dd>
          <code>{{ said.downloader }}</code>
        </dd>
      </template>
    </dl>
    <p v-if="said" class="k-soft">
      A folder can be watched, and each finished lecture be written to another as text, for your own backup. That is
      said in a file, so that no page can change it: <code>{{ said.file }}</code>
    </p>
    <pre v-if="said && !isAny">{{ example }}</pre>
  </section>
</template>

<style scoped>
section {
  margin-top: 40px;
}
h2 {
  margin-bottom: 10px;
}
dl {
  display: grid;
  grid-template-columns: minmax(140px, max-content) 1fr;
  gap: 4px 20px;
  margin-bottom: 12px;
}
dt {
  color: var(--soft);
}
dd {
  margin: 0;
}
dd,
code {
  overflow-wrap: anywhere;
}
p {
  max-width: 640px;
}
pre {
  margin-top: 10px;
  padding: 12px 14px;
  background: var(--sheet);
  border: 1px solid var(--hair);
  font-size: 14px;
  overflow-x: auto;
}
.problem {
  color: var(--wrong);
  margin-bottom: 10px;
}
</style>
