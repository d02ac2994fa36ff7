import address from './capture.js?worker&url'

/** Samples a second, here and on the server. */
export const sampleRate = 16_000

/** How loud a tenth of a second is, from 0 to 1. */
export interface Level {
  peak: number
  rms: number
}

/** What a microphone, or the sound of a tab, gives. */
export interface Microphone {
  name: string
  /** Pieces are made from now on, or no more; the last one comes as it is. */
  run: (isOn: boolean) => void
  close: () => void
}

interface Heard {
  piece: (samples: ArrayBuffer) => void
  level: (level: Level) => void
  /** It was pulled out, or taken away. */
  ended: () => void
}

/** Why a microphone could not be opened, and what to do. */
export function whyNot(e: unknown): string {
  const name = e instanceof DOMException ? e.name : ''
  if (!navigator.mediaDevices)
    return 'This page is not served securely, so the browser gives it no microphone. Open Kostel by the address that it printed.'
  if (name === 'NotAllowedError')
    return 'The browser was told not to give the microphone. Allow it beside the address of this page, then try again.'
  if (name === 'NotFoundError' || name === 'OverconstrainedError')
    return 'There is no microphone. Plug one in, then try again.'
  if (name === 'NotReadableError') return 'Another program has the microphone. Close that, then try again.'
  return 'The sound could not be opened. Choose another device, or try again.'
}

const speech = { channelCount: 1, echoCancellation: false, noiseSuppression: false, autoGainControl: true }

/** A stream as sound: at our rate where the browser brings it to that, else at the device's, which is brought to ours piece by piece. */
function listening(stream: MediaStream) {
  const context = new AudioContext({ sampleRate })
  try {
    return { context, sound: context.createMediaStreamSource(stream) }
  } catch (e) {
    void context.close()
    if (!(e instanceof DOMException) || e.name !== 'NotSupportedError') throw e
    const own = new AudioContext()
    return { context: own, sound: own.createMediaStreamSource(stream) }
  }
}

/** Opens the sound of a device, or of a tab or screen that the person chooses. */
export async function openMicrophone(
  source: { device: string | null; ofScreen: boolean },
  heard: Heard,
): Promise<Microphone> {
  const stream = source.ofScreen
    ? await navigator.mediaDevices.getDisplayMedia({ audio: speech, video: true })
    : await navigator.mediaDevices.getUserMedia({
        audio: source.device ? { ...speech, deviceId: { exact: source.device } } : speech,
      })
  const [track] = stream.getAudioTracks()
  if (!track) {
    stream.getTracks().forEach((t) => t.stop())
    throw new DOMException('No sound was shared.', 'NotFoundError')
  }
  const { context, sound } = listening(stream)
  await context.audioWorklet.addModule(address)
  const node = new AudioWorkletNode(context, 'capture', {
    numberOfOutputs: 0,
    channelCount: 1,
    channelCountMode: 'explicit',
  })
  node.port.onmessage = ({ data }: MessageEvent<{ piece?: ArrayBuffer } & Partial<Level>>) => {
    if (data.piece) heard.piece(data.piece)
    else heard.level({ peak: data.peak ?? 0, rms: data.rms ?? 0 })
  }
  sound.connect(node)
  track.onended = heard.ended
  // After the computer slept some browsers leave the sound where it was.
  context.onstatechange = () => void (context.state !== 'closed' && context.state !== 'running' && context.resume())
  return {
    name: track.label,
    run: (isOn) => node.port.postMessage(isOn ? 'on' : 'off'),
    close: () => {
      track.onended = null
      context.onstatechange = null
      stream.getTracks().forEach((t) => t.stop())
      void context.close()
    },
  }
}
