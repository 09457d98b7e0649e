/** The panel drawn, with what is marked on it: one of what holds it, or hangs on it, is picked and then pressed where it is. */
import { FASTENER_LABELS, type Panel, type PanelMark } from '@low-quarry/core/model';
import { useState } from 'react';
import { type UseFormSetValue, useWatch } from 'react-hook-form';
import { PanelDrawing } from '../../drawing/PanelDrawing';
import { markedText, readMarks } from './typedMarks';
import type { PanelControl, PanelTyped } from './typedPanel';

/** A press so near to a mark takes it off, hundredths. */
const NEAR = 5;

type PanelMarksProps = Pick<Panel, 'kind' | 'spot'> & {
  readonly control: PanelControl;
  readonly setValue: UseFormSetValue<PanelTyped>;
};

export function PanelMarks({ kind, spot, control, setValue }: PanelMarksProps) {
  const fasteners = useWatch({ control, name: 'fasteners' });
  const attached = useWatch({ control, name: 'attached' });
  const items = [
    ...fasteners.map(({ key, kind: what, where, marked }, at) => ({
      ...{ key, words: `${FASTENER_LABELS[what]}, ${where || 'not said where'}`, marked },
      path: `fasteners.${at}.marked` as const,
    })),
    ...attached.map(({ key, what, marked }, at) => ({
      ...{ key, words: what || 'not said what', marked },
      path: `attached.${at}.marked` as const,
    })),
  ];
  const [picked, setPicked] = useState<string | null>(null);
  const hand = items.find(({ key }) => key === picked) ?? items[0];
  const press = (at: PanelMark) => {
    if (!hand) return;
    const { marks, unread } = readMarks(hand.marked);
    // What is half-typed is not thrown away.
    if (unread !== null) return;
    const left = marks.filter(({ x, y }) => Math.hypot(x - at.x, y - at.y) > NEAR);
    setValue(hand.path, markedText(left.length < marks.length ? left : [...marks, at]), {
      shouldDirty: true,
      shouldValidate: true,
    });
  };
  return (
    <section aria-label="Where on the panel" className="flex flex-col gap-2">
      <h2 className="border-b border-ink text-[18px] font-bold">Where on the panel</h2>
      <p className="text-muted">
        {hand
          ? 'Pick one, then press where it is; a press on a mark takes it off. Whoever takes the panel off next sees it at that step.'
          : 'What holds it and what hangs on it is marked here, once it is written down.'}
      </p>
      <fieldset className="flex flex-wrap gap-2">
        <legend className="sr-only">What is marked</legend>
        {items.map(({ key, words }, at) => (
          <button
            key={key}
            type="button"
            aria-pressed={key === hand?.key}
            onClick={() => setPicked(key)}
            className={`min-h-12 border-2 px-3 ${key === hand?.key ? 'border-action bg-action text-on-action' : 'border-action text-action'}`}
          >
            {at + 1} {words}
          </button>
        ))}
      </fieldset>
      <PanelDrawing
        kind={kind}
        spot={spot}
        marks={items.map(({ key, words, marked }, at) => ({
          ...{ words, at: readMarks(marked).marks, label: String(at + 1) },
          isMain: key === hand?.key,
        }))}
        onPress={press}
      />
    </section>
  );
}
