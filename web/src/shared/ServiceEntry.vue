<script setup lang="ts">
import { ref } from 'vue'

/** Enters a service: where it is, its key and its model, with consent to what is sent there. */
const props = defineProps<{
  /** As it was entered before; its key is never shown. */
  known: { address: string; model: string; hasKey: boolean } | null
  placeholder: string
  addressHint: string
  keyHint: string
  consent: string
  isAsking: boolean
  problem: string
}>()
const emit = defineEmits<{
  enter: [entry: { address: string; key: string | null; model: string; agreed: boolean }]
  leave: []
}>()
const address = ref(props.known?.address ?? '')
const key = ref('')
const model = ref(props.known?.model ?? '')
const agreed = ref(false)
// At once, and not when the field is first seen: by then the next field may be the one that is typed into.
const vFocus = { mounted: (field: HTMLElement) => field.querySelector('input')?.focus() }

/** An empty key keeps the one that is there. */
const enter = () =>
  emit('enter', {
    address: address.value,
    key: key.value || (props.known?.hasKey ? null : ''),
    model: model.value,
    agreed: agreed.value,
  })
</script>

<template>
  <form class="form" @submit.prevent="enter">
    <v-text-field
      v-model="address"
      v-focus
      label="Base address"
      :placeholder="placeholder"
      :hint="addressHint"
      persistent-hint
    />
    <v-text-field
      v-model="key"
      label="Key"
      type="password"
      autocomplete="off"
      :hint="known?.hasKey ? 'Leave empty to keep the one that is there' : keyHint"
      persistent-hint
    />
    <v-text-field v-model="model" label="Model" />
    <v-checkbox v-model="agreed" :label="consent" hide-details />
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div class="row">
      <v-btn type="submit" :loading="isAsking" :disabled="!agreed || !address.trim() || !model.trim()"
        >Ask it, and switch it on</v-btn
      >
      <v-btn variant="text" @click="emit('leave')">Leave it</v-btn>
    </div>
  </form>
</template>

<style scoped>
.form {
  display: grid;
  gap: 14px;
  margin-top: 12px;
  max-width: 560px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin-top: 8px;
}
.problem {
  color: var(--wrong);
  margin: 0;
}
</style>
