/** The frame of every screen: where one is, the unit, the light, and the list of keys. */
import { type ReactNode, useContext, useEffect, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { ConnectionBanner } from '../api/ConnectionBanner';
import { HeaderSlot } from './headerSlot';
import { Layer } from './Layer';
import { useSettings } from './settings';

export type Crumb = { readonly to: string; readonly label: string };

export function Shell({
  crumbs,
  title,
  aside,
  rail,
  children,
}: {
  readonly crumbs: readonly Crumb[];
  readonly title: string;
  readonly aside?: ReactNode;
  /** The stations of the job that the screen is of. */
  readonly rail?: ReactNode;
  readonly children: ReactNode;
}) {
  useEffect(() => {
    document.title = `${title} · Low Quarry`;
  }, [title]);
  const person = useContext(HeaderSlot);
  return (
    <div className="flex min-h-dvh flex-col">
      <header className="only-screen flex flex-wrap items-center gap-x-4 border-b-2 border-ink px-4">
        <Link to="/" className="py-3 text-[17px] font-extrabold [font-stretch:110%]">
          Low Quarry
        </Link>
        {person && <Areas />}
        <div className="ml-auto flex items-center">
          {person}
          <Switches />
        </div>
      </header>
      <Way crumbs={crumbs} />
      {rail}
      <ConnectionBanner />
      <main className="mx-auto flex w-full max-w-[1440px] flex-1 flex-col gap-4 p-4 print:p-0">
        <div className="only-screen flex flex-wrap items-start justify-between gap-x-6 gap-y-2">
          <h1>{title}</h1>
          {aside}
        </div>
        {children}
      </main>
    </div>
  );
}

/** What a shop has besides the car in hand; each with the addresses below it. */
const AREAS = [
  { to: '/', label: 'Jobs', below: ['/jobs/'] },
  { to: '/bay', label: 'Bay', below: [] },
  { to: '/vehicles', label: 'Vehicles', below: ['/vehicles/'] },
  {
    to: '/parts',
    label: 'Parts',
    below: [
      '/parts/',
      '/new-parts',
      '/compare',
      '/serving',
      '/supplier-list',
      '/doubts',
      '/disagreements',
      '/plot',
      '/shelf',
      '/labels',
    ],
  },
] as const;

function Areas() {
  const { pathname } = useLocation();
  return (
    <nav aria-label="Areas" className="order-3 flex w-full gap-x-4 sm:order-none sm:w-auto sm:flex-1">
      {AREAS.map(({ to, label, below }) => {
        const isHere = pathname === to || below.some((address) => pathname.startsWith(address));
        return (
          <Link
            key={to}
            to={to}
            aria-current={isHere ? 'page' : undefined}
            className={`inline-flex min-h-12 items-center border-b-4 ${isHere ? 'border-ink font-bold' : 'border-transparent text-action'}`}
          >
            {label}
          </Link>
        );
      })}
    </nav>
  );
}

/** From the area to where one is; the area itself is above. */
function Way({ crumbs }: { readonly crumbs: readonly Crumb[] }) {
  const way = crumbs.filter(({ to }) => AREAS.every((area) => area.to !== to));
  if (way.length < 2) return null;
  return (
    <nav aria-label="Where you are" className="only-screen px-4 pt-2">
      <ol className="flex flex-wrap items-center gap-x-2">
        {way.map(({ to, label }, index) => (
          <li key={to} className="flex items-center gap-2">
            {index > 0 && (
              <span aria-hidden="true" className="text-muted">
                ›
              </span>
            )}
            <Link to={to} className="inline-flex min-h-8 items-center text-action underline-offset-2 hover:underline">
              {label}
            </Link>
          </li>
        ))}
      </ol>
    </nav>
  );
}

function Switches() {
  const { unit, setUnit, light, setLight } = useSettings();
  return (
    <>
      <Switch
        label={`Lengths in ${unit}`}
        text={unit === 'mm' ? 'mm' : 'inch'}
        onPress={() => setUnit(unit === 'mm' ? 'in' : 'mm')}
      />
      <Switch
        label={light === 'bay' ? 'Light for the counter' : 'Dark for the bay'}
        text={light === 'bay' ? 'Light' : 'Dark'}
        onPress={() => setLight(light === 'bay' ? 'counter' : 'bay')}
      />
      <Keys />
    </>
  );
}

function Switch({
  label,
  text,
  onPress,
}: {
  readonly label: string;
  readonly text: string;
  readonly onPress: () => void;
}) {
  return (
    <button
      type="button"
      onClick={onPress}
      title={label}
      className="min-h-12 min-w-12 px-2 text-action underline-offset-2 hover:underline"
    >
      {text}
      <span className="sr-only">. {label}</span>
    </button>
  );
}

const KEYS = [
  ['?', 'This list'],
  ['Ctrl + K', 'Find a job, a part, a vehicle or a page'],
  ['Tab, Shift + Tab', 'Next and last thing that can be used'],
  ['Enter', 'In a measurement: on to the next one'],
  ['← →', 'On the spacer: thinner and thicker by 0.5 mm'],
  ['Page Up, Page Down', 'On the spacer: to the next stocked height'],
  ['Space, Page Down', 'In the bay, at a step: it is done; so types a foot switch'],
  ['Page Up', 'In the bay: the step before'],
] as const;

function Keys() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && event.target.closest('input, textarea, select');
      if (event.key === '?' && !typing) setOpen(true);
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, []);
  return (
    <Layer
      title="Keys"
      open={open}
      onOpenChange={setOpen}
      trigger={(props) => (
        <button
          type="button"
          className="hidden min-h-12 min-w-12 text-action sm:inline-block"
          aria-label="Keys"
          {...props}
        >
          ?
        </button>
      )}
    >
      <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2">
        {KEYS.map(([key, what]) => (
          <div key={key} className="contents">
            <dt className="font-semibold">{key}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
    </Layer>
  );
}
