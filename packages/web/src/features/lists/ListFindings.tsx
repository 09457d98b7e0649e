/** What of a list stays out, and why; taken away as a file, it is mended and brought again. */
import type { ListImported } from '@low-quarry/core/contracts/supplierLists';
import { useEffect, useState } from 'react';
import { DownloadLink } from '../../ui/Button';
import { columnName } from './listWords';

const GRADES = { error: 'Stays out', doubt: 'Doubtful', note: 'Note' } as const;
const COLOURS = { error: 'text-hits', doubt: 'text-measure', note: 'text-muted' } as const;

type ListFindingsProps = { readonly answer: ListImported; readonly name: string };

export function ListFindings({ answer: { findings, found, unknownRows, unknown, toMend }, name }: ListFindingsProps) {
  const href = useFile(toMend);
  return (
    <>
      {found > 0 && (
        <section aria-label="Findings" className="flex flex-col gap-2">
          <h2>
            {found.toLocaleString('en')} {found === 1 ? 'finding' : 'findings'}
            {found > findings.length && `, the first ${findings.length} of them`}
          </h2>
          <ul className="border-t border-ink">
            {findings.map(({ grade, line, column, message }) => (
              <li key={`${line} ${column} ${message}`} className="border-b border-hairline py-1.5">
                <strong className={COLOURS[grade]}>{GRADES[grade]}</strong>, row {line}
                {column !== null && column >= 0 && `, column ${columnName(column)}`}: {message}
              </li>
            ))}
          </ul>
          {href && (
            <DownloadLink href={href} download={`to mend ${name}`} className="self-start">
              Download what stays out, to mend it
            </DownloadLink>
          )}
        </section>
      )}
      {unknown > 0 && (
        <section aria-label="Rows of no part" className="flex flex-col gap-2">
          <h2>
            {unknown.toLocaleString('en')} {unknown === 1 ? 'row is' : 'rows are'} of no part of this library
            {unknown > unknownRows.length && `, the first ${unknownRows.length} of them`}
          </h2>
          <ul className="columns-1 border-t border-ink sm:columns-2">
            {unknownRows.map(({ line, number, name: called }) => (
              <li key={line} className="py-0.5">
                Row {line}: {[number, called].filter(Boolean).join(', ')}
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

/** An address of a text that is taken away as a file; null for none. */
function useFile(text: string | null): string | null {
  const [href, setHref] = useState<string | null>(null);
  useEffect(() => {
    if (text === null) return setHref(null);
    const url = URL.createObjectURL(new Blob([text], { type: 'text/csv' }));
    setHref(url);
    return () => URL.revokeObjectURL(url);
  }, [text]);
  return href;
}
