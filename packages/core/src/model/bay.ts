/**
 * What was done of a car's plan, step by step: ticked or left out with a reason, what was counted, tightened and signed, and what somebody found
 * that the plan did not know. A step is known by its id, and a tick stands on what the step said: where it says something else since, it
 * is open again (`print`).
 */
import { z } from 'zod';
import type { Panel } from './panel';
import { panelAt } from './panel';
import type { Place, Side } from './place';

const shortText = (most: number) => z.string().trim().max(most, `Type at most ${most} characters.`);
const nameSchema = z.string().max(80);
const piecesSchema = z.int('Type a whole number.').min(0, 'Type 0 or more.').max(999, 'Type at most 999.');

/** What came out or went in, by pieces. */
export const countedSchema = z.strictObject({
  /** Out, or back in. */
  pieces: piecesSchema.nullable(),
  /** Of them: broken, or gone. */
  broken: piecesSchema.default(0),
  replaced: piecesSchema.default(0),
});
export type Counted = z.infer<typeof countedSchema>;

export const TORQUE_UNITS = { newtonMetre: 'N m', poundForceFoot: 'lbf ft' } as const;
export type TorqueUnit = keyof typeof TORQUE_UNITS;

/** As the vehicle maker's manual has it; the program gives none. */
export const torqueSchema = z.strictObject({
  value: z.number('Type a number.').positive('Type more than 0.').max(1000, 'Type at most 1000.'),
  unit: z.enum(Object.keys(TORQUE_UNITS) as [TorqueUnit, ...TorqueUnit[]]),
  source: shortText(120).min(1, 'Type where it is written, such as the page of the manual.'),
});
export type Torque = z.infer<typeof torqueSchema>;

export const MARKS = ['done', 'skipped', 'noted'] as const;

const markFieldsSchema = z.strictObject({
  /** Noted: something is written down of it, and it is still to be done. */
  state: z.enum(MARKS),
  by: nameSchema,
  at: z.iso.datetime(),
  /** Of what the step said. */
  print: z.string().max(16),
  /** Who else ticked it, at another tablet. */
  also: z.array(nameSchema).max(8).optional(),
  /** Why it was left out. */
  reason: shortText(200).optional(),
  note: shortText(300).optional(),
  counted: countedSchema.optional(),
  torque: torqueSchema.optional(),
  /** The second person, who looked at it too; null where it wants one and nobody did. */
  seconded: z.strictObject({ by: nameSchema, at: z.iso.datetime() }).nullable().optional(),
  /** What the step was, where somebody has to come back to it. */
  words: shortText(300).optional(),
});

export const stepMarkSchema = markFieldsSchema.superRefine(({ state, reason, by, seconded }, context) => {
  if (state === 'skipped' && !reason)
    context.addIssue({ code: 'custom', path: ['reason'], message: 'Type why it is left out.' });
  if (seconded && seconded.by === by)
    context.addIssue({
      code: 'custom',
      path: ['seconded', 'by'],
      message: 'The second person is somebody else than who did it.',
    });
});
export type StepMark = z.infer<typeof stepMarkSchema>;

/** Something that the plan did not know. */
export const foundThingSchema = z.strictObject({
  key: z.string().min(1).max(40),
  /** The step at which it was found. */
  step: z.string().max(240),
  where: shortText(120),
  words: shortText(300).min(1, 'Type what you found.'),
  by: nameSchema,
  at: z.iso.datetime(),
  /** Null until the counter, or whoever it concerns, has dealt with it. */
  settled: z
    .strictObject({ by: nameSchema, at: z.iso.datetime(), how: shortText(200).min(1, 'Type what was done about it.') })
    .nullable(),
});
export type FoundThing = z.infer<typeof foundThingSchema>;

const MOST_MARKS = 1500;
const MOST_FOUND = 60;

export const baySchema = z.strictObject({
  steps: z
    .record(z.string().min(1).max(240), stepMarkSchema)
    .refine((steps) => Object.keys(steps).length <= MOST_MARKS, `Keep to ${MOST_MARKS} steps.`),
  found: z.array(foundThingSchema).max(MOST_FOUND, `Keep to ${MOST_FOUND} things.`),
});
export type Bay = z.infer<typeof baySchema>;

export const NOTHING_DONE: Bay = { steps: {}, found: [] };

export function isDone(mark: Pick<StepMark, 'state'> | undefined): boolean {
  return mark?.state === 'done';
}

