/** Which figures of the library does their own class not bear out, and what may have happened to them? */
import { FIGURE_WORDS } from '@low-quarry/core/catalogue';
import { doubtFigures, type FiguresDoubted } from '@low-quarry/core/contracts/libraryDoubts';
import { Link } from 'react-router';
import { call } from '../../api/call';
import { useStoppable } from '../../api/useStoppable';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { Shell } from '../../ui/Shell';
import { ListAtWork } from '../lists/ListAtWork';
import { datumWords } from '../lists/listWords';

const useDoubts = () =>
  useStoppable(
    (hold: boolean, signal) => call(doubtFigures, { params: {}, body: { hold }, signal }),
    (hold) => hold,
  );

export function DoubtsScreen() {
  const { data, error, isPending, mutate, stop } = useDoubts();
  return (
    <Shell
      title="Doubtful figures"
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/parts', label: 'Parts' },
        { to: '/doubts', label: 'Doubtful figures' },
      ]}
    >
      <p className="max-w-2xl">
        Every speaker beside its class: inches that were read as millimetres, columns that were exchanged, ratings that
        magnet and mass do not carry. Nothing is changed; what is put on hold is judged, and ordered, only once somebody
        has settled it on its page.
      </p>
      <div role="status" className="flex flex-col gap-4">
        {isPending ? (
          <ListAtWork what="Looking through all figures" onStop={stop} />
        ) : (
          <Button kind={data ? 'other' : 'main'} className="self-start" onClick={() => mutate(false)}>
            Look through all figures
          </Button>
        )}
        {error && <FormError>{error.message}</FormError>}
        {data && <Found found={data} isBusy={isPending} onHold={() => mutate(true)} />}
      </div>
    </Shell>
  );
}

type FoundProps = { readonly found: FiguresDoubted; readonly isBusy: boolean; readonly onHold: () => void };

function Found({ found: { doubted, found, held, speakers, notCompared, datums }, isBusy, onHold }: FoundProps) {
  const open = doubted.filter(({ isHeld }) => !isHeld).length;
  return (
    <section aria-label="What is doubted" className="flex flex-col gap-3">
      <h2>
        {found.toLocaleString('en')} doubted of {speakers.toLocaleString('en')} speakers
        {found > doubted.length && `, the likeliest ${doubted.length} of them`}
      </h2>
      {notCompared > 0 && (
        <p>
          {notCompared.toLocaleString('en')} more have too few figures, or too few of their kind, to be compared with:
          nothing of them is doubted, and nothing is borne out.
        </p>
      )}
      {datums.map((datum) => (
        <p key={datum.maker}>{datumWords(datum)}</p>
      ))}
      {held > 0 && <p className="font-semibold text-clears">On hold now: {held.toLocaleString('en')}.</p>}
      {open > 0 && (
        <Button kind="main" className="self-start" disabled={isBusy} onClick={onHold}>
          Put on hold what is not yet
        </Button>
      )}
      <ul className="border-t border-ink">
        {doubted.map(({ id, name, figure, words, isHeld }) => (
          <li key={`${id} ${figure}`} className="border-b border-hairline py-1.5">
            <Link to={`/parts/${id}`} className="text-action underline underline-offset-2">
              {name}
            </Link>
            , {FIGURE_WORDS[figure].label.toLowerCase()}
            {isHeld && <strong className="text-hits">, on hold</strong>}
            <span className="block">{words}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
