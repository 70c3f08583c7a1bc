import { replace, router } from 'svelte-spa-router';
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

/** What was chosen in a view that has been left since is no more. */
async function write(location: string) {
  const query = said();
  const written = [...coming];
  const isHere = location === router.location;
  put(
    query,
    written.filter(([name]) => isHere || EVERYWHERE.includes(name)),
  );
  if (query.toString() !== said().toString()) {
    await replace([router.location, query.toString()].filter(Boolean).join('?'));
  }
  for (const [name, value] of written) if (coming.get(name) === value) coming.delete(name);
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
    timer = setTimeout(() => void write(location), SETTLED);
  }
}
