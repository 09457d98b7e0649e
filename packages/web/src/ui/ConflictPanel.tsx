/**
 * Somebody else changed the same fields: mine, theirs and what both began with, field by field, to pick from. Everything that
 * does not overlap is put together already.
 */
import { type Field, mergeChanges, takeFields } from '@low-quarry/core/records';
import { useEffect, useRef, useState } from 'react';
import { Button } from './Button';

type ConflictPanelProps<Rec> = {
  /** Such as "this opening". */
  readonly what: string;
  readonly fields: readonly Field<Rec>[];
  /** What both began with. */
  readonly base: Rec;
  readonly mine: Rec;
  readonly theirs: Rec;
  readonly onSave: (record: Rec) => void;
  readonly onTakeTheirs: () => void;
};

export function ConflictPanel<Rec>({
  what,
  fields,
  base,
  mine,
  theirs,
  onSave,
  onTakeTheirs,
}: ConflictPanelProps<Rec>) {
  const panel = useRef<HTMLElement>(null);
  const [picked, setPicked] = useState<Readonly<Record<string, 'mine' | 'theirs'>>>({});
  useEffect(() => {
    panel.current?.scrollIntoView({ block: 'center' });
  }, []);
  const { merged, clashes, taken } = mergeChanges(fields, base, mine, theirs);
  const open = clashes.filter(({ path }) => picked[path] === undefined).length;
  const save = () => {
    const paths = new Set(clashes.flatMap(({ path }) => (picked[path] === 'theirs' ? [path] : [])));
    onSave(takeFields(fields, merged, theirs, paths));
  };
  return (
    <section
      ref={panel}
      role="alert"
      aria-label="Changed by somebody else"
      className="border-2 border-measure bg-paper p-4"
    >
      <h2 className="text-measure">Somebody else saved {what} while you were typing</h2>
      <p>
        Nothing is lost. {taken.length > 0 && `Theirs comes in where you changed nothing: ${taken.join(', ')}. `}
        Pick what is right where you both changed the same:
      </p>
      <ul className="my-3 flex flex-col gap-3">
        {clashes.map(({ path, label, base: was, mine: here, theirs: there }) => (
          <li key={path}>
            <fieldset>
              <legend className="w-full border-t border-ink pt-1 font-semibold">{label}</legend>
              <p className="text-[13px] text-muted">Both began with: {was}</p>
              {(
                [
                  ['mine', here],
                  ['theirs', there],
                ] as const
              ).map(([side, words]) => (
                <label key={side} className="flex min-h-12 items-center gap-3">
                  <input
                    type="radio"
                    name={path}
                    className="size-6 accent-action"
                    checked={picked[path] === side}
                    onChange={() => setPicked((before) => ({ ...before, [path]: side }))}
                  />
                  <span>
                    {side === 'mine' ? 'Mine' : 'Theirs'}: {words}
                  </span>
                </label>
              ))}
            </fieldset>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap gap-3">
        <Button kind="main" disabled={open > 0} onClick={save}>
          {open > 0 ? `Pick ${open} more to save` : 'Save what is picked'}
        </Button>
        <Button onClick={onTakeTheirs}>Take all of theirs, drop mine</Button>
      </div>
    </section>
  );
}
