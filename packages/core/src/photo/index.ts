/** What a file that comes as a photo is, before anything opens it. */
export { PICTURE_WORDS, type PictureKind, pictureKind } from './pictureKind';
