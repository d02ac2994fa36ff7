<script setup lang="ts">
import { computed } from 'vue'
import { useTheme } from 'vuetify'
import { themeKey } from './vuetify'

const theme = useTheme()
const isNight = computed(() => theme.global.name.value === 'night')

function turn() {
  const next = isNight.value ? 'chart' : 'night'
  theme.change(next)
  localStorage.setItem(themeKey, next)
}
</script>

<template>
  <button class="k-quiet" type="button" @click="turn">{{ isNight ? 'Day chart' : 'Night chart' }}</button>
</template>
