/** Rows of a sheet as they are read, cell by cell: what is empty takes no room, however far away the next cell is. */
export class SheetRows {
  private readonly rows = new Map<number, Map<number, string>>();
  private last = -1;

  /** @param most rows; a cell below them is refused */
  constructor(private readonly most: number) {}

  /** How many rows there are down to the last that holds something. */
  get count(): number {
    return this.last + 1;
  }

  /** @throws TooManyRows */
  put(row: number, column: number, text: string): void {
    if (text.trim() === '' || column >= MOST_COLUMNS) return;
    if (row >= this.most) throw new TooManyRows();
    this.last = Math.max(this.last, row);
    const cells = this.rows.get(row) ?? new Map<number, string>();
    cells.set(column, text);
    this.rows.set(row, cells);
  }

  table(): readonly (readonly string[])[] {
    return Array.from({ length: this.count }, (_, row) => {
      const cells = this.rows.get(row);
      if (!cells) return [];
      return Array.from({ length: 1 + Math.max(...cells.keys()) }, (__, column) => cells.get(column) ?? '');
    });
  }
}

/** More are no list of ours. */
const MOST_COLUMNS = 200;

export class TooManyRows extends Error {}
