import {
  addPhoto,
  countPictures,
  listPhotos,
  PICTURE_PATH,
  PICTURE_UPLOAD_PATH,
  type Picture,
  putPhoto,
  removePhoto,
  SMALL_PICTURE_PATH,
} from '@low-quarry/core/contracts/photos';
import { pictureHashSchema } from '@low-quarry/core/model';
import { MOST_PICTURE_MB } from '@low-quarry/core/photo';
import express, { type RequestHandler, type Router } from 'express';
import type { DataSource } from 'typeorm';
import type { Actor } from '../../http/Actor';
import { AppError, notFound, refused } from '../../http/AppError';
import { actorOf, guard } from '../../http/guard';
import { heavyLimit } from '../../http/heavyLimit';
import { requireNamedPerson } from '../../http/requireNamedPerson';
import { route, write } from '../../http/route';
import type { OpenHistory } from '../history/History';
import { PhotosService } from './PhotosService';
import { PhotosStore } from './PhotosStore';
import type { PictureFiles } from './PictureFiles';
import { countAllPictures } from './unusedPictures';

/** A burst of a car's photos, and no more work than that. */
const MOST_SENT_A_MINUTE = 120;

/** @param files null where no folder for them is set (a list of routes needs none) */
export function photosRoutes(
  router: Router,
  db: DataSource,
  files: PictureFiles | null,
  newId: () => string,
  openHistory: OpenHistory,
): void {
  const pictures = () => {
    if (files) return files;
    throw new AppError(503, 'no-photos', 'No photos', 'No folder for photos was set.');
  };
  route(router, countPictures, () => countAllPictures(db.manager, pictures()));
  route(router, listPhotos, ({ params }) => new PhotosStore(db.manager).list(params.of, params.recordId));
  write(router, db, addPhoto, ({ body, manager, actor }) =>
    new PhotosService(manager, openHistory(manager, actor)).add(newId(), body, pictures()),
  );
  write(router, db, putPhoto, ({ params, body: { version, ...notes }, manager, actor }) =>
    new PhotosService(manager, openHistory(manager, actor)).change(params.photoId, version, notes),
  );
  write(router, db, removePhoto, async ({ params, body, manager, actor }) => {
    await new PhotosService(manager, openHistory(manager, actor)).remove(params.photoId, body.version);
    return { photoId: params.photoId };
  });

  // Only who may add photos has so much read.
  const readBody = express.raw({ type: () => true, limit: `${MOST_PICTURE_MB}mb` });
  router.post(
    PICTURE_UPLOAD_PATH,
    guard('photos'),
    heavyLimit(MOST_SENT_A_MINUTE),
    readBody,
    async (request, response) => {
      requireNamedPerson(request, actorOf(response) as Actor);
      if (!Buffer.isBuffer(request.body)) throw refused('The request holds no picture.', []);
      response.json((await pictures().take(request.body)) satisfies Picture);
    },
  );
  router.get(
    PICTURE_PATH,
    guard('read'),
    picture((hash) => pictures().read(hash)),
  );
  router.get(
    SMALL_PICTURE_PATH,
    guard('read'),
    picture((hash) => pictures().readSmall(hash)),
  );
}

/** Sent as a picture and as nothing else: a browser that was led to its address opens no page and runs nothing. */
function picture(read: (hash: string) => Promise<Buffer | null>): RequestHandler {
  return async (request, response) => {
    const hash = pictureHashSchema.safeParse(request.params.hash);
    const jpeg = hash.success ? await read(hash.data) : null;
    if (!jpeg) throw notFound('picture');
    response.setHeader('Content-Security-Policy', "default-src 'none'; sandbox");
    response.setHeader('Content-Disposition', 'inline; filename="photo.jpg"');
    // Asked for again each time, so that it is not shown to whoever comes after a sign-out; answered with "not changed".
    response.setHeader('Cache-Control', 'private, no-cache');
    response.setHeader('ETag', `"${request.path.endsWith('/small') ? 'small-' : ''}${hash.data}"`);
    response.type('image/jpeg').send(jpeg);
  };
}
