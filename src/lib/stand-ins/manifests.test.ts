import { describe, expect, it } from 'vitest';
import { NEWCOMER } from '../../../testing/candidates';
import { sessionOf } from '../../../testing/sessions';
import { ACTIONS } from '../core/actions/actions';
import { programActions } from '../core/actions/list/programs';
import { Registry } from '../core/actions/registry';
import { frontTarget, windowTarget } from '../core/actions/target';
import { keyMapOf } from '../core/actions/views/key-map';
import { catalogueOf } from '../core/search/session-catalogue';
import { search } from '../core/search/search';
import { manifestOf, MANIFESTS } from './manifests';

const registry = new Registry([...ACTIONS, ...programActions(MANIFESTS)]);
const CONSTANTS = 'constituent,amplitude,phase\nZ0,3.1,0\nM2,2,0';

/** Windows on letters, but for those named, which are on tide constants. */
function mixed(line: string, tides: readonly string[]) {
  const desk = sessionOf(line);
  const documents = desk.documents.map((document) =>
    tides.includes(document.title) ? { ...document, kind: 'tide-constants', text: CONSTANTS } : document,
  );
  return { ...desk, documents };
}

describe('programs', () => {
  it('say what is wrong with a text that is not theirs', () => {
    expect(manifestOf('tide-constants')?.problem(CONSTANTS)).toBeNull();
    expect(manifestOf('tide-constants')?.problem('a letter')).toMatch(/no tide constants/);
    expect(manifestOf('sculpture')).toBeUndefined();
  });

  it('have kinds and actions of their own, and take no key from anyone', () => {
    const kinds = MANIFESTS.map(({ kind }) => kind);
    expect(new Set(kinds).size).toBe(kinds.length);
    expect(keyMapOf(registry, sessionOf('a: a1')).conflicts).toEqual([]);
  });

  it('answer in a sentence: high water of the sun’s tide alone, which is at noon', () => {
    const run = (kind: string, text: string) =>
      manifestOf(kind)
        ?.actions.find(({ makes }) => !makes)
        ?.run(text, new Date(Date.UTC(2026, 0, 1, 1)));
    expect(run('tide-constants', CONSTANTS.replace('M2', 'S2'))).toMatch(/High water at \d\d:00, 5\.1 m/);
    expect(run('letter', 'To the Master, at once.')).toBe('5 words');
    expect(run('table', 'Berth,Ship\nT1,"Sable\nWren"')).toBe('1 row');
  });
});

describe('a program’s own action', () => {
  const invocation = { action: 'tide-constants/next-high-water', argument: null };

  it('acts on what is in front if that is its own, else on its most recent window, without going there', () => {
    const session = mixed('a: a1 a2 | b: b1 b2', ['b1', 'b2']);
    const asked = (window: string) => ({
      to: 'page',
      request: expect.objectContaining({ window }) as unknown,
    });
    expect(registry.offer(session, invocation, frontTarget(session))).toEqual({ does: [asked('b1')] });
    expect(registry.offer(session, invocation, windowTarget(session, 'b2'))).toEqual({ does: [asked('b2')] });
  });

  it('is found by its names while it has a window, and not otherwise', () => {
    const titles = (tides: readonly string[]) => {
      const session = mixed('a: a1', tides);
      return search(catalogueOf(session, registry), 'flood', NEWCOMER).map(
        ({ candidate }) => candidate.title,
      );
    };
    expect(titles(['a1'])).toEqual(['Next high water (Tide)']);
    expect(titles([])).not.toContain('Next high water (Tide)');
  });
});
