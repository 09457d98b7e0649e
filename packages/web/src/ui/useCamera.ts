/** Shows what the camera sees in a video element, for as long as the element is there. */
import { type RefObject, useEffect, useState } from 'react';

/**
 * @param widthPx of the picture that is wished for
 * @param instead what one does without a camera: "add a file"
 */
export function useCamera(
  video: RefObject<HTMLVideoElement | null>,
  widthPx: number,
  instead: string,
): { readonly isReady: boolean; readonly fault: string | null } {
  const [fault, setFault] = useState<string | null>(null);
  const [isReady, setReady] = useState(false);
  useEffect(() => {
    let stream: MediaStream | null = null;
    let isClosed = false;
    const open = async () => {
      const wanted = { video: { facingMode: 'environment', width: { ideal: widthPx } }, audio: false };
      // A page that came over plain http is not given it at all.
      if (!navigator.mediaDevices) throw new DOMException('no secure context', 'SecurityError');
      stream = await navigator.mediaDevices.getUserMedia(wanted);
      if (isClosed || !video.current) return stop(stream);
      video.current.srcObject = stream;
      await video.current.play();
      setReady(true);
    };
    open().catch((error: unknown) => {
      if (!isClosed) setFault(faultWords(error, instead));
    });
    return () => {
      isClosed = true;
      stop(stream);
    };
  }, [video, widthPx, instead]);
  return { isReady, fault };
}

function stop(stream: MediaStream | null): void {
  for (const track of stream?.getTracks() ?? []) track.stop();
}

/** Names by W3C Media Capture and Streams, 10.2. */
function faultWords(error: unknown, instead: string): string {
  const name = error instanceof DOMException ? error.name : '';
  const otherwise = `${instead.charAt(0).toUpperCase()}${instead.slice(1)} instead.`;
  if (name === 'NotAllowedError')
    return `The browser was told not to give this page the camera: allow it in the bar above, or ${instead}.`;
  if (name === 'NotFoundError') return `This device has no camera. ${otherwise}`;
  if (name === 'NotReadableError') return `Another program is using the camera. Close it, or ${instead}.`;
  if (name === 'SecurityError') return `This page came over plain http, and browsers give it no camera. ${otherwise}`;
  return `The camera cannot be used. ${otherwise}`;
}
