/** The camera's picture within the page, and a button that takes it. The camera is let go when the sheet is closed. */
import { useRef, useState } from 'react';
import { Button } from '../../ui/Button';
import { CameraPicture } from '../../ui/CameraPicture';
import { FormError } from '../../ui/FormError';
import { useCamera } from '../../ui/useCamera';

const QUALITY = 0.95;
const WIDTH_PX = 2560;

export function CameraSheet({ onTake }: { readonly onTake: (file: File) => void }) {
  const video = useRef<HTMLVideoElement>(null);
  const { isReady, fault: cameraFault } = useCamera(video, WIDTH_PX, 'add a file');
  const [fault, setFault] = useState<string | null>(null);
  const [taken, setTaken] = useState(0);
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
      <CameraPicture video={video} />
      <FormError>{cameraFault ?? fault}</FormError>
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
