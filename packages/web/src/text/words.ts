/** Words shown to people, one for each thing. */
import type { FrontKind, ObstacleKind } from '@low-quarry/core/fit';
import type { Face, OpeningRecord } from '@low-quarry/core/model';

export { VERDICT_WORDS } from '@low-quarry/core/fit';

/** Of a check that nobody has looked at, or can look at yet. */
export const UNJUDGED_WORDS = 'Not looked';

/** The unit as a word in running text. */
export const UNIT_WORDS = { mm: 'mm', in: 'inches' } as const;

export const PRESENCE_WORDS: Readonly<Record<OpeningRecord['presence'], string>> = {
  fitted: 'A speaker is fitted',
  empty: 'Opening without a speaker',
  blank: 'Blank panel, no opening',
  notThere: 'Nothing here',
  notLooked: 'Nobody has looked',
};

/** What an opening's plug is, where it is none that has a name. */
export const WIRING_WORDS: Readonly<Record<Exclude<OpeningRecord['wiring']['kind'], 'connector'>, string>> = {
  unknown: 'Not looked at',
  noWires: 'No wires here',
  bare: 'Wires without a plug',
  broken: 'A plug that is broken',
  tapedBack: 'Wires taped back, not unwrapped',
};

const EMPTY_WORDS: Readonly<Record<OpeningRecord['wiring']['kind'], string>> = {
  connector: 'Wired, but empty',
  noWires: 'Opening without wires',
  bare: 'Empty, wires without a plug',
  broken: 'Empty, its plug is broken',
  tapedBack: 'Empty, wires taped back',
  unknown: 'Empty, wires not looked for',
};

/** What is at a place, with what is known of its wires. */
export function presenceWords({ presence, wiring }: Pick<OpeningRecord, 'presence' | 'wiring'>): string {
  if (presence !== 'empty') return PRESENCE_WORDS[presence];
  return EMPTY_WORDS[wiring.kind];
}

export const ASSUMED_WORDS: Readonly<Record<OpeningRecord['assumed'][number], string>> = {
  holeKind: 'Shape of the hole',
  bolts: 'Screw holes',
  fixing: 'Fixing',
  behind: 'Behind it',
};

export const BEHIND_WORDS: Readonly<Record<OpeningRecord['behind'], string>> = {
  glass: 'Window glass',
  metal: 'Metal or a duct',
  nothing: 'Nothing',
};

export const OBSTACLE_WORDS: Readonly<Record<ObstacleKind, string>> = {
  beam: 'crash beam',
  rail: 'window rail',
  wiring: 'wiring',
  skin: 'second skin',
  soft: 'felt, foam or film',
  other: 'something else',
};

export const FRONT_WORDS: Readonly<Record<FrontKind, string>> = {
  card: 'door card',
  grille: 'grille frame',
  cloth: 'cloth',
  ring: 'ring that stays',
};

export const MATERIAL_WORDS: Readonly<Record<OpeningRecord['material'], string>> = {
  sheetSteel: 'sheet steel',
  aluminium: 'aluminium',
  plastic: 'plastic',
  board: 'board',
};

export const SECOND_PLUG_WORDS: Readonly<Record<OpeningRecord['secondPlug'], string>> = {
  none: 'No second plug',
  soundAlone: 'Yes, sound for this speaker alone',
  soundOn: 'Yes, sound that goes on to another speaker',
  sound: 'Yes, sound; not looked where it goes on to',
  warning: 'Yes, warning sounds',
  unexplained: 'Yes, nobody knows what for',
  notLooked: 'Nobody has looked',
};

export const AIRBAG_WORDS: Readonly<Record<OpeningRecord['airbag'], string>> = {
  none: 'Looked: none here',
  near: 'One sits here',
  notLooked: 'Not looked',
};

export const FACE_WORDS: Readonly<Record<Face, string>> = {
  metal: 'The metal',
  keptRing: 'The ring that stays',
  oldMount: 'The old mount',
};

export const FIXING_WORDS: Readonly<Record<OpeningRecord['fixing'], string>> = {
  screws: 'Screws',
  rivets: 'Rivets',
  plugs: 'Expanding plugs',
  hooks: 'Hooks and one bolt',
  tabs: 'Snap tabs',
  pressFit: 'Pressed in',
  glue: 'Glued in',
};

/** What is asked of a channel. */
export const CHANNEL_CHECK_WORDS = { load: 'Load', band: 'Band', power: 'Power', wire: 'Wire' } as const;
