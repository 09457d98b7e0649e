/**
 * The stations of a job that have a screen, in the order of the work. A new one gets its entry here, and its screen in `routes`;
 * addresses and the way there follow.
 */
type StationEntry = {
  /** Named with what it is a station of: a job, or one of its openings. */
  readonly path: `/jobs/:jobId${string}`;
  /** How it is called on the way there, where what it is of has no name yet. */
  readonly crumb: string;
  /** Above which station one finds it. */
  readonly under: string | null;
};

export const STATIONS = {
  /** All of a job at a glance: what is open, and where that is settled. */
  job: { path: '/jobs/:jobId', crumb: 'Job', under: null },
  bookIn: { path: '/jobs/:jobId/book-in', crumb: 'Book in', under: 'job' },
  baseline: { path: '/jobs/:jobId/baseline', crumb: 'What works today', under: 'bookIn' },
  measure: { path: '/jobs/:jobId/openings/:openingId', crumb: 'Opening', under: 'job' },
  match: { path: '/jobs/:jobId/openings/:openingId/fit', crumb: 'What fits', under: 'measure' },
  wire: { path: '/jobs/:jobId/wires', crumb: 'Wires', under: 'job' },
  order: { path: '/jobs/:jobId/order', crumb: 'Order list', under: 'job' },
  build: { path: '/jobs/:jobId/build', crumb: 'In the bay', under: 'job' },
  steps: { path: '/jobs/:jobId/build/steps', crumb: 'Step by step', under: 'build' },
  handOver: { path: '/jobs/:jobId/hand-over', crumb: 'Hand over', under: 'job' },
} as const satisfies Readonly<Record<string, StationEntry>>;

export type StationId = keyof typeof STATIONS;

type NamesIn<Path extends string> = Path extends `${string}:${infer Name}/${infer Rest}`
  ? Name | NamesIn<Rest>
  : Path extends `${string}:${infer Name}`
    ? Name
    : never;
/** What a station is of: ids by the names in its path. */
export type StationOf<Id extends StationId> = Readonly<Record<NamesIn<(typeof STATIONS)[Id]['path']>, string>>;
