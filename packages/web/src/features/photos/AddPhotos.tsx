/** Buttons that add photos: by the camera, or from files. */
import { useRef, useState } from 'react';
import { Button } from '../../ui/Button';
import { Layer } from '../../ui/Layer';
import { late } from '../../ui/late';
import { Loading } from '../../ui/states';

const CameraSheet = late(
  () => import('./CameraSheet').then((code) => code.CameraSheet),
  () => <Loading what="the camera" />,
);

type AddPhotosProps = {
  /** Of what the photos are. */
  readonly label: string;
  readonly isSmall: boolean;
  readonly onAdd: (files: readonly File[]) => void;
};

export function AddPhotos({ label, isSmall, onAdd }: AddPhotosProps) {
  const [isOpen, setOpen] = useState(false);
  const camera = useRef<HTMLInputElement>(null);
  const files = useRef<HTMLInputElement>(null);
  const kind = isSmall ? 'quiet' : 'other';
  return (
    <span className="flex flex-wrap gap-2">
      <Layer
        title={`Photo: ${label}`}
        open={isOpen}
        onOpenChange={setOpen}
        trigger={(props) => (
          <Button kind={kind} {...(hasStream() ? props : { onClick: () => camera.current?.click() })}>
            Take a photo<span className="sr-only"> of {label}</span>
          </Button>
        )}
      >
        <CameraSheet onTake={(file) => onAdd([file])} />
      </Layer>
      <Button kind={kind} onClick={() => files.current?.click()}>
        Add files<span className="sr-only"> to the photos of {label}</span>
      </Button>
      <FileInput input={camera} label={`Camera, ${label}`} isCamera onPick={onAdd} />
      <FileInput input={files} label={`Photo files, ${label}`} isCamera={false} onPick={onAdd} />
    </span>
  );
}

/**
 * Whether the camera is shown within the page. Telephones and tablets have a camera program of their own, which focuses and lights
 * better; browsers refuse a camera to a page that came over plain http.
 */
function hasStream(): boolean {
  return navigator.mediaDevices?.getUserMedia !== undefined && window.matchMedia('(pointer: fine)').matches;
}

type FileInputProps = {
  readonly input: React.RefObject<HTMLInputElement | null>;
  readonly label: string;
  readonly isCamera: boolean;
  readonly onPick: (files: readonly File[]) => void;
};

function FileInput({ input, label, isCamera, onPick }: FileInputProps) {
  return (
    <input
      ref={input}
      type="file"
      accept="image/*"
      aria-label={label}
      className="sr-only"
      tabIndex={-1}
      {...(isCamera ? { capture: 'environment' } : { multiple: true })}
      onChange={({ target }) => {
        const picked = [...(target.files ?? [])];
        // The same file can be picked again after it was mended.
        target.value = '';
        if (picked.length > 0) onPick(picked);
      }}
    />
  );
}
