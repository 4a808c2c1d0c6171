import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';

/** From one look at the picture to the next, ms; and its longer side as it is looked at, px. */
const [EVERY_MS, LOOK_PX] = [150, 640];

interface CameraReaderProps {
  /** Called with what a square code says, once for each time that it comes into sight. */
  readonly onCode: (text: string) => void;
}

/** Reads square codes by the camera of this device, for those who have no scanner. Pictures stay on the device. */
export function CameraReader({ onCode }: CameraReaderProps) {
  const [isOn, setOn] = useState(false);
  const [fault, setFault] = useState('');
  return (
    <Box sx={{ my: 1 }}>
      <Button onClick={() => { setFault(''); setOn(!isOn); }}>{isOn ? 'Camera off' : 'Read codes by camera'}</Button>
      {fault !== '' && (
        <Typography role="alert" color="error">
          {fault}
        </Typography>
      )}
      {isOn && (
        <Sight
          onCode={onCode}
          onFault={(text) => {
            setOn(false);
            setFault(text);
          }}
        />
      )}
    </Box>
  );
} // prettier-ignore

/** What the camera sees, looked through for codes a few times a second until it is taken away. */
function Sight({ onCode, onFault }: CameraReaderProps & { readonly onFault: (text: string) => void }) {
  const video = useRef<HTMLVideoElement>(null);
  const latest = useRef({ onCode, onFault });
  useEffect(() => {
    latest.current = { onCode, onFault };
  });
  useEffect(() => {
    const end = new AbortController();
    watch(video.current, (text) => latest.current.onCode(text), end.signal).catch((error: unknown) => {
      if (!end.signal.aborted) latest.current.onFault(sayFault(error));
    });
    return () => end.abort();
  }, []);
  return (
    <Box sx={{ mt: 1 }}>
      <Box component="video" ref={video} muted playsInline aria-label="What the camera sees" sx={{ width: '100%', maxWidth: 420, display: 'block', bgcolor: 'text.primary' }} />
      <Typography color="textSecondary">Hold the square code of a label before the camera, a hand’s breadth away.</Typography>
    </Box>
  );
} // prettier-ignore

async function watch(video: HTMLVideoElement | null, onCode: (text: string) => void, signal: AbortSignal): Promise<void> {
  if (!video) return;
  // Browsers give a camera only to pages behind HTTPS.
  if (!('mediaDevices' in navigator)) throw new DOMException('', 'SecurityError');
  const [{ default: jsqr }, stream] = await Promise.all([import('jsqr'), navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } })]);
  signal.addEventListener('abort', () => stream.getTracks().forEach((track) => track.stop()));
  if (signal.aborted) return stream.getTracks().forEach((track) => track.stop());
  video.srcObject = stream;
  await video.play();
  const canvas = document.createElement('canvas');
  let seen = '';
  while (!signal.aborted) {
    const pixels = pixelsOf(video, canvas);
    const text = pixels ? (jsqr(pixels.data, pixels.width, pixels.height)?.data ?? '') : '';
    if (text !== '' && text !== seen) onCode(text);
    seen = text;
    await new Promise((resolve) => setTimeout(resolve, EVERY_MS));
  }
} // prettier-ignore

/** The picture as it is now, small enough to be looked through quickly. */
function pixelsOf(video: HTMLVideoElement, canvas: HTMLCanvasElement): ImageData | undefined {
  const { videoWidth, videoHeight } = video;
  if (videoWidth === 0) return undefined;
  const scale = Math.min(1, LOOK_PX / Math.max(videoWidth, videoHeight));
  [canvas.width, canvas.height] = [Math.round(videoWidth * scale), Math.round(videoHeight * scale)];
  const context = canvas.getContext('2d', { willReadFrequently: true });
  context?.drawImage(video, 0, 0, canvas.width, canvas.height);
  return context?.getImageData(0, 0, canvas.width, canvas.height);
}

function sayFault(error: unknown): string {
  const name = error instanceof DOMException ? error.name : '';
  if (name === 'NotAllowedError') return 'The camera is not allowed for this page. Allow it in the browser, or type the code.';
  if (name === 'NotFoundError') return 'This device has no camera. Type the code, or use a scanner.';
  if (name === 'SecurityError') return 'Browsers give a camera only to pages behind HTTPS; the guide to deploying says how. Type the code meanwhile.';
  return 'The camera cannot be read just now: another program may have it. Close that, or type the code.';
} // prettier-ignore
