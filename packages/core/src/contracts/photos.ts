/**
 * Photos of records. A picture is sent first, as the file it is, and answered with the name it is kept under; then what it is of is
 * written down. Sent twice, it is one file, and one photo.
 */
import { z } from 'zod';
import { photoNotesSchema, photoStateSchema, photoSubjectSchema, pictureHashSchema } from '../model';
import { contract, idSchema, nothing } from './contract';

/** Takes a picture as image/jpeg, image/png or image/webp, and answers `pictureSchema`. */
export const PICTURE_UPLOAD_PATH = '/api/pictures';
/** A picture as it is kept, always image/jpeg. */
export const PICTURE_PATH = '/api/pictures/:hash';
/** The same for a list. */
export const SMALL_PICTURE_PATH = '/api/pictures/:hash/small';

export const pictureSchema = z.object({
  hash: pictureHashSchema,
  widthPx: z.int().min(1),
  heightPx: z.int().min(1),
  bytes: z.int().min(1),
});
export type Picture = z.infer<typeof pictureSchema>;

export const photoSchema = photoStateSchema.extend({
  id: idSchema,
  version: z.int().min(1),
  /** The job it belongs to; null for the library's. */
  jobId: idSchema.nullable(),
  widthPx: z.int().min(1),
  heightPx: z.int().min(1),
  addedAt: z.iso.datetime(),
  addedBy: z.string(),
});
export type Photo = z.infer<typeof photoSchema>;

/** The photos of a record, the first that was taken first; of a job those of its openings too. */
export const listPhotos = contract({
  method: 'get',
  path: '/api/photos',
  permission: 'read',
  params: photoSubjectSchema.pick({ of: true, recordId: true }),
  body: nothing,
  answer: z.object({
    photos: z.array(photoSchema),
    /** So many are there and cannot be read. */
    unreadable: z.int(),
  }),
});

export const addPhoto = contract({
  method: 'post',
  path: '/api/photos',
  permission: 'photos',
  params: z.object({}),
  body: photoStateSchema,
  answer: photoSchema,
});

/** Another caption, other marks. */
export const putPhoto = contract({
  method: 'put',
  path: '/api/photos/:photoId',
  permission: 'photos',
  params: z.object({ photoId: idSchema }),
  body: photoNotesSchema.extend({ version: z.int().min(1) }),
  answer: photoSchema,
});

/** Takes it off its record; its history can bring it back as long as the bin keeps things. */
export const removePhoto = contract({
  method: 'post',
  path: '/api/photos/:photoId/remove',
  permission: 'photos',
  params: z.object({ photoId: idSchema }),
  body: z.strictObject({ version: z.int().min(1) }),
  answer: z.object({ photoId: idSchema }),
});

/** How much room pictures take, and how much of it nothing uses. */
export const countPictures = contract({
  method: 'get',
  path: '/api/photos/count',
  permission: 'readBackups',
  params: z.object({}),
  body: nothing,
  answer: z.object({
    files: z.int(),
    bytes: z.number(),
    /** Of photos that were taken off, or of none: they go by themselves. */
    unusedFiles: z.int(),
    unusedBytes: z.number(),
    /** Of photos that are there, whose picture is not. */
    missing: z.int(),
  }),
});
