/** What an opening's record says that comes to it besides its speaker's own sound. */
import { type Carried, carriedBesides } from '../fit';
import type { OpeningRecord } from './opening';
import { beyondSound } from './plugFace';

/** @returns the gravest first; empty where nothing more comes, as far as anybody looked */
export function besidesAt({
  secondPlug,
  plugFaces,
}: Pick<OpeningRecord, 'secondPlug' | 'plugFaces'>): readonly Carried[] {
  return carriedBesides({ secondPlug, pinsBeyond: beyondSound(plugFaces) });
}
