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
