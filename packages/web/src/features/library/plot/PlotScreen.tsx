/** How do the speakers of a list lie by two of their lengths, and which of them keep an opening's limits? */

import { FIGURE_WORDS } from '@low-quarry/core/catalogue';
import { MOST_POINTS, type PartPoints, PLOTTED, type Plotted, partPoints } from '@low-quarry/core/contracts/partPoints';
import { placeLabel, readingHalfWidthsMm, type ShopSettings, toFitOpening, toFitRules } from '@low-quarry/core/model';
import { keepPreviousData, queryOptions, useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import type { z } from 'zod';
import { call } from '../../../api/call';
import { shopSettingsQuery } from '../../../api/settingsQuery';
import { addressOf } from '../../../stations/addressOf';
import { useAddress, withParams } from '../../../ui/address';
import { Choice } from '../../../ui/Choice';
import { late } from '../../../ui/late';
import { Shell } from '../../../ui/Shell';
import { Answered, Empty, Loading } from '../../../ui/states';
import { TextField } from '../../../ui/TextField';
import { useAsked } from '../../../ui/useRested';
import { jobQuery } from '../../jobs/jobsQueries';
import { factsOf, narrows, readNarrowed } from '../narrow/narrowed';
import { isWithin, type Limits, limitsOf } from './limits';

const Scatter = late(
  () => import('./Scatter').then((code) => code.Scatter),
  () => <Loading what="the plot" />,
);

const TITLE = 'Speakers by two lengths';
const LENGTHS = PLOTTED.map((figure) => [figure, FIGURE_WORDS[figure].label] as const);
/** So many are named below the plot. */
const MOST_NAMED = 60;

const pointsQuery = (asked: z.input<typeof partPoints.params>) =>
  queryOptions({
    queryKey: ['library', 'points', asked],
    queryFn: ({ signal }) => call(partPoints, { params: asked, signal }),
    placeholderData: keepPreviousData,
  });

export function PlotScreen() {
  const [search, changeAddress] = useAddress();
  const [find, jobId, openingId] = ['find', 'job', 'opening'].map((key) => search.get(key) ?? '') as [
    string,
    string,
    string,
  ];
  const narrowed = readNarrowed(search);
  const lengthAt = (key: string, usual: Plotted) => PLOTTED.find((each) => each === search.get(key)) ?? usual;
  const [x, y] = [lengthAt('x', 'cutout'), lengthAt('y', 'depth')];
  const points = useQuery(pointsQuery({ find: useAsked(find), x, y, ...factsOf(narrowed) }));
  const shop = useQuery(shopSettingsQuery);
  const set = (key: string, value: string | null) => changeAddress((before) => withParams(before, { [key]: value }));
  return (
    <Shell
      title={TITLE}
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/parts', label: 'Parts' },
        { to: '/plot', label: TITLE },
      ]}
    >
      <div className="grid max-w-4xl gap-3 sm:grid-cols-[2fr_1fr_1fr]">
        <TextField label="Find" type="search" value={find} onType={(text) => set('find', text || null)} />
        <Choice label="Across" value={x} options={LENGTHS} onChange={(next) => set('x', next)} />
        <Choice label="Upwards" value={y} options={LENGTHS} onChange={(next) => set('y', next)} />
      </div>
      {narrows(narrowed) && (
        <p className="font-semibold text-measure">
          Only those that the list is narrowed to.{' '}
          <Link to={`/parts?${search}`} className="text-action underline underline-offset-2">
            Change that in the list
          </Link>
        </p>
      )}
      <Answered query={shop} what="the shop’s settings">
        {(settings) => (
          <Answered query={points} what="the speakers">
            {(found) =>
              jobId === '' ? (
                <Plot {...found} x={x} y={y} limits={{}} />
              ) : (
                <OfOpening jobId={jobId} openingId={openingId} shop={settings}>
                  {(limits) => <Plot {...found} x={x} y={y} limits={limits} />}
                </OfOpening>
              )
            }
          </Answered>
        )}
      </Answered>
    </Shell>
  );
}

