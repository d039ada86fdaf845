/** The microphone: opened on the user's act only, with all voice processing off, and nothing leaves the device. */
export type OpenFailure = 'refused' | 'missing' | 'insecure' | 'busy' | 'unsupported'

export interface OpenMicrophone {
  rateHz: number
  close(): void
}

export interface MicrophoneHandlers {
  onBlock(block: Float32Array): void
  /** The device was unplugged, or permission was taken back. */
  onLost(): void
  /** The browser holds the sound back (true) or lets it through again. */
  onPause(paused: boolean): void
}

export type OpenResult = { ok: true; microphone: OpenMicrophone } | { ok: false; why: OpenFailure }

export interface Microphone {
  /** @param input browser id of the device; null for the browser's own choice */
  open(input: string | null, handlers: MicrophoneHandlers): Promise<OpenResult>
  /** Input devices; browsers name them once the microphone was allowed. */
  inputs(): Promise<Array<{ id: string; name: string }>>
}

const WORKLET_URL = '/worklet/blocks.js'

/** Voice processing would gate the tail, shift levels and take the room away: all off. */
const constraints = (input: string | null): MediaStreamConstraints => ({
  audio: {
    echoCancellation: false,
    noiseSuppression: false,
    autoGainControl: false,
    channelCount: 1,
    ...(input ? { deviceId: { exact: input } } : {}),
  },
})

export const browserMicrophone: Microphone = {
  async inputs() {
    const devices = await navigator.mediaDevices.enumerateDevices().catch(() => [])
    return devices
      .filter(({ kind, deviceId }) => kind === 'audioinput' && deviceId)
      .map(({ deviceId, label }, i) => ({ id: deviceId, name: label || `Input ${i + 1}` }))
  },
  async open(input, handlers) {
    if (!window.isSecureContext) return { ok: false, why: 'insecure' }
    if (!navigator.mediaDevices || typeof AudioWorkletNode === 'undefined')
      return { ok: false, why: 'unsupported' }
    let stream: MediaStream
    try {
      stream = await streamFrom(input)
    } catch (error) {
      return { ok: false, why: failureOf(error) }
    }
    // The context keeps the device's own rate; 'playback' asks for large buffers, which lose fewer samples.
    const context = new AudioContext({ latencyHint: 'playback' })
    try {
      await context.audioWorklet.addModule(WORKLET_URL)
    } catch {
      stream.getTracks().forEach((track) => track.stop())
      void context.close()
      return { ok: false, why: 'unsupported' }
    }
    const node = new AudioWorkletNode(context, 'humbra-blocks', { numberOfOutputs: 0 })
    node.port.onmessage = ({ data }: MessageEvent<Float32Array>) => handlers.onBlock(data)
    context.createMediaStreamSource(stream).connect(node)
    const track = stream.getAudioTracks()[0]
    track.addEventListener('ended', handlers.onLost)
    const permission = await navigator.permissions
      ?.query({ name: 'microphone' as PermissionName })
      .catch(() => null)
    const revoked = () => permission?.state === 'denied' && handlers.onLost()
    permission?.addEventListener('change', revoked)
    // A phone call or a lock suspends the context; it goes on when the page is looked at again.
    const resume = () => {
      if (document.visibilityState === 'visible' && context.state !== 'running') void context.resume()
    }
    document.addEventListener('visibilitychange', resume)
    const held = () => handlers.onPause(context.state !== 'running' || track.muted)
    const release = await keepAwake()
    await context.resume()
    context.addEventListener('statechange', held)
    track.addEventListener('mute', held)
    track.addEventListener('unmute', held)
    return {
      ok: true,
      microphone: {
        rateHz: context.sampleRate,
        close() {
          document.removeEventListener('visibilitychange', resume)
          permission?.removeEventListener('change', revoked)
          context.removeEventListener('statechange', held)
          track.removeEventListener('mute', held)
          track.removeEventListener('unmute', held)
          track.removeEventListener('ended', handlers.onLost)
          stream.getTracks().forEach((each) => each.stop())
          node.port.onmessage = null
          void context.close()
          release()
        },
      },
    }
  },
}

/** The chosen input, or the browser's own choice where that one is not plugged in any more. */
async function streamFrom(input: string | null): Promise<MediaStream> {
  try {
    return await navigator.mediaDevices.getUserMedia(constraints(input))
  } catch (error) {
    const gone = error instanceof DOMException && error.name === 'OverconstrainedError'
    if (!input || !gone) throw error
    return navigator.mediaDevices.getUserMedia(constraints(null))
  }
}

function failureOf(error: unknown): OpenFailure {
  const name = error instanceof DOMException ? error.name : ''
  if (name === 'NotAllowedError' || name === 'SecurityError') return 'refused'
  if (name === 'NotFoundError' || name === 'OverconstrainedError') return 'missing'
  return 'busy'
}

/** Keeps the screen on while the Bench listens, where the browser can; taken anew when the page comes back. */
async function keepAwake(): Promise<() => void> {
  if (!('wakeLock' in navigator)) return () => undefined
  let lock: WakeLockSentinel | null = null
  let over = false
  const take = async () => {
    if (over || document.visibilityState !== 'visible') return
    lock = await navigator.wakeLock.request('screen').catch(() => null)
  }
  const again = () => void take()
  document.addEventListener('visibilitychange', again)
  await take()
  return () => {
    over = true
    document.removeEventListener('visibilitychange', again)
    void lock?.release()
  }
}
