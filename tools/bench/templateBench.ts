/**
 * How far holes lie from where they should on paper: pieces at random as PDF, drawn by poppler at 600 dpi, each hole measured in its dots against
 * the first. The last line is JSON.
 */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { pdfFile } from '@low-quarry/core/cutFiles';
import { seededRandom } from '@low-quarry/core/math';
import type { Template, TemplateHole } from '@low-quarry/core/template';
import { holeMiddle, readDots } from '@low-quarry/core/testing/paperDots';

const PIECES = 12;
const random = seededRandom(17);
const between = (low: number, high: number) => low + (high - low) * random();

/** Two rings of screws about a throat that is turned; none beside another's words. */
function piece(): Template {
  const halfMm = between(76, 88);
  const start = between(0, 0.5);
  const holes = Array.from({ length: 6 }, (_, at): TemplateHole => {
    const turn = start + (at * Math.PI) / 3;
    const reach = halfMm - between(8, 10);
    return {
      ...{ xMm: reach * Math.cos(turn), yMm: reach * Math.sin(turn), diameterMm: between(4, 6) },
      ...{ of: at % 2 === 0 ? 'car' : 'speaker', sunk: null },
    };
  });
  const ellipse = (length: number, width: number) => ({
    ...{ xMm: 0, yMm: 0, halfLengthMm: length, halfWidthMm: width, angleRad: between(0, 3) },
  });
  return {
    ...{ thicknessMm: 12, leastWallMm: 5, pilotMm: 9, hasNotch: false, wireRad: null, holes },
    ...{ outside: ellipse(halfMm, halfMm), throat: ellipse(halfMm - 24, halfMm - 30) },
  };
}

const dir = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-templates-'));
let worstMm = 0;
for (let each = 0; each < PIECES; each++) {
  const template = piece();
  const { bytes } = await pdfFile(template, { title: 'Piece', side: 'LEFT' }, { paper: 'A4' });
  writeFileSync(path.join(dir, 'piece.pdf'), bytes);
  execFileSync('pdftoppm', ['-gray', '-r', '600', 'piece.pdf', 'sheet'], { cwd: dir });
  const dots = readDots(readFileSync(path.join(dir, 'sheet-1.pgm')));
  const middleMm = [105, 297 - 44 - template.outside.halfLengthMm] as const;
  const found = template.holes.map(({ xMm, yMm, diameterMm }) =>
    holeMiddle(dots, [middleMm[0] + xMm, middleMm[1] + yMm], diameterMm / 2),
  );
  const [first] = template.holes as [TemplateHole];
  const [origin] = found as [readonly [number, number]];
  template.holes.forEach(({ xMm, yMm }, at) => {
    const [x, y] = found[at] as readonly [number, number];
    worstMm = Math.max(worstMm, Math.hypot(x - origin[0] - xMm + first.xMm, y - origin[1] - yMm + first.yMm));
  });
}
rmSync(dir, { recursive: true, force: true });
console.log(`${PIECES} pieces: no hole is farther than ${worstMm.toFixed(3)} mm from where it should be on paper`);
console.log(JSON.stringify({ templateWorstMm: Number(worstMm.toFixed(3)) }));
