/** What has to be at hand beside the parts that are ordered: how much, why, what of it lies on the shelf, and what is taken for it. */
import type { OrderAnswer } from '@low-quarry/core/contracts/orders';
import { useMay } from '../../api/me';
import { Choice } from '../../ui/Choice';
import { FormError } from '../../ui/FormError';
import { problemSentence } from '../../ui/problemFields';
import { useTakePart } from './useTakePart';

type Need = Pick<OrderAnswer['needs'][number], 'what' | 'why'> & {
  readonly pieces?: number | null;
  readonly lengthM?: number | null;
  /** Null, or left out, where nobody looked. */
  readonly onShelf?: OrderAnswer['needs'][number]['onShelf'];
  readonly goods?: OrderAnswer['needs'][number]['goods'];
  readonly taken?: string | null;
};

type SmallNeedsProps = {
  readonly needs: readonly Need[];
  readonly tools?: readonly string[];
  /** Where a part can be taken for them: its list. */
  readonly job?: OrderAnswer['job'];
};

export function SmallNeeds({ needs, tools = [], job }: SmallNeedsProps) {
  if (needs.length === 0 && tools.length === 0) return null;
  return (
    <section aria-label="To have at hand">
      <h2>To have at hand besides</h2>
      <ul className="border-t border-ink">
        {needs.map((need, at) => {
          const { what, why, onShelf, goods } = need;
          // What two panels ask for is one part: taken at the first of them.
          const isFirst = needs.findIndex((each) => each.what === what) === at;
          return (
            <li key={`${what} ${why}`} className="border-b border-hairline py-1.5">
              <span className="font-semibold">
                {what}
                {amountWords(need)}
              </span>
              <span className="block text-[13px] leading-4 text-muted">{why}</span>
              {onShelf && <span className="block text-[13px] leading-4">{shelfWords(onShelf)}</span>}
              {job && goods && isFirst && <Take job={job} need={need} goods={goods} />}
            </li>
          );
        })}
        {tools.length > 0 && (
          <li className="border-b border-hairline py-1.5">
            <span className="font-semibold">Tools</span>
            <span className="block text-[13px] leading-4 text-muted">
              By the steps of the plan: {tools.join('; ')}.
            </span>
          </li>
        )}
      </ul>
    </section>
  );
}

function amountWords({ pieces, lengthM }: Need): string {
  if (lengthM) return `: ${lengthM.toFixed(2)} m`;
  return pieces ? `: ${pieces}` : '';
}

type TakeProps = {
  readonly job: OrderAnswer['job'];
  readonly need: Need;
  readonly goods: NonNullable<Need['goods']>;
};

function Take({ job, need: { what, taken, pieces, lengthM }, goods }: TakeProps) {
  const take = useTakePart(job);
  const mayChoose = useMay('choose');
  const isGone = taken != null && goods.every(({ partId }) => partId !== taken);
  if (goods.length === 0 && !isGone)
    return <span className="block text-[13px] leading-4 text-muted">The library has none of its kind.</span>;
  const isUncounted = !pieces && !lengthM;
  return (
    <div className="max-w-xl py-1">
      {mayChoose && (
        <Choice
          label={`On the list for ${what.charAt(0).toLowerCase()}${what.slice(1)}`}
          value={taken ?? ''}
          options={[
            ['', 'Nothing yet: its size is seen at the car'],
            ...goods.map(({ partId, label }) => [partId, label] as const),
            ...(isGone ? [[taken, `${taken}, which the library has no more`] as const] : []),
          ]}
          onChange={(partId) => take.mutate({ need: what, partId: partId === '' ? null : partId })}
        />
      )}
      {taken != null && isUncounted && (
        <p className="font-semibold text-measure">
          ◇ Nobody can say how many yet: it is on no line until somebody counts.
        </p>
      )}
      <FormError>{problemSentence(take.error)}</FormError>
    </div>
  );
}

function shelfWords(lots: NonNullable<Need['onShelf']>): string {
  if (lots.length === 0) return 'None on the shelf.';
  const words = lots.map(({ label, pieces, place }) => `${label}, ${pieces} (${place})`);
  return `On the shelf, the size is seen at the car: ${words.join('; ')}.`;
}
