/**
 * Remembers values by key, but only those that are asked for again: of a length that is dragged every step is asked for
 * once, and there is no use in keeping it.
 */
export class AskedAgain<Value> {
  private readonly again = new Map<string, Value>();
  private readonly recent = new Map<string, Value>();

  /**
   * @param most so many values that were asked for again are kept; one more, and all of them go
   * @param mostRecent so many others wait to be asked for again
   */
  constructor(
    private readonly most: number,
    private readonly mostRecent = 2,
  ) {}

  get(key: string, find: () => Value): Value {
    const known = this.again.get(key);
    if (known !== undefined) return known;
    const recent = this.recent.get(key);
    if (recent !== undefined) {
      this.recent.delete(key);
      if (this.again.size >= this.most) this.again.clear();
      this.again.set(key, recent);
      return recent;
    }
    const found = find();
    this.recent.set(key, found);
    if (this.recent.size > this.mostRecent) {
      const [oldest] = this.recent.keys();
      if (oldest !== undefined) this.recent.delete(oldest);
    }
    return found;
  }
}
