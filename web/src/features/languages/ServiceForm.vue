<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, must, says, type Service } from '@/api/client'
import ServiceEntry from '@/shared/ServiceEntry.vue'

const props = defineProps<{ service: Service | null }>()
const emit = defineEmits<{ changed: [] }>()
const isEntering = ref(false)
const isAsking = ref(false)
const problem = ref('')
const abilities = computed(() => {
  if (!props.service) return ''
  const { languages, translates } = props.service
  const spoken = languages ? languages.map((l) => l.name).join(', ') : 'It does not say which languages it understands'
  const also = translates === null ? '' : translates ? ' It also translates.' : ' It does not translate.'
  return `${languages ? `Understands ${spoken}.` : `${spoken}.`}${also}`
})

watch(
  () => props.service,
  () => (isEntering.value = false),
)

async function attempt(action: () => Promise<unknown>) {
  problem.value = ''
  isAsking.value = true
  try {
    await action()
    emit('changed')
  } catch (e) {
    problem.value = says(e)
  } finally {
    isAsking.value = false
  }
}

const enter = (entry: { address: string; key: string | null; model: string; agreed: boolean }) =>
  attempt(() => must(api.PUT('/api/service', { body: entry })))
const turn = (isOn: boolean) => attempt(() => must(api.POST('/api/service/switch', { body: { isOn } })))
const forget = () => attempt(() => must(api.DELETE('/api/service')))
</script>

<template>
  <p class="warning">
    <b>The sound leaves this computer.</b> Lectures that you give to a service are sent there, stretch by stretch, and
    what happens to them there is up to whoever runs it. Ask whoever spoke, and your school, whether that is allowed. It
    is off until you switch it on, and used only for the recordings for which you choose it.
  </p>
  <div v-if="service && !isEntering" class="entered">
    <p>
      <b>{{ service.host }}</b>, model {{ service.model }}: {{ service.isOn ? 'on' : 'off' }}.
      <span class="k-soft">{{ abilities }}</span>
    </p>
    <p v-if="!service.isEncrypted" class="problem">
      The way there is not encrypted: others on the network can listen in and read the key.
    </p>
    <div class="row">
      <v-btn v-if="service.isOn" :loading="isAsking" variant="outlined" @click="turn(false)">Switch it off</v-btn>
      <v-btn v-else :loading="isAsking" @click="turn(true)">Switch it on</v-btn>
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
    :known="service"
    placeholder="https://…/v1"
    address-hint="What all its addresses begin with; it answers at …/models and …/audio/transcriptions"
    key-hint="Is kept on this computer"
    consent="The sound of lectures that I choose it for may leave this computer"
    :is-asking="isAsking"
    :problem="problem"
    @enter="enter"
    @leave="isEntering = false"
  />
  <p v-if="problem && !isEntering" class="problem" role="alert">{{ problem }}</p>
</template>

<style scoped>
.warning {
  margin: 10px 0 14px;
  border-left: 3px solid var(--buff);
  padding-left: 12px;
  max-width: 62ch;
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
