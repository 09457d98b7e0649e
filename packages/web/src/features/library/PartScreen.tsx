/** What is known of this part: who offers it, what its maker says, photos of it, what changed? */
import type { PartKind, PartRecord } from '@low-quarry/core/catalogue';
import { partKindWord, partName } from '@low-quarry/core/catalogue';
import type { ShopSettings } from '@low-quarry/core/model';
import { partFields } from '@low-quarry/core/records';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { useParams } from 'react-router';
import { useMay } from '../../api/me';
import { shopSettingsQuery } from '../../api/settingsQuery';
import { printCost } from '../../text/money';
import { leadWords, offererWords } from '../../text/offerWords';
import { shopDay } from '../../text/shopDays';
import { LinkButton } from '../../ui/Button';
import { late } from '../../ui/late';
import { Shell } from '../../ui/Shell';
import { Answered, Loading } from '../../ui/states';
import { Photos } from '../photos/Photos';
import { OnShelf } from '../shelf/OnShelf';
import { Claims } from './claims/Claims';
import { comparedAddress } from './compare/compared';
import { InItsBox } from './InItsBox';
import { InHand } from './inHand/InHand';
import { partQuery } from './libraryQueries';
import { NoLongerMade } from './NoLongerMade';
import { OpenFigures } from './OpenFigures';
import { WhereChosen } from './WhereChosen';
import { WhereFrom } from './WhereFrom';

const CorrectForm = late(
  () => import('./CorrectForm').then((code) => code.CorrectForm),
  () => <Loading what="the record" />,
);
const NamesForm = late(
  () => import('./NamesForm').then((code) => code.NamesForm),
  () => <Loading what="what it is called" />,
);
const FiguresForm = late(
  () => import('./figures/FiguresForm').then((code) => code.FiguresForm),
  () => <Loading what="its figures" />,
);
const OffersForm = late(
  () => import('./OffersForm').then((code) => code.OffersForm),
  () => <Loading what="the offers" />,
);

/** Kinds of which people say which cars they fit. */
const MADE_FOR_CARS: ReadonlySet<PartKind> = new Set([
  ...(['speaker', 'set', 'tweeterSeat', 'pod', 'bracket', 'spacer', 'fascia', 'bassBox', 'harnessAdapter'] as const),
]);

export function PartScreen() {
  const { id = '' } = useParams();
  const part = useQuery(partQuery(id));
  const shop = useQuery(shopSettingsQuery);
  const mayAdd = useMay('parts');
  const name = part.data ? partName(part.data.record) : id;
  return (
    <Shell
      title={name}
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/parts', label: 'Parts' },
        { to: `/parts/${id}`, label: name },
      ]}
      aside={
        <div className="flex flex-wrap gap-3">
          {part.data?.record.kind === 'speaker' && (
            <>
              <LinkButton to={`/parts/${id}/places`}>Where it fits</LinkButton>
              <LinkButton to={`/will-it-fit?speaker=${encodeURIComponent(id)}`}>Will it fit?</LinkButton>
            </>
          )}
          {mayAdd && <LinkButton to={`/new-parts?like=${encodeURIComponent(id)}`}>New one like it</LinkButton>}
          <LinkButton to={`/labels?of=part&id=${encodeURIComponent(id)}`}>Labels</LinkButton>
          <LinkButton to={comparedAddress([id])}>Compare</LinkButton>
          <LinkButton to={`/history?kind=part&record=${id}`}>History</LinkButton>
        </div>
      }
    >
      <Answered query={part} what="the part">
        {({ version, record }) => (
          <Answered query={shop} what="the shop’s settings">
            {(settings) => <Filled key={id} version={version} record={record} shop={settings} />}
          </Answered>
        )}
      </Answered>
    </Shell>
  );
}

type FilledProps = { readonly version: number; readonly record: PartRecord; readonly shop: ShopSettings };

