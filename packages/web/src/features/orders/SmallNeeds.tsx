/** What has to be at hand beside the parts that are ordered: how many, why, and what of it lies on the shelf. */
import type { OrderAnswer } from '@low-quarry/core/contracts/orders';

type Need = Pick<OrderAnswer['needs'][number], 'what' | 'why'> & {
  readonly pieces?: number | null;
  /** Null, or left out, where nobody looked. */
  readonly onShelf?: OrderAnswer['needs'][number]['onShelf'];
};

type SmallNeedsProps = { readonly needs: readonly Need[]; readonly tools?: readonly string[] };

export function SmallNeeds({ needs, tools = [] }: SmallNeedsProps) {
  if (needs.length === 0 && tools.length === 0) return null;
  return (
    <section aria-label="To have at hand">
      <h2>To have at hand besides</h2>
      <ul className="border-t border-ink">
        {needs.map(({ what, why, pieces, onShelf }) => (
          <li key={`${what} ${why}`} className="border-b border-hairline py-1.5">
            <span className="font-semibold">
              {what}
              {pieces ? `: ${pieces}` : ''}
            </span>
            <span className="block text-[13px] leading-4 text-muted">{why}</span>
            {onShelf && <span className="block text-[13px] leading-4">{shelfWords(onShelf)}</span>}
          </li>
        ))}
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

function shelfWords(lots: NonNullable<Need['onShelf']>): string {
  if (lots.length === 0) return 'None on the shelf.';
  const words = lots.map(({ label, pieces, place }) => `${label}, ${pieces} (${place})`);
  return `On the shelf, the size is seen at the car: ${words.join('; ')}.`;
}
