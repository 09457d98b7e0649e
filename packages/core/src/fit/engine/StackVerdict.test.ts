/** The verdict that is found with as little work as it takes, against that of all figures, for every stack of a catalogue. */
import { describe, expect, test } from '@jest/globals';
import { LARGE_RULES, largeCatalogue, largeVehicle } from '../../testing/largeCatalogue';
import type { FitOpening } from '../shapes';
import { CatalogueIndex } from './CatalogueIndex';
import type { ClassMount } from './ClassMount';
import { MountIndex } from './MountIndex';
import { OpeningFacts } from './OpeningFacts';
import { CHECK_AT, CLEARS, HITS, MEASURE, Scratch } from './Scratch';
import type { SpacerOption } from './SpacerOption';
import { StackFigures } from './StackFigures';
import { StackMargins } from './StackMargins';
import { StackVerdict } from './StackVerdict';

const index = new CatalogueIndex(largeCatalogue({ speakers: 1200, brackets: 300, seed: 29 }));
const mountIndex = new MountIndex(index, LARGE_RULES);
const [frontDoor, , rearDoor, , , , centre, kick, , side, , deck] = largeVehicle() as FitOpening[];
const ROUNDING_MM = 1e-7;
/** How many stacks of all openings had which verdict. */
const seen = [0, 0, 0, 0];

function atWork(opening: FitOpening) {
  const facts = new OpeningFacts(index, LARGE_RULES, mountIndex);
  facts.takeOver(opening);
  const margins = new StackMargins(index, LARGE_RULES, facts);
  margins.setOpening(opening);
  const verdicts = new StackVerdict(index, LARGE_RULES, facts, margins);
  verdicts.beginOpening();
  return { facts, verdicts, figures: new StackFigures(index, facts, margins) };
}

type Stack = {
  readonly speaker: number;
  readonly mount: ClassMount;
  /** Place in the columns. */
  readonly at: number;
  readonly option: SpacerOption | null;
};

/** Every stack whose bolts do not hit, bare and with every third spacer. */
function everyStack(facts: OpeningFacts, of: (stack: Stack) => void): void {
  for (let speaker = 0; speaker < index.speakers.length; speaker++) {
    const first = facts.mounts.first[index.speakerClass[speaker] as number] as number;
    facts.mountsOf(speaker).forEach((mount, place) => {
      if (mount.bolts.gravity === HITS) return;
      const options = [null, ...facts.spacers.filter((_, each) => each % 3 === 0)];
      for (const option of options) of({ speaker, mount, at: first + place, option });
    });
  }
}

/** What the sweep knows of a stack before it asks for lengths. */
function gravityOf({ facts }: ReturnType<typeof atWork>, { speaker, mount }: Stack, scratch: Scratch): number {
  const ofTerminals = facts.factsGravity[index.row.terminalsClass(speaker)] as number;
  // A bought ring takes part in the bolts.
  return Math.max(ofTerminals, mount.wireWay.gravity, scratch.verdict[CHECK_AT.bolts] as number);
}

const warned = side && { ...side, label: 'Side panel, a warning on its second plug', secondPlug: 'warning' as const };
const OPENINGS = [frontDoor, rearDoor, centre, kick, side, deck, warned];

describe.each(OPENINGS.map((opening) => [opening?.label, opening] as const))('%s', (_, opening) => {
  if (!opening) throw new Error('expected an opening');

  test('is that of all figures, and what hits does not miss by less than is noted', () => {
    const work = atWork(opening);
    const { facts, verdicts, figures } = work;
    const scratch = new Scratch();
    const faults: string[] = [];
    everyStack(facts, (stack) => {
      const { speaker, mount, at, option } = stack;
      figures.setAll(scratch, speaker, mount, option);
      verdicts.beginSpeaker(speaker);
      verdicts.beginMount();
      const verdict = verdicts.judge(mount, at, option, gravityOf(work, stack, scratch), HITS);
      seen[scratch.gravest] = (seen[scratch.gravest] as number) + 1;
      const name = `${index.speakers[speaker]?.id} ${mount.idsWith(null)}${option?.spacer.id ?? ''}`;
      if (verdict !== scratch.gravest) faults.push(`${name}: ${verdict}, not ${scratch.gravest}`);
      // No noted miss is above the worst margin: another check may be worse still.
      else if (verdict === HITS && verdicts.missMm < scratch.worstMm - ROUNDING_MM)
        faults.push(`${name}: ${verdicts.missMm}, but ${scratch.worstMm}`);
    });
    expect(faults.slice(0, 5)).toEqual([]);
  });

  test('what is above the limit is let go, and nothing else', () => {
    const work = atWork(opening);
    const { facts, verdicts, figures } = work;
    const scratch = new Scratch();
    const faults: string[] = [];
    everyStack(facts, (stack) => {
      const { speaker, mount, at, option } = stack;
      figures.setAll(scratch, speaker, mount, option);
      for (const limit of [CLEARS, MEASURE]) {
        verdicts.beginSpeaker(speaker);
        verdicts.beginMount();
        const verdict = verdicts.judge(mount, at, option, gravityOf(work, stack, scratch), limit);
        const isRight = scratch.gravest <= limit ? verdict === scratch.gravest : verdict > limit;
        if (!isRight) faults.push(`${index.speakers[speaker]?.id} ${mount.idsWith(null)} within ${limit}: ${verdict}`);
      }
    });
    expect(faults.slice(0, 5)).toEqual([]);
  });
});

test('stacks of every verdict were among them', () => {
  const [clears = 0, measure = 0, hold = 0, hits = 0] = seen;
  expect(Math.min(clears, measure, hits)).toBeGreaterThan(100);
  expect(hold).toBeGreaterThan(10);
});
