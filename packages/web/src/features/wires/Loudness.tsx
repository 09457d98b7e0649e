/** How loud the car's speakers are to each other and to what was there, as figures with their doubt. */
import type { LevelLine } from '@low-quarry/core/stations';
import { Said } from '../../ui/Said';

export function Loudness({ lines }: { readonly lines: readonly LevelLine[] }) {
  if (lines.length === 0) return null;
  return (
    <section aria-label="How loud" className="flex flex-col gap-2 pt-4">
      <h2 className="border-b border-ink text-[18px] font-bold">How loud</h2>
      <p className="max-w-2xl text-muted">
        At the same setting, by the makers’ sensitivities at 2.83 V. Door, glass and seat have their own say: the ear
        decides at the hand-over.
      </p>
      <ul className="border-t border-hairline">
        {lines.map(({ id, what, db, sentence, next }) => (
          <li key={id} className="grid gap-x-4 border-b border-hairline py-1.5 sm:grid-cols-[320px_1fr]">
            <strong>{what}</strong>
            <span className={db === null ? 'text-measure' : ''}>
              <Said sentence={sentence} next={next} />
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
