/** What was pressed at an opening and the shop did not take. */
import type { SaveOpening } from '../../outbox/Entry';

export function NotInShop({ stuck }: { readonly stuck: SaveOpening }) {
  return (
    <p role="alert" className="font-semibold text-hits">
      Not in the shop: {stuck.refused?.message ?? 'somebody else changed this opening meanwhile.'} Settle it at the
      opening’s measurements first.
    </p>
  );
}
