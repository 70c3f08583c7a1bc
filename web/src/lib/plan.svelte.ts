import { createContext, tick } from 'svelte';
import { InAddress } from './address.svelte';
import { api, answer, type Answer, type EditOutcome, type PlanView, type Problem, type Schemas } from './api';
import { Live, type Edited } from './live.svelte';
import { allLoaded } from './loaded.svelte';
import { MoneyFormat, type Unit } from './money';
import { takenOver } from './taken';

/** A line as the plan file writes it; the server checks it, the views only change parts of it. */
export type Line = Schemas['line'];
export type Settings = Schemas['settings'];

/** The plan that is open: what the server last said of it, and the one way to change it. */
export class PlanState {
  view = $state.raw<PlanView>();
  /** What the latest edit did, until the next. */
  outcome = $state.raw<EditOutcome>();
  problem = $state.raw<Problem>();
  /** The latest edit that somebody else made while the plan was open, until we make one. */
  heard = $state.raw<Edited>();
  /** Where closing cash is likely to lie in weeks to come, from the record of past forecasts. */
  band = $state.raw<Schemas['BandView']>();
  /** The scenario that funding must survive, as it stands; nothing where there is none. */
  breakwater = $state.raw<Schemas['HeldView'] | null>(null);
  /** What whoever looks may do with the plan; nothing before it is known. */
  part = $state.raw<Schemas['OwnPart']>();
  /** The tide line as it would be after an edit that is only tried; it goes with the next edit. */
  trial = $state.raw<PlanView['tide']>();
  busy = $state(0);
  private readonly unitSaid = new InAddress<Unit>(
    'unit',
    (localStorage.getItem('unit') as Unit) ?? 'thousand',
    ['thousand', 'full'],
    true,
  );
  // Apart, so that a new version of the plan makes no new format, and no figure is drawn again for it.
  private currency = $derived(this.settings.currency ?? 'GBP');
  private decimals = $derived(this.view?.decimals ?? 2);
  money = $derived(new MoneyFormat(this.currency, this.decimals, this.unit));

  /** The words of edits of our own that the program makes on its way, as when a statement comes in: nobody else's. */
  readonly ours = new Set<string>();
  private last: Promise<unknown> = Promise.resolve();
  /** The version that the views are of, while an edit that brought others' edits along is still to reach them. */
  private behind: number | undefined;

  /** Who else is here. */
  readonly live = new Live(this);

  constructor(readonly id: string) {}

  get settings(): Partial<Settings> {
    return this.view?.settings ?? {};
  }

  get version(): number {
    return this.view?.version ?? 0;
  }

  /** Whether whoever looks sees what each is paid, and not the sums alone. */
  get seesPay(): boolean {
    return this.part?.role !== 'ONLOOKER';
  }

  /** The unit of amounts, which the address says. */
  get unit(): Unit {
    return this.unitSaid.value;
  }

  /** Has the address say the unit, which is everybody's own where it does not. */
  sayUnit() {
    this.unitSaid.value = this.unit;
  }

  setUnit(unit: Unit) {
    this.unitSaid.value = unit;
    localStorage.setItem('unit', unit);
  }

  async load() {
    const got = await answer(api.GET('/api/plans/{plan}', { params: { path: { plan: this.id } } }));
    if (got.ok) this.view = takenOver(this.view, got.data);
    else this.problem = got.problem;
  }

  async loadPart() {
    const got = await answer(api.GET('/api/plans/{plan}/part', { params: { path: { plan: this.id } } }));
    if (got.ok) this.part = got.data;
  }

  /** Shows what somebody else did to the plan, once our own edits that are under way are made: theirs may be of them. */
  hear(edited: Edited): Promise<void> {
    const heard = this.last.then(async () => {
      if (edited.version <= this.version) return;
      const was = this.version;
      const got = await answer(api.GET('/api/plans/{plan}', { params: { path: { plan: this.id } } }));
      if (!got.ok) {
        this.problem = got.problem;
        return;
      }
      const own = this.ours.has(edited.words);
      if (!own) void this.catchUp(this.behind ?? was);
      this.view = takenOver(this.view, got.data);
      if (!own) this.heard = edited;
      this.trial = undefined;
    });
    this.last = heard.catch(() => undefined);
    return heard;
  }

