/** Says of a part that its maker makes it no more, and leads to what took its place. */
import type { PartRecord } from '@low-quarry/core/catalogue';
import { Link } from 'react-router';

export function NoLongerMade({ isDiscontinued, replacedBy }: Pick<PartRecord, 'isDiscontinued' | 'replacedBy'>) {
  if (!isDiscontinued) return null;
  return (
    <span className="block font-semibold text-measure">
      No longer made.{' '}
      {replacedBy === null ? (
        'What took its place is not known.'
      ) : (
        <Link to={`/parts/${replacedBy}`} className="text-action underline underline-offset-2">
          What took its place
        </Link>
      )}
    </span>
  );
}
