/** Hears a scanner that types, wherever one is and no field is being filled in, and goes to what was scanned. */
import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { TypedCode } from './TypedCode';

export function ScannerHeard() {
  const navigate = useNavigate();
  useEffect(() => {
    const typed = new TypedCode();
    const onKey = (event: KeyboardEvent) => {
      const { target } = event;
      if (target instanceof HTMLElement && target.closest('input, textarea, select')) return;
      const code = typed.press(event.key, event.timeStamp);
      if (code === null) return;
      // What is in focus is not pressed by the scanner's Enter.
      event.preventDefault();
      void navigate(`/scan?code=${encodeURIComponent(code)}`);
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, [navigate]);
  return null;
}
