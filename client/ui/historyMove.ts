/** An entry of the browser's history. */
export interface Entry {
  readonly state: unknown;
  readonly href: string;
  /** The page, without what is open on it. */
  readonly page: string;
}

/** A step of the browser's back or forward that has just happened. */
export interface HistoryMove {
  readonly from: Entry;
  readonly to: Entry;
  /** Keep it from the router and from whoever hears after: it is dealt with. */
  readonly hold: () => void;
}

type Hear = (move: HistoryMove) => void;
const hearers: Hear[] = [];
/** The entry that is shown. The router writes its entries later than it draws their pages, so it is followed at the source. */
let shown = entry();

function entry(): Entry {
  const { pathname, search, href } = window.location;
  return { state: window.history.state, href, page: pathname + search };
}

function follow(): void {
  for (const name of ['pushState', 'replaceState'] as const) {
    const write = window.history[name].bind(window.history);
    window.history[name] = (...args) => {
      write(...args);
      shown = entry();
    };
  }
  window.addEventListener('popstate', moved);
}

function moved(e: PopStateEvent): void {
  const from = shown;
  const to = entry();
  shown = to;
  let held = false;
  const hold = () => {
    held = true;
    e.stopImmediatePropagation();
  };
  for (const hear of [...hearers]) if (!held) hear({ from, to, hold });
}

/** Hears of back and forward before the router does, in the order of asking. */
export function onHistoryMove(hear: Hear): () => void {
  hearers.push(hear);
  return () => void hearers.splice(hearers.indexOf(hear), 1);
}

// At once: the browser calls those who listen to it in the order in which they came, so the router
// must come later (client/entry.ts).
follow();
