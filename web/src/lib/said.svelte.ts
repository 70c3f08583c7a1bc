/** What is said beside a field: the latest word stands, though an earlier save is answered after it. */
export class Said {
  words = $state('');
  private turn = 0;

  /** Says something at once. */
  now(words: string) {
    this.turn++;
    this.words = words;
  }

  /** Says what a save answers, unless something was said since; tells whether it was saved. */
  async of(saving: Promise<string>): Promise<boolean> {
    const mine = ++this.turn;
    const said = await saving;
    if (mine === this.turn) this.words = said;
    return !said;
  }
}