type OfOpeningProps = {
  readonly jobId: string;
  readonly openingId: string;
  readonly shop: ShopSettings;
  readonly children: (limits: Limits) => ReactNode;
};

function OfOpening({ jobId, openingId, shop, children }: OfOpeningProps) {
  const job = useQuery(jobQuery(jobId));
  return (
    <Answered query={job} what="the job">
      {({ job: { registration }, openings }) => {
        const opening = openings.find(({ id }) => id === openingId);
        if (!opening) return <Empty>This job has no such opening any more.</Empty>;
        const fit = toFitOpening(opening.record, readingHalfWidthsMm(shop), (id) => id);
        const limits = limitsOf(fit, toFitRules(shop));
        return (
          <>
            <p className="max-w-3xl">
              {limitWords(limits)}{' '}
              <Link to={addressOf('match', { jobId, openingId })} className="text-action underline underline-offset-2">
                {registration}, {placeLabel(opening.record).toLowerCase()}
              </Link>
              . A ring gives depth, a bracket takes another size, and the verdict knows both: this is a first look.
            </p>
            {children(limits)}
          </>
        );
      }}
    </Answered>
  );
}

/** Such as "Dashed: what passes by itself, cutout up to 128 mm, depth up to 53 mm, of". */
function limitWords(limits: Limits): string {
  const known = PLOTTED.flatMap((figure) => {
    const mm = limits[figure];
    return mm === undefined ? [] : [`${FIGURE_WORDS[figure].label.toLowerCase()} up to ${mm.toFixed(1)} mm`];
  });
  return known.length === 0
    ? 'No limit is drawn: neither hole nor depth is measured of'
    : `Dashed, without bracket or ring: ${known.join(', ')}, of`;
}

type PlotProps = PartPoints & { readonly x: Plotted; readonly y: Plotted; readonly limits: Limits };

function Plot({ points, without, more, x, y, limits }: PlotProps) {
  const navigate = useNavigate();
  const within = points.filter((point) => isWithin(point, limits, x, y));
  const isLimited = limits[x] !== undefined || limits[y] !== undefined;
  const axis = (figure: Plotted) => ({ label: `${FIGURE_WORDS[figure].label}, mm`, limitMm: limits[figure] ?? null });
  const count = `${points.length.toLocaleString('en')} ${points.length === 1 ? 'speaker' : 'speakers'}`;
  const label = `${count} by ${FIGURE_WORDS[x].label.toLowerCase()} and ${FIGURE_WORDS[y].label.toLowerCase()}`;
  return (
    <>
      <p>
        {count}
        {isLimited && `, ${within.length.toLocaleString('en')} within the dashed lines`}.
        {without > 0 && ` Of ${without.toLocaleString('en')} one of the two lengths is not known.`}
        {more > 0 &&
          ` ${more.toLocaleString('en')} more than ${MOST_POINTS.toLocaleString('en')} are not drawn: find fewer.`}
      </p>
      {points.length === 0 ? (
        <Empty>There is none to draw.</Empty>
      ) : (
        <Scatter
          points={points}
          x={axis(x)}
          y={axis(y)}
          label={label}
          onPress={(id) => void navigate(`/parts/${id}`)}
        />
      )}
      <section aria-label="As a list" className="flex flex-col gap-1">
        <h2>{isLimited ? 'Within the lines' : 'As a list'}</h2>
        {within.length > MOST_NAMED && (
          <p className="text-muted">
            The first {MOST_NAMED} of {within.length.toLocaleString('en')}.
          </p>
        )}
        <ul className="grid gap-x-6 border-t border-ink sm:grid-cols-2">
          {within.slice(0, MOST_NAMED).map((point) => (
            <li key={point.id} className="border-b border-hairline">
              <Link to={`/parts/${point.id}`} className="flex min-h-12 items-center justify-between gap-4 text-action">
                {point.label}
                <span className="text-muted">
                  {point.x} × {point.y} mm
                </span>
              </Link>
            </li>
          ))}
        </ul>
      </section>
    </>
  );
}
