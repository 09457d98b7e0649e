/** What the camera sees; `useCamera` fills it. */
import type { RefObject } from 'react';

export function CameraPicture({ video }: { readonly video: RefObject<HTMLVideoElement | null> }) {
  return (
    <video
      ref={video}
      muted
      playsInline
      aria-label="What the camera sees"
      className="max-h-[60dvh] w-full bg-ink object-contain"
    />
  );
}
