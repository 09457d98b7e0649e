/**
 * What a screen keeps in the address bar, ahead of the router. The router takes a new address over in its own time; two
 * changes in quick succession would both start from the old one, and a field that waited for it would lose letters. Here
 * a change counts from the moment it is made.
 */
import { useEffect, useRef, useState } from 'react';
import { NavigationType, useNavigationType, useSearchParams } from 'react-router';

/** @returns the parameters, and a function that changes them without a new entry in the history */
export function useAddress(): readonly [
  URLSearchParams,
  (change: (before: URLSearchParams) => URLSearchParams) => void,
] {
  const [arrived, setSearch] = useSearchParams();
  const navigation = useNavigationType();
  const [ahead, setAhead] = useState<URLSearchParams | null>(null);
  useEffect(() => {
    setAhead((own) => (navigation !== NavigationType.Replace || own?.toString() === arrived.toString() ? null : own));
  }, [arrived, navigation]);
  const current = ahead ?? arrived;
  const latest = useRef(current);
  latest.current = current;
  const change = (edit: (before: URLSearchParams) => URLSearchParams) => {
    const next = edit(latest.current);
    latest.current = next;
    setAhead(next);
    setSearch(next, { replace: true });
  };
  return [current, change];
}

/** Which page of a list the address names, the first where it names none. */
export function readPage(search: URLSearchParams): number {
  return Math.max(1, Math.floor(Number(search.get('page') ?? 1)) || 1);
}

/** The first page is not named. */
export function writePage(page: number): string | null {
  return page === 1 ? null : String(page);
}

/** The parameters with some of them set, or taken out where the value is null. */
export function withParams(before: URLSearchParams, changes: Readonly<Record<string, string | null>>): URLSearchParams {
  const next = new URLSearchParams(before);
  for (const [name, value] of Object.entries(changes)) {
    if (value === null) next.delete(name);
    else next.set(name, value);
  }
  return next;
}
