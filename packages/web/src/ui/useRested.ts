import { useEffect, useState } from 'react';

/** A value as it was when it last stood still for so long, ms; with 0 the value itself. */
export function useRested<Value>(value: Value, ms: number): Value {
  const [rested, setRested] = useState(value);
  useEffect(() => {
    if (ms === 0) return;
    const timer = setTimeout(() => setRested(value), ms);
    return () => clearTimeout(timer);
  }, [value, ms]);
  return ms === 0 ? value : rested;
}

/** A list is asked for when the hand rests, not at each letter, ms. */
const ASK_MS = 250;
/** As many letters as the server takes. */
export const MOST_LETTERS = 100;

/** Words that somebody looks for, as they are sent. */
export function useAsked(words: string): string {
  return useRested(words, ASK_MS).slice(0, MOST_LETTERS);
}
