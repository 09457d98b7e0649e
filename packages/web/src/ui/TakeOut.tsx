/** A list as a file: what the screen shows, all pages of it. */
import { TABLE_FORMATS } from '@low-quarry/core/contracts/tableFormats';
import { listTable, type TableOut } from '@low-quarry/core/contracts/tables';
import { fillPath } from '../api/fillPath';
import { DownloadLink } from './Button';

type TakeOutProps = {
  readonly list: TableOut;
  /** What the list is narrowed to. */
  readonly asked?: Readonly<Partial<Record<'id' | 'find' | 'by' | 'jobs' | 'sort' | 'dueBy' | 'waits', string | null>>>;
};

export function TakeOut({ list, asked = {} }: TakeOutProps) {
  return (
    <p className="only-screen flex flex-wrap items-center gap-3 pt-3">
      <span>This list as a file:</span>
      {TABLE_FORMATS.map((format) => (
        <DownloadLink key={format} href={fillPath(listTable.path, { list, format, ...asked })}>
          {format.toUpperCase()}
        </DownloadLink>
      ))}
    </p>
  );
}