/** "7 steps done, 1 left out, 1 found". */
export function bayWords({ steps, found }: Bay): string {
  const marks = Object.values(steps);
  const count = (state: StepMark['state']) => marks.filter((mark) => mark.state === state).length;
  if (marks.length === 0 && found.length === 0) return 'not begun';
  const [done, skipped] = [count('done'), count('skipped')];
  return [
    `${done} ${done === 1 ? 'step' : 'steps'} done`,
    ...(skipped > 0 ? [`${skipped} left out`] : []),
    ...(found.length > 0 ? [`${found.length} found`] : []),
  ].join(', ');
}

/** "done (Rieke), 4 out, 1 broken: the lower one was stripped". */
export function markWords(mark: StepMark | undefined): string {
  if (!mark) return 'open';
  const { state, by, also = [], reason, note, counted, torque, seconded } = mark;
  const people = [by, ...also].join(' and ');
  const head =
    state === 'done' ? `done (${people})` : state === 'skipped' ? `left out (${people}): ${reason}` : `noted (${by})`;
  return [
    head,
    ...(counted ? [countedWords(counted)] : []),
    ...(torque ? [torqueWords(torque)] : []),
    ...(seconded ? [`looked at by ${seconded.by} too`] : []),
    ...(note ? [note] : []),
  ].join(', ');
}

export function countedWords({ pieces, broken, replaced }: Counted): string {
  return [
    pieces === null ? 'not counted' : `${pieces} counted`,
    ...(broken > 0 ? [`${broken} broken or gone`] : []),
    ...(replaced > 0 ? [`${replaced} replaced`] : []),
  ].join(', ');
}

export function torqueWords({ value, unit, source }: Torque): string {
  return `${value} ${TORQUE_UNITS[unit]} (${source})`;
}

/** One pound-force foot in newton metres (NIST SP 811, appendix B.8: 1.355 818). */
export const NEWTON_METRES_PER_POUND_FORCE_FOOT = 1.355818;

/** In the unit of the wrench, to a tenth. */
export function torqueIn({ value, unit }: Pick<Torque, 'value' | 'unit'>, wanted: TorqueUnit): number {
  if (unit === wanted) return value;
  const factor = wanted === 'newtonMetre' ? NEWTON_METRES_PER_POUND_FORCE_FOOT : 1 / NEWTON_METRES_PER_POUND_FORCE_FOOT;
  return Math.round(value * factor * 10) / 10;
}

export function foundWords({ where, words, by, settled }: FoundThing): string {
  return `${where}: ${words} (${by})${settled ? `; ${settled.how} (${settled.by})` : ''}`;
}

type NamedPanel = Pick<Panel, 'kind' | 'spot' | 'name'>;

export function panelStepId({ kind, spot, name }: NamedPanel, what: string): string {
  return `panel ${kind} ${spot} ${name} ${what}`;
}

export function openingStepId(openingId: string, what: string): string {
  return `opening ${openingId} ${what}`;
}

/** What is in front of a place for a speaker, as the vehicle's record names it; one without a name where nobody described it. */
export function panelsInFrontOf(
  { place, side }: { readonly place: Place; readonly side: Side },
  panels: readonly NamedPanel[],
): readonly NamedPanel[] {
  const where = panelAt(place, side);
  if (where === null) return [];
  const known = panels.filter(({ kind, spot }) => kind === where.kind && spot === where.spot);
  return known.length > 0 ? known : [{ ...where, name: '' }];
}

/**
 * Each panel there of which it is ticked that it is off or closed, whatever it is named: who asks may not have the vehicle's panels.
 */
export function panelMarks(
  { steps }: Pick<Bay, 'steps'>,
  { kind, spot }: Pick<Panel, 'kind' | 'spot'>,
): readonly { readonly isOff: boolean; readonly isClosed: boolean }[] {
  const begin = `panel ${kind} ${spot} `;
  const nameOf = (id: string, end: string) =>
    id.startsWith(begin) && id.endsWith(end) && id.length >= begin.length + end.length
      ? [id.slice(begin.length, id.length - end.length)].filter((name) => !/(^| )(off|on)$/.test(name))
      : [];
  const names = new Set(
    Object.entries(steps)
      .filter(([, mark]) => isDone(mark))
      .flatMap(([id]) => [...nameOf(id, ' off'), ...nameOf(id, ' closed')]),
  );
  const has = (name: string, what: string) => isDone(steps[panelStepId({ kind, spot, name }, what)]);
  return [...names].map((name) => ({ isOff: has(name, 'off'), isClosed: has(name, 'closed') }));
}

/** Whether anything of the work at an opening is ticked or left out. */
export function isBegunAt({ steps }: Bay, openingId: string): boolean {
  const begin = openingStepId(openingId, '');
  return Object.entries(steps).some(([id, { state }]) => id.startsWith(begin) && state !== 'noted');
}
