import { type RefObject, useEffect } from 'react';
import { useLocation } from 'react-router';

/** Who comes from an open point begins at its field, which bears the name after the # of the address as `data-fact`. */
export function useFieldInAddress(sheet: RefObject<HTMLElement | null>): void {
  const { hash } = useLocation();
  useEffect(() => {
    if (hash === '') return;
    const place = sheet.current?.querySelector(`[data-fact="${CSS.escape(hash.slice(1))}"]`);
    place?.querySelector<HTMLElement>('input, select, textarea')?.focus();
    place?.scrollIntoView({ block: 'center' });
  }, [hash, sheet]);
}
