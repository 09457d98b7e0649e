/** The panel in front of an opening: what has to come off before the tape measure gets there. */
import {
  attachedWords,
  fastenerWords,
  newPanel,
  type OpeningRecord,
  panelAt,
  panelLabel,
  panelOrder,
} from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { vehicleQuery } from '../vehicles/vehicleQueries';
import { panelFormAddress } from './panelAddress';
import { panelSummary } from './panelSummary';

type PanelInFrontProps = { readonly vehicleId: string; readonly record: Pick<OpeningRecord, 'place' | 'side'> };

export function PanelInFront({ vehicleId, record: { place, side } }: PanelInFrontProps) {
  const { data } = useQuery({ ...vehicleQuery(vehicleId), enabled: vehicleId !== '' });
  const where = panelAt(place, side);
  if (!data || !where) return null;
  const known = data.record.panels.find(({ kind, spot }) => kind === where.kind && spot === where.spot);
  const panel = known ?? newPanel({ ...where, name: '' });
  const items = new Map([
    ...(panel.fasteners ?? []).map((each) => [each.key, fastenerWords(each)] as const),
    ...(panel.attached ?? []).map((each) => [each.key, attachedWords(each)] as const),
  ]);
  const { order } = panelOrder(panel);
  return (
    <details className="border-l-4 border-hairline pl-3">
      <summary className="flex min-h-12 cursor-pointer items-center">
        <span>
          <strong>In front of it: {panelLabel(panel).toLowerCase()}.</strong>{' '}
          {known ? panelSummary(panel) : 'Nobody has written down what holds it.'}{' '}
          <span className="text-action underline">How it comes off</span>
        </span>
      </summary>
      {order.length > 0 && (
        <ol aria-label="It comes off in this order" className="list-decimal pl-6">
          {order.map((key) => (
            <li key={key}>{items.get(key)}</li>
          ))}
        </ol>
      )}
      <Link
        to={panelFormAddress(vehicleId, panel, data.record.panels)}
        className="inline-flex min-h-12 items-center text-action underline"
      >
        {known ? 'Put down what you see of it' : 'Write it down while it comes off'}
      </Link>
    </details>
  );
}
