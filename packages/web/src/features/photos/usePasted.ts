/** Pictures that are pasted: into the part of the screen that has the focus, else into the main one. */
import { type RefObject, useEffect, useRef } from 'react';

/** Marks each part of a screen that takes photos. */
export const TAKES_PHOTOS = 'data-takes-photos';

/** @param isMain of a screen's parts, the one that is meant where no other has the focus */
export function usePasted(
  part: RefObject<HTMLElement | null>,
  isMain: boolean,
  onPaste: (files: readonly File[]) => void,
) {
  const paste = useRef(onPaste);
  paste.current = onPaste;
  useEffect(() => {
    const listen = (event: ClipboardEvent) => {
      const files = [...(event.clipboardData?.files ?? [])];
      if (files.length === 0) return;
      const focused = document.activeElement?.closest(`[${TAKES_PHOTOS}]`) ?? null;
      if (focused ? focused !== part.current : !isMain) return;
      event.preventDefault();
      paste.current(files);
    };
    document.addEventListener('paste', listen);
    return () => document.removeEventListener('paste', listen);
  }, [part, isMain]);
}
