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
}

export type OpenResult = { ok: true; microphone: OpenMicrophone } | { ok: false; why: OpenFailure }

export interface Microphone {
  open(handlers: MicrophoneHandlers): Promise<OpenResult>
}

const WORKLET_URL = '/worklet/blocks.js'

/** Voice processing would gate the tail, shift levels and take the room away: all off. */
const CONSTRAINTS: MediaStreamConstraints = {
  audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false, channelCount: 1 },
}

export const browserMicrophone: Microphone = {
  async open(handlers) {
    if (!window.isSecureContext) return { ok: false, why: 'insecure' }
    if (!navigator.mediaDevices || typeof AudioWorkletNode === 'undefined')
      return { ok: false, why: 'unsupported' }
    let stream: MediaStream
    try {
      stream = await navigator.mediaDevices.getUserMedia(CONSTRAINTS)
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
    // A phone call or a lock suspends the context; it goes on when the page is looked at again.
    const resume = () => {
      if (document.visibilityState === 'visible' && context.state !== 'running') void context.resume()
    }
    document.addEventListener('visibilitychange', resume)
    const release = await keepAwake()
    await context.resume()
    return {
      ok: true,
      microphone: {
        rateHz: context.sampleRate,
        close() {
          document.removeEventListener('visibilitychange', resume)
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
