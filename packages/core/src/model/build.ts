/**
 * How far the work at an opening is, as it was ticked before the plan had steps of its own (`bay`): the panel off, the speaker in with all its
 * screws tight, heard, and only then the panel closed. A step stands on the one before it (handbook, section 3).
 */
import { z } from 'zod';

export const BUILD_STEP_LABELS = {
  panelOff: 'Panel off, old speaker out',
  fitted: 'New speaker in, all its screws tight',
  tested: 'Heard alone, joints tugged, the window run where there is one',
  closed: 'Panel closed',
} as const;
export type BuildStep = keyof typeof BUILD_STEP_LABELS;
export const BUILD_STEPS = Object.keys(BUILD_STEP_LABELS) as [BuildStep, ...BuildStep[]];

/** Done, in their order; each with who did it. */
export const buildSchema = z
  .array(z.strictObject({ step: z.enum(BUILD_STEPS), by: z.string().max(80).nullable(), at: z.iso.datetime() }))
  .max(BUILD_STEPS.length)
  .superRefine((done, context) => {
    done.forEach(({ step }, at) => {
      if (step === BUILD_STEPS[at]) return;
      const before = BUILD_STEPS[BUILD_STEPS.indexOf(step) - 1];
      const message = before
        ? `“${BUILD_STEP_LABELS[step]}” comes right after “${BUILD_STEP_LABELS[before]}”: tick that first.`
        : `“${BUILD_STEP_LABELS[step]}” comes first, and once.`;
      context.addIssue({ code: 'custom', path: [at, 'step'], message });
    });
  })
  .default([]);
export type Build = z.infer<typeof buildSchema>;

export function buildWords(done: Build): string {
  return done.length === 0
    ? 'not begun'
    : done.map(({ step, by }) => `${BUILD_STEP_LABELS[step].toLowerCase()}${by ? ` (${by})` : ''}`).join('; ');
}
