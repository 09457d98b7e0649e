/** Reads a code with the camera: as soon as one is seen it is told, and the camera is let go. */
import { useEffect, useRef, useState } from 'react';
import { CameraPicture } from '../../ui/CameraPicture';
import { FormError } from '../../ui/FormError';
import { useCamera } from '../../ui/useCamera';
import { askCodes, endCodeWorker } from '../../workers/codeClient';

const WIDTH_PX = 1280;
/** Between two pictures, ms: a worker needs about as long for one. */
const PAUSE_MS = 120;
/** A picture is made so wide before it is looked at: a code over a third of it has 6 dots a square then. */
const READ_PX = 800;

const UNREAD =
  'What reads codes could not be loaded: the server may be away. Type what stands on the label, or close this and try again.';

export function CameraScan({ onRead }: { readonly onRead: (code: string) => void }) {
  const video = useRef<HTMLVideoElement>(null);
  const { isReady, fault } = useCamera(video, WIDTH_PX, 'type what stands on the label');
  const [isUnread, setUnread] = useState(false);
  const told = useRef(onRead);
  told.current = onRead;
  useEffect(() => {
    if (!isReady) return;
    let isOver = false;
    const look = async () => {
      while (!isOver) {
        const code = video.current && (await codeIn(video.current));
        if (code && !isOver) return told.current(code);
        await new Promise((resolve) => setTimeout(resolve, PAUSE_MS));
      }
    };
    look().catch(() => {
      if (!isOver) setUnread(true);
    });
    return () => {
      isOver = true;
      endCodeWorker();
    };
  }, [isReady]);
  return (
    <div className="flex flex-col gap-3">
      <CameraPicture video={video} />
      <p role="status">{isReady && !isUnread ? 'Hold it over the code until it is read.' : ''}</p>
      <FormError>{fault ?? (isUnread ? UNREAD : null)}</FormError>
    </div>
  );
}

async function codeIn(video: HTMLVideoElement): Promise<string | null> {
  const scale = Math.min(1, READ_PX / video.videoWidth);
  const [width, height] = [Math.round(video.videoWidth * scale), Math.round(video.videoHeight * scale)];
  if (width === 0 || height === 0) return null;
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) return null;
  context.drawImage(video, 0, 0, width, height);
  const { buffer } = context.getImageData(0, 0, width, height).data;
  return askCodes((worker) => worker.read(buffer as ArrayBuffer, width, height));
}
