/** Which wires are joined to one another, and how: what plugs in, what is counted, and what nobody decided. */
import type { OpeningWithState } from '@low-quarry/core/contracts/jobs';
import type { JointLine } from '@low-quarry/core/stations';
import { Said } from '../../ui/Said';
import { JOINTS_PART } from './channelWay';
import { JointWayChoice } from './JointWayChoice';

type JointsProps = { readonly lines: readonly JointLine[]; readonly openings: readonly OpeningWithState[] };

export function Joints({ lines, openings }: JointsProps) {
  if (lines.length === 0) return null;
  return (
    <section id={JOINTS_PART} tabIndex={-1} aria-label="Joints" className="flex flex-col gap-2 pt-4">
      <h2 className="border-b border-ink text-[18px] font-bold">Joints</h2>
      <p className="max-w-2xl text-muted">
        By the shop’s way of joining, and by what the place allows. Each is tugged, bare metal is sleeved, and the sheet
        of what is used goes before the lengths here.
      </p>
      <ul className="border-t border-hairline">
        {lines.map(({ id, what, count, sentence, next }) => {
          const opening = openings.find((each) => firstJoined(lines, each.id)?.id === id);
          return (
            <li key={id} className="grid gap-x-4 border-b border-hairline py-1.5 sm:grid-cols-[320px_1fr]">
              <strong>{what}</strong>
              <div className="flex flex-col gap-1">
                <span className={count === null ? 'text-measure' : ''}>
                  {count === null && '◇ '}
                  <Said sentence={sentence} next={next} />
                </span>
                {opening && (
                  <div className="max-w-sm">
                    <JointWayChoice opening={opening} />
                  </div>
                )}
              </div>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** An opening's joints are all made one way: it is decided at the first of them. */
function firstJoined(lines: readonly JointLine[], openingId: string): JointLine | undefined {
  return lines.find((line) => line.openingId === openingId && line.way !== null);
}
