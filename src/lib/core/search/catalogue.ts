/** Candidates made ready for searching: the work is done once for each, the searching often. */
import type { Candidate } from './candidates';
import type { Query } from './query';
import { textOf, type Text } from './text';
import { Vocabulary } from './vocabulary';
import { canMatch } from './matching';

/** A candidate and its texts. */
export interface Entry {
  readonly candidate: Candidate;
  readonly text: Text;
  /** Whether it is an application, beside whose windows it stands back; and the length of its title. */
  readonly isApplication: boolean;
  readonly titleLength: number;
  /** Its position in the order of recent use of its kind, from 0; Infinity if it was never used. */
  position: number;
}

/** What was left of all rows for letters, so that further ones go through these alone. */
interface Left {
  readonly query: Query;
  readonly rows: readonly number[];
}

/** Everything that can be found. Candidates come and go one by one; each is an entry in a row of its own. */
export class Catalogue {
  readonly vocabulary = new Vocabulary();
  readonly #rows = new Map<string, number>();
  readonly #byLearned = new Map<string, Set<number>>();
  readonly #entries: (Entry | null)[] = [];
  /** What tells most about the text of each row, side by side so that most rows are passed over fast. */
  readonly #letters: string[] = [];
  readonly #has: number[] = [];
  readonly #starts: number[] = [];
  readonly #free: number[] = [];
  /** For the letters of a search line, from the shortest on; each begins with the one before. */
  #trail: Left[] = [];

  /** How many there are. */
  get size(): number {
    return this.#rows.size;
  }

  /** How many rows there are, those that are free among them. */
  get rows(): number {
    return this.#entries.length;
  }

  /** Takes a candidate in, in place of the one with its key. */
  put(candidate: Candidate, position: number): void {
    const before = this.#rows.get(candidate.key);
    if (before !== undefined) {
      if (this.entry(before).candidate === candidate) return this.move(candidate.key, position);
      this.remove(candidate.key);
    }
    const row = this.#free.pop() ?? this.#entries.length;
    const text = textOf(candidate.title, [candidate.detail, ...candidate.also]);
    const isApplication = candidate.subject.kind === 'application';
    this.#entries[row] = { candidate, text, isApplication, titleLength: candidate.title.length, position };
    this.#letters[row] = text.letters;
    this.#has[row] = text.has;
    this.#starts[row] = text.starts;
    this.#rows.set(candidate.key, row);
    this.vocabulary.add(row, text);
    const learned = this.#byLearned.get(candidate.learnedAs);
    if (learned) learned.add(row);
    else this.#byLearned.set(candidate.learnedAs, new Set([row]));
    this.#trail = [];
  }

  /** Puts the candidate with a key somewhere else in the order of recent use. */
  move(key: string, position: number): void {
    const row = this.#rows.get(key);
    if (row !== undefined) this.entry(row).position = position;
  }

  /** Takes the candidate with a key out. */
  remove(key: string): void {
    const row = this.#rows.get(key);
    if (row === undefined) return;
    const { learnedAs } = this.entry(row).candidate;
    const learned = this.#byLearned.get(learnedAs);
    learned?.delete(row);
    if (learned?.size === 0) this.#byLearned.delete(learnedAs);
    this.vocabulary.remove(row);
    this.#entries[row] = null;
    this.#rows.delete(key);
    this.#free.push(row);
    this.#trail = [];
  }

  /** The entry in a row; null if it is free. */
  entryIn(row: number): Entry | null {
    return this.#entries[row] ?? null;
  }

  /** The entry in a row that is taken. */
  entry(row: number): Entry {
    return this.#entries[row] as Entry;
  }

  /** The candidates that a choice is remembered as. */
  learnedAs(choice: string): Candidate[] {
    return Array.from(this.rowsLearnedAs(choice), (row) => this.entry(row).candidate);
  }

  /** Their rows. */
  rowsLearnedAs(choice: string): Iterable<number> {
    return this.#byLearned.get(choice) ?? [];
  }

  /**
   * The rows in which all letters of a query occur. Every further letter looks only at what was left before it; a
   * letter that is erased again is not looked for at all.
   */
  rowsWith(query: Query): readonly number[] {
    let last = this.#trail.at(-1);
    while (last && !goesOn(query, last.query)) {
      this.#trail.pop();
      last = this.#trail.at(-1);
    }
    if (last?.query.joined === query.joined && last.query.parts.length === query.parts.length)
      return last.rows;
    const rows: number[] = [];
    const among = last?.rows.length ?? this.#entries.length;
    for (let n = 0; n < among; n += 1) {
      const row = last ? (last.rows[n] as number) : n;
      if ((query.has & ~(this.#has[row] as number)) !== 0 || this.#entries[row] === null) continue;
      if (canMatch(this.#letters[row] as string, this.#starts[row] as number, query)) rows.push(row);
    }
    this.#trail.push({ query, rows });
    return rows;
  }
}

/** Whether a query goes on from another: whatever lacks the other's letters lacks its own. */
const goesOn = (query: Query, from: Query): boolean =>
  from.parts.length > 0 &&
  from.parts.every(({ letters }, n) => query.parts[n]?.letters.startsWith(letters) ?? false);
