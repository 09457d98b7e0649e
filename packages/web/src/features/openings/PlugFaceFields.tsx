/** The pins of an opening's plugs: pressed two by two, each pair with what it carries and what says so. */
import {
  GRADE_LABELS,
  GRADES,
  MOST_COLOUR,
  MOST_FACES,
  MOST_POSITIONS,
  MOST_ROWS,
  PAIR_CARRIES,
  PAIR_CARRIES_LABELS,
  type PinPair,
  type PlugFace,
  pairLetter,
  pinMark,
  pinsNotLooked,
  pinWords,
  plugName,
} from '@low-quarry/core/model';
import { useState } from 'react';
import { PlugFaceDrawing } from '../../drawing/PlugFaceDrawing';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { TextField } from '../../ui/TextField';
import { faceOf, paired, takenApart, withEmpty, withPositions } from './plugFaces';

type PlugFaceFieldsProps = {
  readonly faces: readonly PlugFace[];
  /** How many positions its plug has, where the library says. */
  readonly ways: number | null;
  readonly hasSecondPlug: boolean;
  readonly positivePin: number | null;
  readonly errorAt: (path: string) => string | null;
  readonly onChange: (faces: PlugFace[]) => void;
};

export function PlugFaceFields({ faces, ways, hasSecondPlug, positivePin, errorAt, onChange }: PlugFaceFieldsProps) {
  const mayAdd = faces.length === 0 || (hasSecondPlug && faces.length < MOST_FACES);
  return (
    <div className="flex flex-col gap-3 sm:col-span-2">
      {faces.map((face, at) => (
        <OneFace
          // biome-ignore lint/suspicious/noArrayIndexKey: which plug it is, is its place in the list.
          key={at}
          face={face}
          name={plugName(at)}
          ways={at === 0 ? ways : null}
          positivePin={at === 0 ? positivePin : null}
          error={errorAt(`record.plugFaces.${at}`)}
          onChange={(next) => onChange(faces.map((each, index) => (index === at ? next : each)))}
          // Those behind it would be called by another name.
          onRemove={at === faces.length - 1 ? () => onChange(faces.slice(0, -1)) : null}
        />
      ))}
      {mayAdd && (
        <Button className="self-start" onClick={() => onChange([...faces, faceOf(faces.length === 0 ? ways : null)])}>
          Note the pins of its {plugName(faces.length)}
        </Button>
      )}
    </div>
  );
}

type OneFaceProps = {
  readonly face: PlugFace;
  readonly name: string;
  /** How many positions the library gives it; null where it does not say. */
  readonly ways: number | null;
  readonly positivePin: number | null;
  readonly error: string | null;
  readonly onChange: (face: PlugFace) => void;
  readonly onRemove: (() => void) | null;
};

