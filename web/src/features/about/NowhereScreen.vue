<script setup lang="ts"></script>

<template>
  <div class="k-column">
    <h1>There is nothing here</h1>
    <p>
      The address may be mistyped.
      <router-link :to="{ name: 'library' }">Your lectures are in the library.</router-link>
    </p>
  </div>
</template>
