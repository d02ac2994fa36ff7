<script setup lang="ts">
import { doubtsShown, sizes, widths, type Reading } from './settings'

const props = defineProps<{ target: HTMLElement; reading: Reading; hasPicture: boolean; canRespell: boolean }>()
const emit = defineEmits<{ closed: []; respell: [spelling: 'british' | 'american'] }>()
const { size, width, hidesFillers, doubts, captions } = props.reading
const step = (n: number) => {
  const at = sizes.findIndex((s) => s >= size.value)
  size.value = sizes[Math.min(sizes.length - 1, Math.max(0, at + n))] ?? 17
}
</script>

<template>
  <v-menu :model-value="true" :target="target" :close-on-content-click="false" @update:model-value="emit('closed')">
    <div class="k-sheet reading" role="dialog" aria-label="The page">
      <div class="line">
        <span>Letters</span>
        <span class="pair">
          <button class="k-link" type="button" :disabled="size <= sizes[0]" @click="step(-1)">Smaller</button>
          <span class="k-time">{{ size }}</span>
          <button class="k-link" type="button" :disabled="size >= (sizes.at(-1) ?? 24)" @click="step(1)">Larger</button>
        </span>
      </div>
      <div class="line">
        <span id="width-name">Column</span>
        <span class="pair" role="radiogroup" aria-labelledby="width-name">
          <label v-for="(_, name) in widths" :key="name"
            ><input v-model="width" type="radio" :value="name" /> {{ name }}</label
          >
        </span>
      </div>
      <div class="line stacked">
        <span id="doubts-name">Doubtful words underlined</span>
        <span class="pair" role="radiogroup" aria-labelledby="doubts-name">
          <label v-for="(title, name) in doubtsShown" :key="name"
            ><input v-model="doubts" type="radio" :value="name" /> {{ title }}</label
          >
        </span>
      </div>
      <label class="line"
        ><span>Hide fillers and false starts</span> <input v-model="hidesFillers" type="checkbox"
      /></label>
      <label v-if="hasPicture" class="line"
        ><span>Captions over the picture</span> <input v-model="captions" type="checkbox"
      /></label>
      <div v-if="canRespell" class="line">
        <span>Spelling</span>
        <span class="pair">
          <button class="k-link" type="button" @click="emit('respell', 'british')">Write British</button>
          <button class="k-link" type="button" @click="emit('respell', 'american')">Write American</button>
        </span>
      </div>
    </div>
  </v-menu>
</template>

<style scoped>
.reading {
  width: min(360px, 92vw);
  padding: 16px 18px;
  gap: 10px;
}
.line {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 14px;
  min-height: 26px;
}
.stacked {
  flex-direction: column;
  align-items: flex-start;
  gap: 2px;
}
.pair {
  display: flex;
  gap: 12px;
  align-items: baseline;
}
</style>
