/** Somebody else saved first: both versions, field by field, and the choice. */
import type { Opening } from '@low-quarry/core/contracts/openings';
import type { OpeningRecord } from '@low-quarry/core/model/opening';
import { useEffect, useRef } from 'react';
import { Button } from '../../ui/Button';
import { differences } from './openingDraft';

type ConflictPanelProps = {
  readonly mine: OpeningRecord;
  readonly current: Opening;
  readonly onKeepMine: () => void;
  readonly onTakeTheirs: () => void;
};

export function ConflictPanel({ mine, current, onKeepMine, onTakeTheirs }: ConflictPanelProps) {
  const panel = useRef<HTMLElement>(null);
  useEffect(() => {
    panel.current?.scrollIntoView({ block: 'center' });
  }, []);
  const rows = differences(mine, current.record);
  return (
    <section
      ref={panel}
      role="alert"
      aria-label="Changed by somebody else"
      className="border-2 border-measure bg-paper p-4"
    >
      <h2 className="text-measure">Somebody else saved this opening while you were typing</h2>
      <p>Nothing is lost. Where the two differ:</p>
      <div className="overflow-x-auto">
        <table className="my-3 w-full text-left">
          <thead className="border-b border-ink">
            <tr>
              <th className="py-1 pr-4">Field</th>
              <th className="py-1 pr-4">Mine</th>
              <th className="py-1">Theirs</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ label, mine: a, theirs: b }) => (
              <tr key={label} className="border-b border-hairline">
                <th scope="row" className="py-1 pr-4 font-normal">
                  {label}
                </th>
                <td className="py-1 pr-4">{a}</td>
                <td className="py-1">{b}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div className="flex flex-wrap gap-3">
        <Button onClick={onKeepMine}>Save mine over theirs</Button>
        <Button onClick={onTakeTheirs}>Take theirs, drop mine</Button>
      </div>
    </section>
  );
}
