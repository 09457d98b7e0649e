/** What keeps a speaker from being judged or ordered: figures that nobody wrote down, and figures that are doubted. */
import {
  FIGURE_WORDS,
  type FigureDoubt,
  lacksOf,
  openDoubts,
  SETTLED_WORDS,
  type SpeakerRecord,
} from '@low-quarry/core/catalogue';
import { shopDay } from '../../text/shopDays';
import { late } from '../../ui/late';
import { Loading } from '../../ui/states';

const SettleForm = late(
  () => import('./SettleForm').then((code) => code.SettleForm),
  () => <Loading what="how it is settled" />,
);

type OpenFiguresProps = {
  readonly version: number;
  readonly record: SpeakerRecord;
  readonly mayCorrect: boolean;
};

export function OpenFigures({ version, record, mayCorrect }: OpenFiguresProps) {
  const lacks = lacksOf(record);
  const open = openDoubts(record);
  const settled = record.doubts.filter((doubt) => doubt.settled !== null);
  return (
    <>
      {lacks.length > 0 && (
        <p className="max-w-3xl border-l-4 border-measure bg-paper px-3 py-2">
          <strong className="text-measure">Not judged.</strong> Nobody wrote down: {lacks.join(', ')}. A calliper and a
          piece in the hand fill it in.
        </p>
      )}
      {open.map((doubt) => (
        <section
          key={`${doubt.figure} ${doubt.value}`}
          aria-label={`${FIGURE_WORDS[doubt.figure].label} is doubted`}
          className="flex max-w-3xl flex-col gap-3 border-l-4 border-hits bg-paper px-3 py-2"
        >
          <h2>{FIGURE_WORDS[doubt.figure].label} is doubted: on hold</h2>
          <p>{doubt.words}</p>
          {mayCorrect ? (
            <SettleForm version={version} record={record} doubt={doubt} />
          ) : (
            <p className="text-muted">Measure a piece, or ask the maker; the owner settles it here.</p>
          )}
        </section>
      ))}
      {settled.length > 0 && (
        <ul aria-label="Settled doubts" className="text-muted">
          {settled.map((doubt) => (
            <li key={doubt.figure}>{settledWords(doubt)}</li>
          ))}
        </ul>
      )}
    </>
  );
}

/** Such as "Mounting depth 63.2 mm was doubted. A piece was measured in hand: “calliper, 3 pieces”, Okke, 28 Nov 2026." */
function settledWords({ figure, value, settled }: FigureDoubt): string {
  const { label, unit } = FIGURE_WORDS[figure];
  if (!settled) return '';
  const { how, words, by, on } = settled;
  return `${label} ${value} ${unit} was doubted. ${SETTLED_WORDS[how]}: “${words}”, ${by}, ${shopDay(on)}.`;
}
