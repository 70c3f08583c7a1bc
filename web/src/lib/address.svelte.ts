import { router } from 'svelte-spa-router';
import { SvelteMap } from 'svelte/reactivity';

/** A pause in typing, after which the address says what was typed. */
const SETTLED = 200;

/** What of an address holds in every view; the rest is the view's own. */
const EVERYWHERE = ['by', 'from', 'to', 'scenario', 'unit'];

/** What was chosen and the address does not say yet; null for what is as usual. */
const coming = new SvelteMap<string, string | null>();
let timer: ReturnType<typeof setTimeout> | undefined;

function said(): URLSearchParams {
  return new URLSearchParams(router.querystring ?? '');
}

/** The address as the browser has it: what views hear of comes after it, and a change made on that would undo another. */
export function atNow(): { location: string; query: URLSearchParams } {
  const [, location, query] = /^#?([^?]*)\??(.*)$/s.exec(window.location.hash)!;
  return { location: location || '/', query: new URLSearchParams(query) };
}

function put(query: URLSearchParams, choices: Iterable<[string, string | null]>) {
  for (const [name, value] of choices) {
    if (value === null) query.delete(name);
    else query.set(name, value);
  }
}

/** What of the address holds in every view, chosen just now too. */
export function everywhere(): URLSearchParams {
  const query = said();
  put(query, coming);
  return new URLSearchParams([...query].filter(([name]) => EVERYWHERE.includes(name)));
}

/** What was chosen in a view that has been left since is no more. All in one step, so that no other change comes between. */
function write(from: string) {
  const { location, query } = atNow();
  const before = query.toString();
  put(
    query,
    [...coming].filter(([name]) => location === from || EVERYWHERE.includes(name)),
  );
  const after = query.toString();
  if (after !== before) {
    window.history.replaceState(window.history.state, '', '#' + [location, after].filter(Boolean).join('?'));
    window.dispatchEvent(new Event('hashchange'));
  }
  coming.clear();
}

/** A choice of a view that its address says, so that whoever opens the address sees the same. */
export class InAddress<T extends string = string> {
  constructor(
    private readonly name: string,
    private readonly usual: NoInfer<T>,
    /** The values there are; any text where none are said. */
    private readonly known?: readonly T[],
    /** Whether it says the usual too, where that is not the same for everybody. */
    private readonly always = false,
  ) {}

  /** It tells who reads it of another value alone, not of each change of the address. */
  private readonly now: T = $derived.by(() => {
    const value = coming.has(this.name) ? coming.get(this.name) : said().get(this.name);
    return value !== null && value !== undefined && (!this.known || this.known.includes(value as T))
      ? (value as T)
      : this.usual;
  });

  get value(): T {
    return this.now;
  }

  set value(value: T) {
    coming.set(this.name, value === this.usual && !this.always ? null : value);
    clearTimeout(timer);
    const location = router.location;
    timer = setTimeout(() => write(location), SETTLED);
  }
}
