const patienceMs = 3000

/** A place to scroll back to, once the page has grown long enough for it; what a screen shows is fetched after it was entered. */
export function whenLongEnough(place: { left: number; top: number }): Promise<{ left: number; top: number }> {
  const since = performance.now()
  return new Promise((done) => {
    const look = () => {
      const isLong = document.documentElement.scrollHeight - innerHeight >= place.top
      if (isLong || performance.now() - since > patienceMs) done(place)
      else requestAnimationFrame(look)
    }
    look()
  })
}
