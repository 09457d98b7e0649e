/**
 * Writes the three lists of `demo/lists`: what invented suppliers send, with the usual dirt. The same each time; kept as files, so that a
 * person can try them. Run by `npm run demo-lists`.
 */
import { writeFileSync } from 'node:fs';
import path from 'node:path';
import { seededRandom } from '@low-quarry/core/math';
import { ABOVE, dirtyList } from '@low-quarry/core/testing/dirtyList';
import { type DirtySpeakers, dirtySpeakers } from '@low-quarry/core/testing/dirtySpeakers';

const [dir] = process.argv.slice(2);
if (!dir) throw new Error('demoLists: expected the folder to write to');

const MAKERS = ['Corbreck', 'Hessarie', 'Skelwater', 'Brinnoch', 'Marlfoot', 'Tarnhowe', 'Gannock', 'Fellgarth'];
const LINES = ['Cairn', 'Heather', 'Scree', 'Gannet', 'Lapwing', 'Bracken', 'Curlew', 'Plover', 'Rowan', 'Whin'];
const [MAKER, NAME] = [1, 2];

/** Makers and names that a trade would have, in the place of numbered ones. */
function named(rows: string[][], { rows: speakers }: DirtySpeakers): string[][] {
  return rows.map((row, at) => {
    const maker = MAKERS[Number(/\d+/.exec(row[MAKER] ?? '')?.[0] ?? 0) % MAKERS.length] as string;
    const size = (speakers[at]?.nominalSize ?? '').replace(' in', '').replace('×', 'x').replace('.', '');
    return row.map((cell, column) =>
      column === MAKER ? maker : column === NAME ? `${LINES[at % LINES.length]} ${size} no. ${100 + at}` : cell,
    );
  });
}

function write(file: string, rows: readonly (readonly string[])[], sign: string, encoding: BufferEncoding): void {
  const quoted = (cell: string) => (cell.includes(sign) || cell.includes('"') ? `"${cell.replace(/"/g, '""')}"` : cell);
  const text = rows.map((cells) => cells.map(quoted).join(sign)).join('\r\n');
  writeFileSync(path.join(dir as string, file), Buffer.from(`${text}\r\n`, encoding));
}

/** A German one in Windows-1252: units in the cells, slips, rows that stand twice. */
function german(): void {
  const dirty = dirtySpeakers({ rows: 260, slips: 10, seed: 301 });
  const rows = named(dirtyList(dirty, 302), dirty);
  const doubled = [12, 77, 140].map((at) => rows[at] as string[]);
  write('hillfoot-march.csv', [...ABOVE, ...rows, ...doubled], ';', 'latin1');
}

/** An English one with commas between cells and points in numbers: units in the headings, some rows shifted by an empty cell. */
function english(): void {
  const dirty = dirtySpeakers({ rows: 180, slips: 4, seed: 303 });
  const random = seededRandom(304);
  const heads = [
    'Part no.',
    'Brand',
    'Model',
    'Speaker type',
    'Size',
    'Cutout (mm)',
    'Flange (mm)',
    'Flange thickness (mm)',
    'Mounting depth (mm)',
    'Front height (mm)',
    'Magnet (mm)',
    'Weight (g)',
    'Imp. (ohm)',
    'Power RMS (W)',
    'SPL 1W/1m (dB)',
    'Bolt circle (mm)',
    'Holes',
    'Dealer price',
  ];
  const kinds: Readonly<Record<string, string>> = {
    '2-Wege': '2-way',
    Tieftöner: 'Woofer',
    Breitband: 'Full range',
    Hochtöner: 'Tweeter',
  };
  const rows = named(dirtyList(dirty, 305), dirty).map((row) => {
    const english = row.map((cell, at) => (at < 3 ? cell : (kinds[cell] ?? cell).replace(/(\d),(\d)/g, '$1.$2')));
    return random() < 0.02 ? [...english.slice(0, 6), '', ...english.slice(6)] : english;
  });
  write('northmole-spring.csv', [heads, ...rows], ',', 'utf8');
}

/** Tabs between cells, and one maker who counts every depth from the top of the flange; the heading says nothing of it. */
function fromTheTop(): void {
  const dirty = dirtySpeakers({ rows: 1200, slips: 6, seed: 306 });
  const [THICKNESS, DEPTH] = [7, 8];
  const rows = named(dirtyList(dirty, 307), dirty).map((row) => {
    const [thickness, depth] = [row[THICKNESS], row[DEPTH]].map((cell) => Number((cell ?? '').replace(',', '.')));
    if (row[MAKER] !== 'Gannock' || !thickness || !depth) return row;
    return row.map((cell, at) => (at === DEPTH ? String(thickness + depth).replace('.', ',') : cell));
  });
  write('marrow-list.tsv', [ABOVE[1] as string[], ...rows], '\t', 'utf8');
}

german();
english();
fromTheTop();
