/**
 * A photo of a record: the picture is a file named by its SHA-256, and what people put on it (a caption, arrows, circles) stands beside it,
 * so that the picture stays as it was taken. Places on a picture are fractions of its width and height from the upper left corner.
 */
import { z } from 'zod';

/** The records that take photos; whose each is says `PhotosService`. */
export const PHOTO_OF = ['job', 'opening', 'vehicle', 'part'] as const;
export type PhotoOf = (typeof PHOTO_OF)[number];

/** Of one record. */
export const MOST_PHOTOS = 200;
const MOST_MARKS = 30;
const MOST_PLACE = 120;

const fraction = z.number().min(0).max(1);
const spot = z.tuple([fraction, fraction]);
const circleSchema = z.strictObject({
  kind: z.literal('circle'),
  at: spot,
  /** In fractions of the picture's width. */
  radius: z.number().min(0.005).max(1),
});
const arrowSchema = z.strictObject({ kind: z.literal('arrow'), from: spot, /** What it points at. */ to: spot });
export const photoMarkSchema = z.discriminatedUnion('kind', [arrowSchema, circleSchema]);
export type PhotoMark = z.infer<typeof photoMarkSchema>;
export const MARK_LABELS: Readonly<Record<PhotoMark['kind'], string>> = { arrow: 'Arrow', circle: 'Circle' };

export const pictureHashSchema = z.string().regex(/^[0-9a-f]{64}$/, 'Name the picture by its SHA-256.');

/** What people put on a picture. */
export const photoNotesSchema = z.strictObject({
  caption: z.string().trim().max(300, 'Type at most 300 characters.'),
  marks: z.array(photoMarkSchema).max(MOST_MARKS, `Keep to ${MOST_MARKS} marks.`),
});
export type PhotoNotes = z.infer<typeof photoNotesSchema>;

/** What a photo is of. */
export const photoSubjectSchema = z.strictObject({
  of: z.enum(PHOTO_OF),
  recordId: z.string().min(1).max(80),
  /** Within the record, such as `baseline` or `baseline.horn`; empty for the whole of it. */
  place: z.string().max(MOST_PLACE),
});
export type PhotoSubject = z.infer<typeof photoSubjectSchema>;

export const photoStateSchema = photoSubjectSchema.extend({ hash: pictureHashSchema, ...photoNotesSchema.shape });
export type PhotoState = z.infer<typeof photoStateSchema>;

/** Photos of how a car came in; who signed for that, signed for them. */
export const BEFORE_WORK = 'baseline';

/** The place of a photo of one of the things that are tried. @param key of the function */
export function photoPlaceOf(key: string): string {
  return `${BEFORE_WORK}.${key}`;
}

/** Within a job: photos of how a step of the work was done. */
const IN_THE_BAY = 'bay.';

/** The place of a photo that is taken at a step. */
export function photoPlaceOfStep(stepId: string): string {
  return `${IN_THE_BAY}${stepId}`.slice(0, MOST_PLACE);
}

export function isOfBay({ of, place }: Pick<PhotoSubject, 'of' | 'place'>): boolean {
  return of === 'job' && place.startsWith(IN_THE_BAY);
}

export function isOfBaseline({ of, place }: Pick<PhotoSubject, 'of' | 'place'>): boolean {
  return of === 'job' && (place === BEFORE_WORK || place.startsWith(`${BEFORE_WORK}.`));
}

/** "2 arrows, 1 circle". */
export function marksWords(marks: readonly PhotoMark[]): string {
  const kinds = (Object.keys(MARK_LABELS) as PhotoMark['kind'][]).map((kind) => {
    const count = marks.filter((mark) => mark.kind === kind).length;
    return { count, word: `${count} ${MARK_LABELS[kind].toLowerCase()}${count === 1 ? '' : 's'}` };
  });
  const there = kinds.filter(({ count }) => count > 0).map(({ word }) => word);
  return there.length === 0 ? 'none' : there.join(', ');
}

/** What a photo is called in a list of changes. */
export function photoLabel({ caption }: Pick<PhotoNotes, 'caption'>): string {
  return caption === '' ? 'a photo' : `the photo “${caption}”`;
}
