import { defineAsyncComponent, type Component } from 'vue'

const firstMs = 400

/** Does something once there is nothing else to do, at the latest after so many milliseconds; a browser that cannot tell does it soon. */
export const whenIdle = (work: () => void, latestMs: number): number =>
  typeof requestIdleCallback === 'function'
    ? requestIdleCallback(work, { timeout: latestMs })
    : window.setTimeout(work, 30)

export const cancelIdle = (handle: number) =>
  typeof cancelIdleCallback === 'function' ? cancelIdleCallback(handle) : window.clearTimeout(handle)

/** What the screen shows comes first, and this when it has come. */
export const screenShown = new Promise<void>((shown) => setTimeout(() => whenIdle(shown, 500), firstMs))

/** A component that the screen can do without for its first moment; it is there before anybody needs it, and also when the server has gone. */
export const afterScreen = <T extends Component>(load: () => Promise<T>) =>
  defineAsyncComponent(() => screenShown.then(load))
