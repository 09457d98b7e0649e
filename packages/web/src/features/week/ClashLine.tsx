/** One thing that does not go together: what cannot be is told apart from what is to be looked at by its sign too. */
import type { Week } from '@low-quarry/core/contracts/week';
import { inShopDays } from '../../text/shopDays';
import { clashTone } from './clashWords';

export function ClashLine({
  kind,
  sentence,
  className = '',
}: Pick<Week['clashes'][number], 'kind' | 'sentence'> & { readonly className?: string }) {
  const isHard = clashTone([{ kind }]) === 'hits';
  return (
    <span className={`font-semibold ${isHard ? 'text-hits' : 'text-measure'} ${className}`}>
      {isHard ? '✕' : '◇'} {inShopDays(sentence)}
    </span>
  );
}
