import { answer, api, fileForm, type Answer, type Schemas } from '../../lib/api';
import { addDays, weekStart } from '../../lib/dates';
import type { PlanState } from '../../lib/plan.svelte';

type FileView = Schemas['FileView'];
type JobView = Schemas['JobView'];
export type Dialect = NonNullable<FileView['dialect']>;

const EVERY = 150;

/** The bringing in of several files, one after another: account, preview, confirmation, progress. */
export class BringingIn {
  private at = $state(0);
  account = $state('');
  file = $state.raw<FileView>();
  job = $state.raw<JobView>();
  refusal = $state('');
  said = $state('');
  /** The last day that the statements brought in here reach. */
  reach = $state<string>();

  constructor(
    private readonly plan: PlanState,
    private readonly files: File[],
    /** Takes a file at once whose statements are all of known accounts and add up: nothing is left to ask. */
    private readonly atOnce = false,
  ) {
    void this.begin();
  }

  get current(): File | undefined {
    return this.files[this.at];
  }

  get number(): number {
    return this.at + 1;
  }

  get total(): number {
    return this.files.length;
  }

  /** Hands the file over; if it does not say itself whose it is, the account is the one whose name its name holds, or the only one. */
  private async begin() {
    this.file = undefined;
    this.job = undefined;
    this.refusal = '';
    if (!this.current) return;
    const accounts = this.plan.view!.accounts;
    const name = letters(this.current.name);
    const fitting = accounts.filter((account) => name.includes(letters(account.name)));
    const only = fitting.length === 1 ? fitting[0] : accounts.length === 1 ? accounts[0] : undefined;
    await this.hand(only?.id ?? '');
  }

  chooseAccount(account: string) {
    return this.hand(account);
  }

  private async hand(account: string) {
    this.account = account;
    this.refusal = '';
    const got = await answer(
      api.POST('/api/plans/{plan}/bank-files', {
        params: { path: { plan: this.plan.id }, query: account ? { account } : {} },
        ...fileForm(this.current!),
      }),
    );
    if (!got.ok) this.refusal = got.problem.detail;
    else {
      this.file = got.data;
      const plain = got.data.format && got.data.statements.every((one) => one.account && !one.amiss);
      if (this.atOnce && plain) await this.takeStatements();
      if (account && !got.data.format && !got.data.dialect)
        this.refusal = 'No dates and amounts were found in the first lines. Say below how the file is written.';
    }
  }

  /** The account that each number at the bank is said to be. */
  private accounts(): Record<string, string> {
    return Object.fromEntries(
      this.file!.statements.flatMap((one) => (one.account ? [[one.accountNumber, one.account]] : [])),
    );
  }

  async chooseFor(number: string, account: string) {
    const got = await answer(
      api.POST('/api/plans/{plan}/bank-files/{id}/accounts', {
        params: { path: { plan: this.plan.id, id: this.file!.id } },
        body: { ...this.accounts(), [number]: account },
      }),
    );
    this.refusal = got.ok ? '' : got.problem.detail;
    if (got.ok) this.file = got.data;
  }

  async takeStatements() {
    const got = await answer(
      api.POST('/api/plans/{plan}/bank-files/{id}/statements/take', {
        params: { path: { plan: this.plan.id, id: this.file!.id } },
        body: this.accounts(),
      }),
    );
    await this.started(got);
  }

  async preview(dialect: Dialect) {
    const file = this.file!;
    const got = await answer(
      api.POST('/api/plans/{plan}/bank-files/{id}/preview', {
        params: { path: { plan: this.plan.id, id: file.id } },
        body: dialect,
      }),
    );
    this.refusal = got.ok ? '' : got.problem.detail;
    // What was chosen stays, even where it is refused: only the preview waits for the mend.
    this.file = got.ok ? got.data : { ...file, dialect, rows: [] };
  }

  async take(leaveBadRows: boolean) {
    const file = this.file!;
    const got = await answer(
      api.POST('/api/plans/{plan}/bank-files/{id}/take', {
        params: { path: { plan: this.plan.id, id: file.id }, query: { leaveBadRows } },
        body: file.dialect!,
      }),
    );
    await this.started(got);
  }

  private async started(got: Answer<JobView>) {
    if (!got.ok) this.refusal = got.problem.detail;
    else {
      this.job = got.data;
      await this.follow();
    }
  }

  /** What it does to the plan is heard of like any edit, and is our own. */
  private async follow() {
    const words = `Statement ${this.current!.name} brought in`;
    this.plan.ours.add(words);
    try {
      await this.end();
    } finally {
      this.plan.ours.delete(words);
    }
  }

  private async end() {
    while (this.job && (this.job.state === 'READING' || this.job.state === 'KEEPING')) {
      await new Promise((done) => setTimeout(done, EVERY));
      const path = { plan: this.plan.id, job: this.job.id };
      const got = await answer(api.GET('/api/plans/{plan}/bank-files/jobs/{job}', { params: { path } }));
      if (!got.ok) {
        this.refusal = got.problem.detail;
        return;
      }
      this.job = got.data;
    }
    const done = this.job;
    if (done?.state !== 'DONE') return;
    this.said = done.sentence;
    if (done.lastDay && (!this.reach || done.lastDay > this.reach)) this.reach = this.endOfWeek(done.lastDay);
    if (done.outcome) this.plan.became(done.outcome);
    if (this.at < this.files.length - 1 || done.badRows === 0) this.next();
  }

  /** A statement of a Friday has said all of its week: banks book nothing on its last days. */
  private endOfWeek(day: string): string {
    const end = addDays(weekStart(day, this.plan.settings.firstDayOfWeek ?? 'monday'), 6);
    return addDays(day, 3) >= end ? end : day;
  }

  async stop() {
    if (!this.job) return;
    const path = { plan: this.plan.id, job: this.job.id };
    const got = await answer(api.DELETE('/api/plans/{plan}/bank-files/jobs/{job}', { params: { path } }));
    if (!got.ok) this.refusal = got.problem.detail;
  }

  /** Back to the preview, with what was chosen. */
  back() {
    this.job = undefined;
  }

  next() {
    this.at++;
    void this.begin();
  }

  async moveAsOf() {
    await this.plan.putSettings((now) => ({ ...now, asOf: this.reach ?? now.asOf }));
  }
}

function letters(name: string): string {
  return name.toLowerCase().replace(/[^\p{L}\d]/gu, '');
}
