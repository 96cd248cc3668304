import type { UndoState } from '@/core/kept/undo-answer';
import { changed, type Change } from '@/core/units/changes';
import { rememberedFor, remembering } from '@/core/units/remembered';

/** Of the brief and of the shelf. */
export interface PageRevision {
  brief: number;
  shelf: number;
}

/** As an address names it. */
export const revisionInWords = ({ brief, shelf }: PageRevision): string => `${brief}.${shelf}`;

/** What the server made of a brief, and of which revision and minute: the same name, the same page. */
export interface Made<T = unknown> {
  of: string;
  data: T;
}

/** What the server made, as it comes with a page: one text costs both sides a fraction of what a tree of properties does. */
export interface Sent<T> {
  of: string;
  data: string & { readonly holds?: T };
}

/** What was made once is put into words once, however often it is sent. */
const inWords = rememberedFor((data: object) => JSON.stringify(data));

export const sent = <T extends object>({ of, data }: Made<T>): Sent<T> => ({ of, data: inWords(data) });

/** The last few pages as they are read: a server that draws the same one again reads it no more. Shared, and not to be changed. */
const remember = remembering<unknown>(16);

export const received = <T>({ of, data }: Sent<T>): Made<T> => ({
  of,
  data: remember(data, () => JSON.parse(data) as unknown) as T,
});

/** A piece of a page as it is now: what changed since the one that is shown, or all of it where the server knows that one no more. */
type Piece = { changes: readonly Change[] } | { whole: unknown };

/** What the server answers who asks how a page is now. */
export interface PageNow {
  of: string;
  revision: PageRevision;
  shell: Piece;
  page: Piece | null;
  /** What one press would take back now, and what it would do again. */
  undo: UndoState;
}

/** `made`: as it came with the page; what is shown goes on from there. */
interface Shown extends Made {
  made: Made;
}

/** How a page is asked for: its station with what its address asks, and what is shown of it and of what stands round it. */
export interface Asked {
  page: { address: string; of: string } | null;
  shell: string;
}

/**
 * What is shown of a brief: the page that is open, and what stands round every page. Whoever did something asks how both are now, and is answered
 * with what changed; what did not stays the very object.
 */
export class CurrentPage {
  #revision: PageRevision;
  #shell: Shown;
  #page: (Shown & { address: string }) | null = null;
  #running: Promise<void> = Promise.resolve();
  #next: Promise<void> | null = null;
  readonly #seen = new Set<() => void>();
  readonly #seenByAll = () => this.#seen.forEach((seen) => seen());
  readonly #ask: (asked: Asked) => Promise<PageNow>;

  constructor(shell: Made, revision: PageRevision, ask: (asked: Asked) => Promise<PageNow>) {
    this.#shell = { ...shell, made: shell };
    this.#revision = revision;
    this.#ask = ask;
  }

  readonly watch = (seen: () => void): (() => void) => {
    this.#seen.add(seen);
    return () => void this.#seen.delete(seen);
  };

  /** What is shown of a page, or of what stands round it, that came as `made`; as it came where nothing newer is known. */
  readonly shown = <T>(made: Made<T>): T =>
    ([this.#shell, this.#page].find((piece) => piece?.made === made)?.data ?? made.data) as T;

  /** The revision of what stands round the page; null where another came. */
  readonly revisionOf = (made: Made): PageRevision | null => (this.#shell.made === made ? this.#revision : null);

  /** A page was opened, at a station's address within the brief; whether it is of an older revision than what stands round it. */
  open(address: string, made: Made): boolean {
    this.#page = this.#page?.made === made ? { ...this.#page, address } : { ...made, made, address };
    return revisionIn(made) !== revisionIn(this.#shell);
  }

  /** What stands round the page came anew. */
  surround(made: Made, revision: PageRevision): void {
    if (this.#shell.made === made) return;
    this.#shell = { ...made, made };
    this.#revision = revision;
    this.#seenByAll();
  }

  /** Asks how all that is shown is now. One question at a time: who asks while one is under way is told by the next. */
  readonly now = (): Promise<void> =>
    (this.#next ??= this.#running
      .catch(() => undefined)
      .then(() => {
        this.#next = null;
        this.#running = this.#once();
        return this.#running;
      }));

  async #once(): Promise<void> {
    const [shell, page] = [this.#shell, this.#page];
    const now = await this.#ask({ shell: shell.of, page: page && { address: page.address, of: page.of } });
    // Another may have come meanwhile.
    if (this.#shell === shell) {
      this.#shell = { ...shell, of: now.of, data: told(shell.data, now.shell) };
      this.#revision = now.revision;
    }
    if (page && now.page && this.#page?.made === page.made)
      this.#page = { ...this.#page, of: now.of, data: told(page.data, now.page) };
    // Whoever waits for it goes on first, and closes the form that it was typed into: the page is drawn with that, not before.
    setTimeout(this.#seenByAll);
  }
}

const told = (before: unknown, piece: Piece): unknown =>
  'changes' in piece ? changed(before, piece.changes) : piece.whole;

/** A name begins with the revisions of brief and shelf; a later minute alone makes no page old. */
const revisionIn = ({ of }: Made): string => of.split(' ').slice(0, 2).join(' ');
