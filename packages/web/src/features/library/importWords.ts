/** What a parts pack changes, and has changed, in words. */
import type { PartsImported } from '@low-quarry/core/contracts/importParts';

export type PackWords = {
  readonly would: string;
  /** null where there is nothing to do. */
  readonly press: string | null;
  readonly done: string;
};

export function packWords({ added, changed, same, connectors }: PartsImported): PackWords {
  const parts = [
    added > 0 && `${count(added, 'new part')}`,
    changed > 0 && `${count(changed, 'changed part')}`,
    connectors > 0 && `${count(connectors, 'new connector')}`,
  ].filter((each) => each !== false);
  const rest = same > 0 ? ` ${count(same, 'part')} ${same === 1 ? 'is' : 'are'} here already, just like that.` : '';
  if (parts.length === 0)
    return { would: `Nothing in it is new.${rest}`, press: null, done: `Nothing was new.${rest}` };
  const what = parts.join(' and ');
  return { would: `It has ${what}.${rest}`, press: `Bring in ${what}`, done: `In the catalogue: ${what}.` };
}

function count(number: number, what: string): string {
  return `${number.toLocaleString('en')} ${what}${number === 1 ? '' : 's'}`;
}
