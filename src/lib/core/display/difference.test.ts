import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs } from '../../../../testing/runs';
import { MOST_WINDOWS } from '../model/limits';
import { idsOf } from '../model/order';
import { find, idsIn } from '../model/table';
import { problemsOf, reduceAll, type Session } from '../session/session';
import { applicationOf } from '../slices/applications/selectors';
import { titleOf, windowOf } from '../slices/windows/selectors';
import { difference, type Standings } from './difference';
import { displaySession } from './display-session';
import type { Told, ToldWindow } from './told';

const AT = '2026-11-24T06:00:00.000Z';
const screen = { width: 1600, height: 1000 };

/** A page of the log and the display that it is about. */
class Display {
  session: Session = reduceAll(displaySession('Quay', 'Meta', AT), [
    { type: 'host-came', host: { name: 'Quay', abilities: ['close'], screen } },
  ]);
  readonly states = new Map() as Standings;

  tell(told: Omit<Told, 'type' | 'cause'>): string[] {
    const events = difference(this.session, { type: 'told', cause: null, ...told }, this.states);
    this.session = reduceAll(this.session, events);
    return events.map(({ type }) => type);
  }
}

const told = (id: string, application: string, more: Partial<ToldWindow> = {}): ToldWindow => ({
  id,
  application,
  title: id,
  minimised: false,
  hidden: false,
  maximised: false,
  workspace: 'ws-1',
  geometry: { x: 10, y: 20, width: 400, height: 300 },
  answering: true,
  ...more,
});
const applications = ['charts', 'radio', 'log'].map((id) => ({ id, name: `The ${id}` }));
const workspaces = [
  { id: 'ws-1', name: 'Desk' },
  { id: 'ws-2', name: 'Night watch' },
];

/** Two windows of one program, and one of another in front. */
function quay(): Display {
  const display = new Display();
  display.tell({
    applications,
    workspaces,
    workspace: 'ws-1',
    windows: [told('c1', 'charts'), told('c2', 'charts'), told('r1', 'radio')],
    whole: true,
    stacking: ['c1', 'c2', 'r1'],
    front: 'r1',
  });
  return display;
}

