import type { InjectionKey, Ref } from 'vue'

/** The lecture whose page this is. */
export const lectureIdKey: InjectionKey<Ref<string>> = Symbol('lecture')
