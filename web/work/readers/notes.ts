/** Remarks on a file that was read: the first so many in full, the others counted. */
export class Notes {
  private readonly kept: string[] = [];
  private others = 0;

  constructor(private readonly most: number) {}

  push(note: string): void {
    if (this.kept.length < this.most) this.kept.push(note);
    else this.others++;
  }

  told(): string[] {
    return this.others > 0 ? [...this.kept, `And ${this.others} more of this kind.`] : [...this.kept];
  }
}
