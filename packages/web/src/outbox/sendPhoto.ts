/** Sends a photo that waits: first its picture, then what it is of. Whatever is sent twice is there once. */
import { addPhoto, type Photo, PICTURE_UPLOAD_PATH, pictureSchema } from '@low-quarry/core/contracts/photos';
import { call, sendFile } from '../api/call';
import { deviceStore } from '../device/DeviceStore';
import type { AddPhoto } from './Entry';
import { readPicture } from './waitingPictures';

/** @throws Error where the picture is not on this device any more */
export async function sendPhoto(entry: AddPhoto): Promise<Photo> {
  const jpeg = await readPicture(deviceStore, entry);
  if (!jpeg) throw new Error('The picture is not on this device any more: drop this entry and take it again.');
  const { hash } = pictureSchema.parse(await sendFile(PICTURE_UPLOAD_PATH, new Blob([jpeg], { type: 'image/jpeg' })));
  const { id: key, personId, photo } = entry;
  return call(addPhoto, { params: {}, body: { ...photo, hash }, key, personId });
}
