import { tick, untrack } from 'svelte';

/** Tables of no more rows are drawn whole. */
const WHOLE = 120;
/** So many rows more are drawn above and below those in sight, once these are there. */
const BEYOND = 12;
/** What is drawn changes when so many rows went by. */
const STEP = 10;
const USUAL_HEIGHT = 26;

/**
 * The rows of a long table that are in sight: they alone are drawn, and some above and below; the rest is room. Its
 * frame is what scrolls. Made while a component is set up.
 */
export class RowsInSight {
  frame = $state<HTMLElement>();
  private top = $state(0);
  private height = $state(USUAL_HEIGHT);
  private seen = $state(Math.ceil(innerHeight / USUAL_HEIGHT));
  private beyond = $state(0);
  /** Whether only a part of the rows is drawn. */
  readonly parted = $derived.by(() => this.count() > WHOLE);

  constructor(private readonly count: () => number) {
    $effect(() => {
      const frame = this.frame;
      // A table that becomes a long one is measured then; whatever else changes of it leaves that as it is.
      if (!frame || !this.parted) return;
      const look = () => this.look(frame);
      frame.addEventListener('scroll', look, { passive: true });
      window.addEventListener('resize', look);
      untrack(look);
      const later = setTimeout(() => (this.beyond = BEYOND), 100);
      return () => {
        clearTimeout(later);
        frame.removeEventListener('scroll', look);
        window.removeEventListener('resize', look);
      };
    });
  }

  get first(): number {
    return this.parted ? Math.max(0, Math.min(this.top, this.count() - this.seen) - this.beyond) : 0;
  }

  /** The row after the last that is drawn. */
  get end(): number {
    return this.parted ? Math.min(this.count(), this.first + this.seen + 2 * this.beyond + STEP) : this.count();
  }

  /** The room of the rows above, in pixels. */
  get above(): number {
    return this.first * this.height;
  }

  get below(): number {
    return (this.count() - this.end) * this.height;
  }

  draws(row: number): boolean {
    return row >= this.first && row < this.end;
  }

  /** Brings a row that is not drawn into the middle of what is in sight. */
  reach(row: number) {
    if (!this.frame || this.draws(row)) return;
    this.frame.scrollTop = Math.max(0, (row - this.seen / 2) * this.height);
    this.look(this.frame);
  }

  private look(frame: HTMLElement) {
    if (!this.parted) return;
    const drawn = frame.querySelectorAll<HTMLElement>('tbody tr[data-drawn]');
    const [one, last] = [drawn[0], drawn[drawn.length - 1]];
    if (one && last) this.height = (last.offsetTop + last.offsetHeight - one.offsetTop) / drawn.length || USUAL_HEIGHT;
    this.seen = Math.ceil(frame.clientHeight / this.height) || this.seen;
    const top = Math.floor(frame.scrollTop / this.height / STEP) * STEP;
    if (top === this.top) return;
    const held = frame.contains(document.activeElement);
    this.top = top;
    // The cell that had the keys may be drawn no more: another of the grid takes them, where the eye is.
    if (held) {
      void tick().then(() => {
        if (!frame.contains(document.activeElement))
          frame.querySelector<HTMLElement>('[tabindex="0"]')?.focus({ preventScroll: true });
      });
    }
  }
}
