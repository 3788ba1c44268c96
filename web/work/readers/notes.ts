/** Characters of one remark: what a file holds is named in it, as far as it can be read. */
const MOST_OF_ONE = 300;

/** Remarks on a file that was read: the first so many in full, the others counted. */
export class Notes {
  private readonly kept: string[] = [];
  private others = 0;

  constructor(private readonly most: number) {}

  push(note: string): void {
    if (this.kept.length < this.most)
      this.kept.push(note.length > MOST_OF_ONE ? `${note.slice(0, MOST_OF_ONE)}…` : note);
    else this.others++;
  }

  told(): string[] {
    return this.others > 0 ? [...this.kept, `And ${this.others} more of this kind.`] : [...this.kept];
  }
}
