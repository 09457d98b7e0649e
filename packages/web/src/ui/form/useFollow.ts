/**
 * A form that nobody has typed into shows what the shop has, also when somebody else saves it, or a screen opened with what the device had
 * kept. What is typed stays.
 */
import { useEffect, useRef } from 'react';

/**
 * @param version of the record that the shop has now
 * @param show puts that record into the form
 */
export function useFollow(version: number, isTouched: boolean, show: () => void): void {
  const latest = useRef({ isTouched, show });
  latest.current = { isTouched, show };
  const shown = useRef(version);
  useEffect(() => {
    if (shown.current === version) return;
    shown.current = version;
    if (!latest.current.isTouched) latest.current.show();
  }, [version]);
}