function Filled({ version, record, shop }: FilledProps) {
  const { currency } = shop;
  const mayCorrect = useMay('library');
  const { id, kind } = record;
  return (
    <>
      <p className="text-muted">
        {partKindWord(kind)}, {id}, version {version}
      </p>
      <NoLongerMade {...record} />
      {record.kind === 'speaker' && <OpenFigures version={version} record={record} mayCorrect={mayCorrect} />}
      <section aria-label="What its maker says" className="flex flex-col gap-3">
        <h2>What its maker says</h2>
        {mayCorrect ? (
          <>
            <FiguresForm version={version} record={record} />
            <AsKept>
              <CorrectForm version={version} record={record} />
            </AsKept>
          </>
        ) : (
          <dl className="grid gap-x-6 border-t border-ink sm:grid-cols-2">
            {valuesOf(record).map(({ path, label, words }) => (
              <div key={path} className="flex justify-between gap-4 border-b border-hairline py-1.5">
                <dt className="text-muted">{label}</dt>
                <dd className="text-right">{words}</dd>
              </div>
            ))}
          </dl>
        )}
      </section>
      <WhereFrom partId={id} />
      {record.kind === 'speaker' && <InHand version={version} record={record} shop={shop} mayCorrect={mayCorrect} />}
      {(record.claims.length > 0 || MADE_FOR_CARS.has(record.kind)) && (
        <Claims version={version} record={record} mayCorrect={mayCorrect} />
      )}
      <InItsBox record={record} />
      <WhereChosen partId={id} />
      <OnShelf partId={id} />
      <section aria-label="Offers" className="flex flex-col gap-3">
        <h2>Who offers it</h2>
        {mayCorrect ? (
          <OffersForm version={version} record={record} currency={currency} />
        ) : (
          <Offers record={record} currency={currency} />
        )}
      </section>
      {mayCorrect && (
        <section aria-label="What it is called" className="flex flex-col gap-3">
          <h2>What it is called</h2>
          <NamesForm version={version} record={record} />
        </section>
      )}
      <Photos subject={{ of: 'part', recordId: id, place: '' }} label={partName(record)} />
    </>
  );
}

/** The record as it is kept: for what has no field of its own. */
function AsKept({ children }: { readonly children: ReactNode }) {
  return (
    <details>
      <summary className="flex min-h-12 cursor-pointer items-center text-action underline">
        Everything as it is kept: for what has no field of its own
      </summary>
      {children}
    </details>
  );
}

/** For whoever only reads: what nobody wrote down says so. */
function Offers({ record: { offers }, currency }: Pick<FilledProps, 'record'> & Pick<ShopSettings, 'currency'>) {
  if (offers.length === 0) return <p className="font-semibold text-measure">Nobody is known to sell it.</p>;
  return (
    <ul className="border-t border-ink">
      {offers.map((offer) => {
        const lead = leadWords(offer, shopDay);
        return (
          <li
            key={offererWords(offer)}
            className="flex flex-wrap justify-between gap-x-4 border-b border-hairline py-1.5"
          >
            <span>
              <strong>{offererWords(offer)}</strong>
              {lead && <span className="block text-[13px] leading-4 text-muted">{lead}</span>}
            </span>
            <span>
              pack of {offer.packSize}, {printCost(offer.packPriceMinor, offer.currency ?? currency)}
            </span>
          </li>
        );
      })}
    </ul>
  );
}

/** What stands elsewhere on the page is left out. */
const ELSEWHERE = new Set([
  'id',
  'kind',
  'maker',
  'name',
  'offers',
  'doubts',
  'inBox',
  'inHand',
  'terminalsInHand',
  'makersBias',
  'claims',
]);

function valuesOf(record: PartRecord) {
  return partFields(record)
    .filter(({ path }) => !ELSEWHERE.has(path))
    .map(({ path, label, read, words }) => ({ path, label, words: words(read(record)) }));
}
