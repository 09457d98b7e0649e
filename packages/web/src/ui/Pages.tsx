/** Which page of a list is shown, and the way to the others; nothing where there is one page only. */
import { Button } from './Button';

type PagesProps = {
  /** The first is 1. */
  readonly page: number;
  readonly pageSize: number;
  readonly total: number;
  /** Of what, in the plural. */
  readonly what: string;
  readonly onPage: (page: number) => void;
};

export function Pages({ page, pageSize, total, what, onPage }: PagesProps) {
  const last = Math.max(1, Math.ceil(total / pageSize));
  if (last === 1 && page === 1) return null;
  const first = (page - 1) * pageSize + 1;
  const shown = page > last ? `No ${what} on page ${page}` : `${what} ${first} to ${Math.min(total, page * pageSize)}`;
  return (
    <nav aria-label={`Pages of ${what}`} className="flex flex-wrap items-center gap-4">
      <Button disabled={page <= 1} onClick={() => onPage(Math.min(page - 1, last))}>
        Earlier page
      </Button>
      <span>
        {shown[0]?.toUpperCase()}
        {shown.slice(1)} of {total.toLocaleString('en')}
      </span>
      <Button disabled={page >= last} onClick={() => onPage(page + 1)}>
        Next page
      </Button>
    </nav>
  );
}