describe('what a display tells', () => {
  it('at first makes everything that is there, in the order of the pile', () => {
    const { session } = quay();
    expect(problemsOf(session)).toEqual([]);
    expect(session.stacking).toEqual(['c1', 'c2', 'r1']);
    expect(session.front).toBe('r1');
    expect(idsOf(session.recent.windows)).toEqual(['r1', 'c1', 'c2']);
    expect(session.applications.map(({ name, running }) => [name, running])).toEqual([
      ['The charts', true],
      ['The radio', true],
      ['The log', false],
    ]);
    expect(session.workspaces).toEqual(workspaces);
    expect(windowOf(session, 'c1')).toMatchObject({ on: screen, geometry: { x: 10, width: 400 } });
  });

  it('told once more changes nothing', () => {
    const display = quay();
    const again = { applications, workspaces, workspace: 'ws-1', front: 'r1', stacking: ['c1', 'c2', 'r1'] };
    expect(display.tell({ ...again, windows: [told('c1', 'charts')] })).toEqual([]);
  });

  it('is one event for each thing that is different', () => {
    const display = quay();
    expect(display.tell({ front: 'c1', stacking: ['c2', 'r1', 'c1'] })).toEqual([
      'windows-restacked',
      'window-fronted',
    ]);
    expect(display.tell({ windows: [told('c2', 'charts', { title: 'Tides' })] })).toEqual(['tab-retitled']);
    expect(titleOf(windowOf(display.session, 'c2'))).toBe('Tides');
    const moved = { x: 0, y: 0, width: 1600, height: 1000 };
    expect(
      display.tell({ windows: [told('c2', 'charts', { title: 'Tides', geometry: moved, maximised: true })] }),
    ).toEqual(['windows-placed']);
    expect(windowOf(display.session, 'c2')).toMatchObject({ part: 'whole' });
    expect(display.tell({ windows: [told('r1', 'radio', { workspace: 'ws-2' })] })).toEqual([
      'windows-carried',
    ]);
    expect(display.tell({ workspace: 'ws-2' })).toEqual(['workspace-entered']);
  });

  it('minimises, and hides a program while none of its windows is shown', () => {
    const display = quay();
    const standing = (id: string, minimised: boolean, hidden: boolean) =>
      told(id, 'charts', { minimised, hidden });
    const seen = () => [
      find(display.session.applications, 'charts')?.hidden,
      find(display.session.windows, 'c1')?.minimised,
      find(display.session.windows, 'c2')?.minimised,
    ];
    display.tell({ windows: [standing('c1', true, false)] });
    expect(seen()).toEqual([false, true, false]);
    display.tell({ windows: [standing('c1', true, true), standing('c2', false, true)] });
    expect(seen()).toEqual([true, true, false]);
    display.tell({ windows: [standing('c1', false, false)] });
    expect(seen()).toEqual([false, false, true]);
  });

  it('ends a program with its last window, and closes one window alone', () => {
    const display = quay();
    expect(display.tell({ gone: ['c1'] })).toEqual(['windows-closed']);
    expect(display.tell({ gone: ['c2'] })).toEqual(['application-ended']);
    expect(applicationOf(display.session, 'charts').running).toBe(false);
    expect(display.session.ended).toEqual([]);
    expect(display.tell({ whole: true, windows: [] })).toEqual(['application-ended']);
    expect(display.session.front).toBeNull();
  });

  it('says of a program that it does not answer while one of its windows does not', () => {
    const display = quay();
    const answering = (c1: boolean, c2: boolean) => ({
      windows: [told('c1', 'charts', { answering: c1 }), told('c2', 'charts', { answering: c2 })],
    });
    expect(display.tell(answering(true, false))).toEqual(['application-stopped-answering']);
    expect(display.tell(answering(true, true))).toEqual(['application-answers-again']);
  });

  it('brings nothing to the front that cannot be seen, and nothing that is not there', () => {
    const display = quay();
    display.tell({ windows: [told('c1', 'charts', { minimised: true })] });
    expect(display.tell({ front: 'c1' })).toEqual([]);
    expect(display.tell({ front: 'x' })).toEqual([]);
    expect(display.tell({ front: null })).toEqual([]);
    expect(display.session.front).toBe('r1');
  });

  it('goes on with workspaces that come, go and are renamed; what was there is elsewhere', () => {
    const display = quay();
    display.tell({ windows: [told('r1', 'radio', { workspace: 'ws-2' })], workspace: 'ws-2' });
    display.tell({ workspaces: [{ id: 'ws-1', name: 'Quay' }], workspace: 'ws-1' });
    expect(display.session.workspaces).toEqual([{ id: 'ws-1', name: 'Quay' }]);
    expect(windowOf(display.session, 'r1').workspace).toBe('ws-1');
    expect(display.session.workspace).toBe('ws-1');
  });

  it('keeps to the limits of a session', () => {
    const display = quay();
    const tiny = { geometry: { x: -30_000, y: 5, width: 3, height: 2.6 } };
    display.tell({ windows: [told('c1', 'charts', tiny)] });
    expect(windowOf(display.session, 'c1').geometry).toEqual({ x: -20_000, y: 5, width: 120, height: 60 });
    const many = Array.from({ length: MOST_WINDOWS + 5 }, (_, n) => told(`m${n}`, 'log'));
    display.tell({ windows: many });
    expect(display.session.windows).toHaveLength(MOST_WINDOWS);
    expect(display.tell({ windows: [told('z1', 'nobody')] })).toEqual([]);
  });

  it('whatever it tells, leads to a whole session that is as it was told', () => {
    const id = (prefix: string, most: number) => fc.nat(most).map((n) => `${prefix}${n}`);
    const window = fc
      .record({
        id: id('w', 5),
        application: fc.constantFrom('charts', 'radio', 'log'),
        title: fc.string(),
        minimised: fc.boolean(),
        hidden: fc.boolean(),
        maximised: fc.boolean(),
        workspace: fc.constantFrom('ws-1', 'ws-2', 'ws-9', null),
        answering: fc.boolean(),
      })
      .map((one) => told(one.id, one.application, one));
    const windows = fc.uniqueArray(window, { selector: ({ id: of }) => of });
    const telling = fc.record(
      {
        windows,
        gone: fc.array(id('w', 5)),
        whole: fc.boolean(),
        stacking: fc.array(id('w', 6)),
        front: fc.oneof(fc.constant(null), id('w', 6)),
        workspaces: fc.subarray(workspaces),
        workspace: fc.constantFrom('ws-1', 'ws-2', 'ws-9'),
      },
      { requiredKeys: [] },
    );
    fc.assert(
      fc.property(fc.array(telling, { maxLength: 8 }), (tellings) => {
        const display = quay();
        for (const one of tellings) {
          display.tell(one);
          if (problemsOf(display.session).length > 0) return false;
          const left = {
            ...one,
            gone: one.gone?.filter((gone) => !(one.windows ?? []).some(({ id: of }) => of === gone)),
          };
          if (!one.gone && display.tell(left).length > 0) return false;
          if (
            one.whole &&
            !idsIn(display.session.windows).every((of) => idsIn(one.windows ?? []).includes(of))
          )
            return false;
        }
        return true;
      }),
      { numRuns: runs(500) },
    );
  });
});
