import { answer, api, type Schemas } from './api';

/** Who is at work in this browser, as far as the program knows. */
class Who {
  /** What the program said last; nothing before it has answered. */
  said = $state.raw<Schemas['WhoView']>();
  /** Whether a sign-in has ended under what is open: it is asked for on top of that, so that nothing typed is lost. */
  ended = $state(false);

  /** Whether anything of the plans is there for them. */
  readonly isKnown = $derived(!!this.said && (!this.said.people || !!this.said.id || !!this.said.plan));

  async ask() {
    const got = await answer(api.GET('/api/sign-in'));
    if (got.ok) this.became(got.data);
  }

  became(said: Schemas['WhoView']) {
    this.said = said;
    this.ended = false;
  }

  async signOut() {
    await answer(api.DELETE('/api/sign-in'));
    await this.ask();
  }
}

export const who = new Who();

api.use({
  onResponse({ response }) {
    if (response.status === 401 && who.isKnown) who.ended = true;
    return response;
  },
});
