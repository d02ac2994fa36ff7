import { createPinia } from 'pinia'
import { createApp, defineComponent, h } from 'vue'

/** Runs a composable as a component would, with a store; the second function takes the component away again. */
export function inComponent<T>(compose: () => T): [T, () => void] {
  let made: T | undefined
  const app = createApp(
    defineComponent({
      setup() {
        made = compose()
        return () => h('div')
      },
    }),
  )
  app.use(createPinia()).mount(document.createElement('div'))
  return [made as T, () => app.unmount()]
}
