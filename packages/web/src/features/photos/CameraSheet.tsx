/** The camera's picture within the page, and a button that takes it. The camera is let go when the sheet is closed. */
import { useEffect, useRef, useState } from 'react';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';

const QUALITY = 0.95;

export function CameraSheet({ onTake }: { readonly onTake: (file: File) => void }) {
  const video = useRef<HTMLVideoElement>(null);
  const [fault, setFault] = useState<string | null>(null);
  const [isReady, setReady] = useState(false);
  const [taken, setTaken] = useState(0);
  useEffect(() => {
    let stream: MediaStream | null = null;
    let isClosed = false;
    const open = async () => {
      const wanted = { video: { facingMode: 'environment', width: { ideal: 2560 } }, audio: false };
      stream = await navigator.mediaDevices.getUserMedia(wanted);
      if (isClosed || !video.current) return stop(stream);
      video.current.srcObject = stream;
      await video.current.play();
      setReady(true);
    };
    open().catch((error: unknown) => {
      if (!isClosed) setFault(faultWords(error));
    });
    return () => {
      isClosed = true;
      stop(stream);
    };
  }, []);
  const take = () => {
    const { current } = video;
    if (!current) return;
    const canvas = document.createElement('canvas');
    canvas.width = current.videoWidth;
    canvas.height = current.videoHeight;
    canvas.getContext('2d')?.drawImage(current, 0, 0);
    canvas.toBlob(
      (blob) => {
        if (!blob) return setFault('The camera gave no picture. Take it again.');
        setTaken((before) => before + 1);
        onTake(new File([blob], 'camera.jpg', { type: 'image/jpeg' }));
      },
      'image/jpeg',
      QUALITY,
    );
  };
  return (
    <div className="flex flex-col gap-3">
      <video
        ref={video}
        muted
        playsInline
        aria-label="What the camera sees"
        className="max-h-[60dvh] w-full bg-ink object-contain"
      />
      <FormError>{fault}</FormError>
      <span className="flex flex-wrap items-center gap-3">
        <Button kind="main" disabled={!isReady} onClick={take}>
          Take the photo
        </Button>
        <span role="status">
          {taken === 0 ? '' : taken === 1 ? 'One photo is taken.' : `${taken} photos are taken.`}
        </span>
      </span>
    </div>
  );
}

function stop(stream: MediaStream | null): void {
  for (const track of stream?.getTracks() ?? []) track.stop();
}

/** Names by W3C Media Capture and Streams, 10.2. */
function faultWords(error: unknown): string {
  const name = error instanceof DOMException ? error.name : '';
  if (name === 'NotAllowedError')
    return 'The browser was told not to give this page the camera: allow it in the bar above, or add a file.';
  if (name === 'NotFoundError') return 'This device has no camera. Add a file instead.';
  if (name === 'NotReadableError') return 'Another program is using the camera. Close it, or add a file.';
  return 'The camera cannot be used. Add a file instead.';
}
