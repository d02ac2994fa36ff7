<script setup lang="ts">
defineProps<{ problem: string; isGone: boolean }>()
defineEmits<{ retry: [] }>()
</script>

<template>
  <div class="k-column">
    <h1>{{ isGone ? 'This lecture is not here' : 'The lecture could not be opened' }}</h1>
    <p>{{ problem }}</p>
    <p>
      <router-link v-if="isGone" :to="{ name: 'library' }">Look in the library or its bin</router-link>
      <button v-else class="k-link" type="button" @click="$emit('retry')">Try again</button>
    </p>
  </div>
</template>
