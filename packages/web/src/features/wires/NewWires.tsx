/** What is to be run new: pairs to speakers and the feed of an amplifier, with their arithmetic and what nobody measured. */
import type { WireRun } from '@low-quarry/core/stations';
import { Said } from '../../ui/Said';

export function NewWires({ runs }: { readonly runs: readonly WireRun[] }) {
  if (runs.length === 0) return null;
  return (
    <section aria-label="New wire" className="flex flex-col gap-2 pt-4">
      <h2 className="border-b border-ink text-[18px] font-bold">New wire</h2>
      <p className="max-w-2xl text-muted">
        Battery off first, minus before plus. Along the car’s own loom, through the boot and never bare through sheet
        metal, outside the sweep of hinge and glass; earth never on a belt’s bolt. Orange cables are high voltage and
        not ours. The vehicle maker’s manual and the amplifier’s sheet go before what stands here.
      </p>
      <ul className="border-t border-hairline">
        {runs.map(({ id, what, need, sentence, next }) => (
          <li key={id} className="grid gap-x-4 border-b border-hairline py-1.5 sm:grid-cols-[320px_1fr]">
            <strong>{what}</strong>
            <span className={need === null && next !== null ? 'text-measure' : ''}>
              <Said sentence={sentence} next={next} />
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