  /**
   * Makes an edit, after those that are still under way: each is made on the plan as the one before left it. A refusal
   * is shown, and returned for the field it is about.
   */
  edit(call: (version: number) => Promise<Answer<EditOutcome>>): Promise<Problem | null> {
    const made = this.last.then(() => this.editNow(call));
    this.last = made.catch(() => null);
    return made;
  }

  private async editNow(call: (version: number) => Promise<Answer<EditOutcome>>): Promise<Problem | null> {
    this.busy++;
    this.problem = undefined;
    try {
      const got = await call(this.behind ?? this.version);
      if (got.ok) this.became(got.data);
      else this.problem = got.problem;
      // After a refusal for a stale version the view shows what others changed; fields keep what was typed.
      if (!got.ok && got.problem.status === 409) await this.load();
      return got.ok ? null : got.problem;
    } finally {
      this.busy--;
    }
  }

  /** Shows what an edit did, and the plan as it stands since. */
  became(outcome: EditOutcome) {
    this.trial = undefined;
    this.heard = undefined;
    this.outcome = outcome;
    if (outcome.meanwhile.length) void this.catchUp(this.behind ?? this.version);
    this.view = outcome.view = takenOver(this.view, outcome.view);
  }

  /** What is typed into a view that has not heard of others' edits yet is typed on the version before them. */
  private async catchUp(from: number) {
    this.behind = from;
    await tick();
    await allLoaded();
    this.behind = undefined;
  }

  putLine(line: Schemas['sent.line'], words: string): Promise<Problem | null> {
    return this.edit((version) =>
      answer(
        api.PUT('/api/plans/{plan}/lines/{id}', {
          params: { path: { plan: this.id, id: line.id }, query: { version, words } },
          body: line,
        }),
      ),
    );
  }

  deleteLine(id: string): Promise<Problem | null> {
    return this.edit((version) =>
      answer(
        api.DELETE('/api/plans/{plan}/lines/{id}', { params: { path: { plan: this.id, id }, query: { version } } }),
      ),
    );
  }

  /** Copies a line to an id of our own. */
  copyLine(id: string, to: string): Promise<Problem | null> {
    return this.edit((version) =>
      answer(
        api.POST('/api/plans/{plan}/lines/{id}/copy', {
          params: { path: { plan: this.id, id }, query: { version, to } },
        }),
      ),
    );
  }

  clearLine(id: string): Promise<Problem | null> {
    return this.edit((version) =>
      answer(
        api.POST('/api/plans/{plan}/lines/{id}/clear', { params: { path: { plan: this.id, id }, query: { version } } }),
      ),
    );
  }

  /** Takes what the scenario that is shown changes of a line out of it. */
  takeBase(id: string): Promise<Problem | null> {
    return this.edit((version) =>
      answer(
        api.POST('/api/plans/{plan}/lines/{id}/base', { params: { path: { plan: this.id, id }, query: { version } } }),
      ),
    );
  }

  moveLine(id: string, group: string | null, before: string | null): Promise<Problem | null> {
    const place = { ...(group ? { group } : {}), ...(before ? { before } : {}) };
    return this.edit((version) =>
      answer(
        api.POST('/api/plans/{plan}/lines/{id}/move', {
          params: { path: { plan: this.id, id }, query: { version, ...place } },
        }),
      ),
    );
  }

  /** Changes the settings, as edits still under way leave them. */
  putSettings(change: (now: Settings) => Schemas['sent.settings']): Promise<Problem | null> {
    return this.edit((version) =>
      answer(
        api.PUT('/api/plans/{plan}/settings', {
          params: { path: { plan: this.id }, query: { version } },
          body: change(this.view!.settings),
        }),
      ),
    );
  }

  undo(): Promise<Problem | null> {
    return this.edit(() =>
      answer(
        api.POST('/api/plans/{plan}/undo', { params: { path: { plan: this.id }, query: { version: this.version } } }),
      ),
    );
  }

  redo(): Promise<Problem | null> {
    return this.edit(() =>
      answer(
        api.POST('/api/plans/{plan}/redo', { params: { path: { plan: this.id }, query: { version: this.version } } }),
      ),
    );
  }
}

export const [getPlan, setPlan] = createContext<PlanState>();
