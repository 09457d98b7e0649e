/** What has to be at hand beside the parts that are ordered. */
import type { SmallNeed } from '@low-quarry/core/model';

export function SmallNeeds({ needs }: { readonly needs: readonly SmallNeed[] }) {
  if (needs.length === 0) return null;
  return (
    <section aria-label="To have at hand">
      <h2>To have at hand besides</h2>
      <ul className="border-t border-ink">
        {needs.map(({ what, why }) => (
          <li key={`${what} ${why}`} className="border-b border-hairline py-1.5">
            <span className="font-semibold">{what}</span>
            <span className="block text-[13px] leading-4 text-muted">{why}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
