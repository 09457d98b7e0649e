/** What a file that comes as a photo is, before anything opens it, and how large it may be. */
export { LONGEST_PX, MOST_FILE_MB, MOST_PICTURE_MB, MOST_PIXELS, SMALL_PX } from './limits';
export { PICTURE_WORDS, type PictureKind, pictureKind } from './pictureKind';
