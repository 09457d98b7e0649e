/** The picture of a photo: from the shop, or from this device while it waits. One that cannot be shown says why. */
import { useEffect, useState } from 'react';
import { deviceStore } from '../../device/DeviceStore';
import type { AddPhoto } from '../../outbox/Entry';
import { readPicture } from '../../outbox/waitingPictures';
import { pictureAddress } from './photoQueries';
import type { ShownPhoto } from './shownPhoto';

type PhotoPictureProps = {
  readonly shown: ShownPhoto;
  readonly size: 'whole' | 'small';
  readonly alt: string;
  readonly className: string;
};

export function PhotoPicture({ shown, size, alt, className }: PhotoPictureProps) {
  const waiting = useWaitingPicture(shown.kind === 'waiting' ? shown.entry : null);
  const [isBroken, setBroken] = useState(false);
  const address = shown.kind === 'kept' ? pictureAddress(shown.photo.hash, size) : waiting;
  if (isBroken)
    return (
      <span
        className={`grid place-items-center bg-ground p-1 text-center text-[13px] leading-4 text-muted ${className}`}
      >
        Not to be had now
        <span className="sr-only">: {alt}</span>
      </span>
    );
  if (address === null) return <span className={`bg-ground ${className}`} />;
  return <img src={address} alt={alt} className={className} draggable={false} onError={() => setBroken(true)} />;
}

/** Its address in this page, null until it is read. */
function useWaitingPicture(entry: AddPhoto | null): string | null {
  const [address, setAddress] = useState<string | null>(null);
  const id = entry?.id;
  const personId = entry?.personId;
  useEffect(() => {
    if (id === undefined || personId === undefined) return;
    let made: string | null = null;
    let isGone = false;
    void readPicture(deviceStore, { id, personId }).then((jpeg) => {
      if (!jpeg || isGone) return;
      made = URL.createObjectURL(new Blob([jpeg], { type: 'image/jpeg' }));
      setAddress(made);
    });
    return () => {
      isGone = true;
      if (made) URL.revokeObjectURL(made);
    };
  }, [id, personId]);
  return address;
}
