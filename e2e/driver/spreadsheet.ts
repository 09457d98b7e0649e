/** A list as a spreadsheet program of Debian's writes it. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

/** @returns the workbook */
export function toXlsx(rows: readonly (readonly string[])[]): Buffer {
  const dir = mkdtempSync(path.join(tmpdir(), 'low-quarry-list-'));
  try {
    const [from, to] = [path.join(dir, 'list.csv'), path.join(dir, 'list.xlsx')];
    const quoted = rows.map((cells) => cells.map((cell) => `"${cell.replace(/"/g, '""')}"`).join(','));
    writeFileSync(from, quoted.join('\r\n'));
    execFileSync('ssconvert', [from, to], { stdio: 'ignore' });
    return readFileSync(to);
  } finally {
    rmSync(dir, { recursive: true });
  }
}
