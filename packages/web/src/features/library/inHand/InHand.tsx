/** What do pieces in the hand measure, how far is the catalogue off, and what does that say of this maker? */
import type { SpeakerRecord } from '@low-quarry/core/catalogue';
import type { ShopSettings } from '@low-quarry/core/model';
import { shopDay } from '../../../text/shopDays';
import { late } from '../../../ui/late';
import { Loading } from '../../../ui/states';
import { biasLine, inHandLines, terminalsLine } from './inHandWords';

const InHandForm = late(
  () => import('./InHandForm').then((code) => code.InHandForm),
  () => <Loading what="the fields for readings" />,
);

type InHandProps = {
  readonly version: number;
  readonly record: SpeakerRecord;
  readonly shop: ShopSettings;
  readonly mayCorrect: boolean;
};

export function InHand({ version, record, shop, mayCorrect }: InHandProps) {
  const lines = inHandLines(record);
  const terminals = terminalsLine(record);
  return (
    <section aria-label="Measured in hand" className="flex flex-col gap-3">
      <h2>Measured in hand</h2>
      <p className="max-w-2xl text-muted">
        What a calliper reads on a piece stands above the catalogue: it is judged by from then on, and three measured
        parts of a maker say how far his other figures lie off.
      </p>
      {lines.length === 0 && !terminals && <p>Nobody measured a piece: every figure is its catalogue’s word.</p>}
      {lines.length > 0 && (
        <ul className="border-t border-ink">
          {lines.map(({ figure, label, counted, against, read, by, on }) => (
            <li key={figure} className="flex flex-wrap justify-between gap-x-4 border-b border-hairline py-1.5">
              <span>
                <strong>
                  {label} {counted}
                </strong>
                , {against}
              </span>
              <span className="text-muted">
                {read}, {by}, {shopDay(on)}
              </span>
            </li>
          ))}
        </ul>
      )}
      {terminals && (
        <p className="flex flex-wrap justify-between gap-x-4 border-b border-hairline py-1.5">
          <span>
            <strong>Terminals: {terminals.counted}</strong>; {terminals.against}
          </span>
          <span className="text-muted">
            {terminals.by}, {shopDay(terminals.on)}
          </span>
        </p>
      )}
      {record.makersBias.map((bias) => (
        <p key={bias.figure}>{biasLine(bias, record)}</p>
      ))}
      {mayCorrect ? (
        <InHandForm version={version} record={record} shop={shop} />
      ) : (
        <p className="text-muted">Whoever may change the library types readings here.</p>
      )}
    </section>
  );
}
