import { startCodes } from '@/workers/codes/client'

export type CameraTrouble = 'refused' | 'missing' | 'insecure' | 'busy'

/** Pictures are looked at in this width: a code of some hundred squares a side keeps several points a square. */
const LOOK_WIDTH = 960
const BETWEEN_MS = 60

const TROUBLE: Record<string, CameraTrouble> = {
  NotAllowedError: 'refused',
  SecurityError: 'refused',
  NotFoundError: 'missing',
  OverconstrainedError: 'missing',
}

/**
 * Opens the camera, shows it in a video and says every code that comes before it, until it is closed. Pictures are looked at on this
 * device and kept nowhere.
 * @returns how to close it, or why it cannot be opened
 */
export async function watchCodes(
  video: HTMLVideoElement,
  onCode: (text: string) => void,
): Promise<{ close(): void } | CameraTrouble> {
  const devices = navigator.mediaDevices as MediaDevices | undefined
  if (!devices?.getUserMedia) return 'insecure'
  let stream: MediaStream
  try {
    stream = await devices.getUserMedia({
      video: { facingMode: 'environment', width: { ideal: 1280 }, height: { ideal: 960 } },
    })
  } catch (error) {
    return TROUBLE[(error as Error).name] ?? 'busy'
  }
  const worker = startCodes()
  const canvas = document.createElement('canvas')
  const context = canvas.getContext('2d', { willReadFrequently: true })!
  let open = true
  const look = async () => {
    if (!open) return
    if (video.videoWidth > 0) {
      const scale = Math.min(1, LOOK_WIDTH / video.videoWidth)
      canvas.width = Math.round(video.videoWidth * scale)
      canvas.height = Math.round(video.videoHeight * scale)
      context.drawImage(video, 0, 0, canvas.width, canvas.height)
      const { data, width, height } = context.getImageData(0, 0, canvas.width, canvas.height)
      const text = await worker.read(data, width, height).catch(() => null)
      if (open && text) onCode(text)
    }
    setTimeout(() => void look(), BETWEEN_MS)
  }
  const close = () => {
    open = false
    stream.getTracks().forEach((track) => track.stop())
    video.srcObject = null
  }
  video.srcObject = stream
  await video.play().catch(() => undefined)
  void look()
  return { close }
}