function OneFace({ face, name, ways, positivePin, error, onChange, onRemove }: OneFaceProps) {
  /** The pin that was pressed, until the other of its pair is. */
  const [held, hold] = useState<number | null>(null);
  const { rows, positions } = face;
  const notLooked = pinsNotLooked(face);
  const press = (pin: number) => {
    const { kind } = pinMark(face, pin);
    if (kind === 'pair') return;
    if (held === null || held === pin) return hold(held === pin ? null : pin);
    hold(null);
    onChange(paired(face, held, pin));
  };
  const resize = (change: Partial<Pick<PlugFace, 'rows' | 'positions'>>) => {
    hold(null);
    onChange(withPositions(face, change));
  };
  const setPair = (at: number, change: Partial<PinPair>) =>
    onChange({ ...face, pairs: face.pairs.map((each, index) => (index === at ? { ...each, ...change } : each)) });
  return (
    <fieldset className="flex flex-col gap-3 border border-hairline p-3">
      <legend className="px-1 font-semibold">Pins of its {name}</legend>
      <p>Look into the car’s plug with its latch up. Press the two pins of a pair one after the other.</p>
      <div className="flex flex-wrap items-center gap-2">
        <span>
          {positions} positions in {rows} {rows === 1 ? 'row' : 'rows'}:
        </span>
        <Button disabled={positions <= Math.max(2, rows)} onClick={() => resize({ positions: positions - 1 })}>
          One less
        </Button>
        <Button disabled={positions >= MOST_POSITIONS} onClick={() => resize({ positions: positions + 1 })}>
          One more
        </Button>
        <Button onClick={() => resize({ rows: rows >= Math.min(MOST_ROWS, positions) ? 1 : rows + 1 })}>
          {rows >= Math.min(MOST_ROWS, positions) ? 'In one row' : `In ${rows + 1} rows`}
        </Button>
      </div>
      {ways !== null && ways !== positions && (
        <p className="text-measure">
          The library knows this connector with {ways} {ways === 1 ? 'position' : 'positions'}: look whether it is this
          one.
        </p>
      )}
      <PlugFaceDrawing
        face={face}
        positivePin={positivePin}
        pinAt={(pin, drawn) => (
          <button
            type="button"
            aria-label={pinLabel(face, pin, held)}
            aria-pressed={held === pin}
            className={held === pin ? 'block outline-3 outline-action' : 'block'}
            onClick={() => press(pin)}
          >
            {drawn}
          </button>
        )}
      />
      <p role="status" className={notLooked.length > 0 || held !== null ? 'text-measure' : ''}>
        {held !== null
          ? `Pin ${held}, and which other?`
          : notLooked.length > 0
            ? `Nobody said what ends at ${pinWords(notLooked)}: a pair that is not known may carry warning sounds.`
            : 'Every position is noted.'}
      </p>
      {notLooked.length > 0 && (
        <Button
          className="self-start"
          onClick={() => {
            hold(null);
            onChange(withEmpty(face, held === null ? notLooked : [held]));
          }}
        >
          No wire ends at {pinWords(held === null ? notLooked : [held])}
        </Button>
      )}
      {face.pairs.map((pair, at) => (
        <div key={pair.pins.join()} className="grid gap-3 border-t border-hairline pt-2 sm:grid-cols-2">
          <Choice
            label={`${pairLetter(at)}, ${pinWords(pair.pins)}: carries`}
            value={pair.carries}
            options={PAIR_CARRIES.map((each) => [each, PAIR_CARRIES_LABELS[each]])}
            onChange={(carries) => setPair(at, { carries })}
          />
          <Choice
            label={`${pairLetter(at)}: what says so`}
            hint="What is only said or guessed clears nothing."
            value={pair.grade}
            options={GRADES.map((each) => [each, GRADE_LABELS[each]])}
            onChange={(grade) => setPair(at, { grade })}
          />
          {pair.pins.map((pin, which) => (
            <TextField
              key={pin}
              label={`${pairLetter(at)}: colour of the wire at pin ${pin}`}
              hint={which === 0 ? 'Of this plug in this variant alone; it does not say which is positive.' : undefined}
              value={pair.colours[which] ?? ''}
              autoComplete="off"
              maxLength={MOST_COLOUR}
              onType={(text) =>
                setPair(at, { colours: which === 0 ? [text, pair.colours[1]] : [pair.colours[0], text] })
              }
            />
          ))}
          <Button kind="quiet" className="justify-self-start" onClick={() => onChange(takenApart(face, at))}>
            {pairLetter(at)} is no pair
          </Button>
        </div>
      ))}
      {face.empty.length > 0 && <p>No wire ends at {pinWords(face.empty)}. Press one that has one after all.</p>}
      {error && <p className="font-semibold text-hits">{error}</p>}
      {onRemove && (
        <Button kind="quiet" className="self-start" onClick={onRemove}>
          Take the pins of its {name} out
        </Button>
      )}
    </fieldset>
  );
}

function pinLabel(face: PlugFace, pin: number, held: number | null): string {
  const { kind, at } = pinMark(face, pin);
  if (held === pin) return `Pin ${pin}, pressed`;
  return `Pin ${pin}, ${{ pair: `pair ${pairLetter(at)}`, empty: 'no wire', notLooked: 'not noted' }[kind]}`;
}
